<script setup lang="ts">
/** What layers are made of, and where it is laid: pictures, lettering, fills. */
import { BButton } from "bootstrap-vue-next";
import { computed, ref } from "vue";
import { useJob } from "@/stores/job";
import { useSelection } from "@/stores/selection";
import DropZone from "@/ui/DropZone.vue";
import FoldSection from "@/ui/FoldSection.vue";
import NoteBox from "@/ui/NoteBox.vue";
import PictureGrid from "@/ui/PictureGrid.vue";
import TemplateChoice from "@/stages/trace/TemplateChoice.vue";
import { useReturning } from "@/stages/trace/returning";
import { useAdding } from "./adding";
import FillPanel from "./FillPanel.vue";
import LetteringPanel from "./LetteringPanel.vue";
import PalettePanel from "./PalettePanel.vue";
import PlaceOnModel from "./PlaceOnModel.vue";

const jobs = useJob();
const selection = useSelection();
const adding = useAdding();
const returning = useReturning();
const chosen = ref<string | null>(null);
const bringing = ref(false);

const picture = computed(() => jobs.job?.pictures.find((picture) => picture.digest === chosen.value) ?? null);
const island = computed(() => (selection.islands.length === 1 ? jobs.islands[selection.islands[0]!] : undefined));

async function bring(files: File[]) {
  bringing.value = true;
  for (const file of files) {
    const [picture] = await jobs.bringPictures(file);
    if (picture) chosen.value = picture.digest;
  }
  bringing.value = false;
}
</script>

<template>
  <section v-if="jobs.job" aria-label="Add art">
    <FoldSection title="Pictures">
      <PictureGrid
        v-if="jobs.job.pictures.length > 0"
        :chosen="chosen ? [chosen] : []"
        @toggle="chosen = $event === chosen ? null : $event"
      />
      <DropZone
        accept="image/*,.tga,.ora"
        :label="bringing ? 'Reading…' : 'Bring in a picture'"
        :busy="bringing"
        multiple
        @files="bring"
      >
        <p v-if="jobs.job.pictures.length === 0" class="mb-2">Drop a label, or a sheet you painted over the trace.</p>
      </DropZone>
      <template v-if="picture">
        <p class="mt-2 mb-0 text-break">
          <b>{{ picture.name }}</b> <span class="num">{{ picture.width_px }} × {{ picture.height_px }} px</span>
        </p>
        <BButton
          variant="primary"
          class="btn-wide"
          :disabled="!island"
          @click="adding.added(jobs.operate('place_picture', { picture: picture.digest, island: island!.index }))"
        >
          {{ island ? `Set as label on ${island.name}` : "Pick an island to set it on" }}
        </BButton>
        <PlaceOnModel
          :content="{ kind: 'picture', picture: picture.digest }"
          :aspect="picture.width_px / picture.height_px"
        />
        <BButton
          variant="secondary"
          class="btn-wide mt-2"
          @click="adding.add({ content: { kind: 'picture', picture: picture.digest } })"
          >Lay over the whole sheet</BButton
        >
        <BButton
          v-if="jobs.job.exported"
          variant="secondary"
          class="btn-wide mt-2"
          title="It lands where it belongs, though islands were moved since"
          @click="returning.takeBack(picture)"
          >It was painted over the trace</BButton
        >
        <TemplateChoice />
      </template>
      <NoteBox v-else-if="jobs.job.pictures.length > 0" plain class="mt-2">
        Choose a picture above, then where it goes.
      </NoteBox>
    </FoldSection>
    <FoldSection title="Lettering">
      <LetteringPanel />
    </FoldSection>
    <FoldSection title="Flat colour">
      <FillPanel />
    </FoldSection>
    <FoldSection title="Palette" folded>
      <PalettePanel />
    </FoldSection>
  </section>
</template>
