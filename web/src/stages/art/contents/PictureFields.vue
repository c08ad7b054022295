<script setup lang="ts">
/** Another picture in the place of a layer's: one of the job's, or a file. */
import { ref } from "vue";
import type { Layer } from "@/api/types";
import { useJob } from "@/stores/job";
import FileButton from "@/ui/FileButton.vue";
import PictureGrid from "@/ui/PictureGrid.vue";

const props = defineProps<{ layer: Layer }>();
const jobs = useJob();
const reading = ref(false);
const now = () => (props.layer.content.kind === "picture" ? props.layer.content.picture.digest : "");

const replace = (digest: string) =>
  digest !== now() && jobs.operate("change_layer", { id: props.layer.id, content: { picture: digest } });

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
  </section>
</template>
