<script setup lang="ts">
import { BButton } from "bootstrap-vue-next";
import { computed, onUnmounted, ref } from "vue";
import type { Picture } from "@/api/types";
import { useKeys } from "@/composables/useKeys";
import { useJob } from "@/stores/job";
import { useSelection } from "@/stores/selection";
import DropZone from "@/ui/DropZone.vue";
import NumberField from "@/ui/NumberField.vue";
import PictureGrid from "@/ui/PictureGrid.vue";
import NoteBox from "@/ui/NoteBox.vue";
import FillPanel from "./FillPanel.vue";
import { fieldsOf } from "./kinds";
import LayerList from "./LayerList.vue";
import { usePlacing } from "./placing";

const jobs = useJob();
const selection = useSelection();
const placing = usePlacing();
const chosen = ref<string | null>(null);
const bringing = ref(false);

const picture = computed(() => jobs.job?.pictures.find((picture) => picture.digest === chosen.value) ?? null);
const island = computed(() => (selection.islands.length === 1 ? jobs.islands[selection.islands[0]!] : undefined));
const layer = computed(() => jobs.layers.find((layer) => layer.id === selection.layer) ?? null);

placing.open = true;
onUnmounted(() => {
  placing.leave();
  placing.open = false;
});
useKeys({ Escape: () => (placing.next ? placing.leave() : false) });

async function bring(files: File[]) {
  bringing.value = true;
  for (const file of files) {
    const [picture] = await jobs.bringPictures(file);
    if (picture) chosen.value = picture.digest;
  }
  bringing.value = false;
}

function pointAtModel({ digest, width_px, height_px }: Picture) {
  if (placing.next) return placing.leave();
  selection.layer = null;
  placing.next = { content: { kind: "picture", picture: digest }, aspect: width_px / height_px };
}

async function add(place: "sheet" | "island", from: Picture) {
  selection.layer = null; // what is typed now is not meant for the one before
  const done =
    place === "island"
      ? await jobs.operate("place_picture", { picture: from.digest, island: island.value!.index })
      : await jobs.operate("add_layer", { content: { kind: "picture", picture: from.digest } });
  if (done) selection.layer = jobs.layers.at(-1)?.id ?? null;
}
</script>

<template>
  <template v-if="jobs.job">
    <h2>Art</h2>
    <h3 class="mt-0">Pictures</h3>
    <PictureGrid
      v-if="jobs.job.pictures.length > 0"
      :chosen="chosen ? [chosen] : []"
      @toggle="chosen = $event === chosen ? null : $event"
    />
    <DropZone
      accept="image/*"
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
      <BButton variant="primary" class="btn-wide" :disabled="!island" @click="add('island', picture)">
        {{ island ? `Set as label on ${island.name}` : "Pick an island to set it on" }}
      </BButton>
      <BButton
        variant="secondary"
        class="btn-wide mt-2"
        :pressed="placing.next !== null"
        @click="pointAtModel(picture)"
      >
        {{ placing.next ? "Click the model, or press Escape" : "Put on the model as decal" }}
      </BButton>
      <BButton variant="secondary" class="btn-wide mt-2" @click="add('sheet', picture)"
        >Lay over the whole sheet</BButton
      >
    </template>
    <NoteBox v-else-if="jobs.job.pictures.length > 0" plain class="mt-2">
      Choose a picture above, then pick the island it goes on.
    </NoteBox>

    <h3>Fill</h3>
    <FillPanel />

    <h3>Layers, the upper ones first</h3>
    <NoteBox v-if="jobs.layers.length === 0" plain>No layers yet.</NoteBox>
    <LayerList />
    <template v-if="layer">
      <component :is="fields" v-for="(fields, i) in fieldsOf(layer)" :key="i" :layer="layer" />
    </template>

    <h3>Edges</h3>
    <div class="fields">
      <NumberField
        class="wide"
        label="Bleed"
        :value="jobs.job.artwork.bleed_px"
        unit="px"
        :decimals="0"
        @change="jobs.operate('set_bleed', { bleed_px: $event })"
      />
    </div>
  </template>
</template>
