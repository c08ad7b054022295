<script setup lang="ts">
/** Another picture in the place of a layer's: one of the job's, or a file. */
import { computed, ref } from "vue";
import type { Content, Layer } from "@/api/types";
import { useJob } from "@/stores/job";
import FileButton from "@/ui/FileButton.vue";
import FoldSection from "@/ui/FoldSection.vue";
import NumberField from "@/ui/NumberField.vue";
import PictureGrid from "@/ui/PictureGrid.vue";

type Crop = Extract<Content, { kind: "picture" }>["crop"];

const props = defineProps<{ layer: Layer }>();
const jobs = useJob();
const reading = ref(false);
const now = () => (props.layer.content.kind === "picture" ? props.layer.content.picture.digest : "");

const replace = (digest: string) =>
  digest !== now() && jobs.operate("change_layer", { id: props.layer.id, content: { picture: digest } });

const SIDES = ["Left", "Top", "Right", "Bottom"] as const;
const WHOLE: Crop = [0, 0, 1, 1];
const crop = computed(() => (props.layer.content.kind === "picture" ? props.layer.content.crop : WHOLE));
const cut = (side: number, share: number) =>
  jobs.operate("change_layer", {
    id: props.layer.id,
    content: { crop: crop.value.map((value, i) => (i === side ? share : value)) as Crop },
  });

async function bring([file]: File[]) {
  reading.value = true;
  const [picture] = file ? await jobs.bringPictures(file) : [];
  reading.value = false;
  if (picture) await replace(picture.digest);
}
</script>

<template>
  <section aria-label="Picture of the layer">
    <h3>Picture of {{ layer.name }}</h3>
    <PictureGrid v-if="jobs.job!.pictures.length > 1" :chosen="[now()]" @toggle="replace" />
    <FileButton
      accept="image/*"
      :label="reading ? 'Reading…' : 'Replace by a file'"
      :disabled="reading"
      @files="bring"
    />
    <FoldSection title="Crop" folded>
      <div class="fields">
        <NumberField
          v-for="(side, i) in SIDES"
          :key="side"
          class="wide"
          :label="side"
          :value="100 * crop[i]!"
          unit="%"
          :decimals="1"
          @change="cut(i, $event / 100)"
        />
      </div>
    </FoldSection>
  </section>
</template>
