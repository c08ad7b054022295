<script setup lang="ts">
/** The model as it wears the sheet on a map: the present one, or one that was kept. */
import { useElementSize } from "@vueuse/core";
import { onBeforeUnmount, onMounted, shallowRef, useTemplateRef, watch } from "vue";
import { api } from "@/api/client";
import type { SheetMap } from "@/api/types";
import { boxOf } from "@/proof/geometry";
import { ProofScene } from "@/proof/scene";
import { useJob } from "@/stores/job";
import { useMessages } from "@/stores/messages";
import { SURFACE_ARRAYS, surfaceOf } from "@/stores/surface";

const { map, kept, picture } = defineProps<{
  map: SheetMap;
  /** its number; null: the present one */
  kept: number | null;
  /** of its picture */
  picture: string;
}>();
const jobs = useJob();
const messages = useMessages();
const canvas = useTemplateRef<HTMLCanvasElement>("canvas");
const scene = shallowRef<ProofScene | null>(null);
const { width, height } = useElementSize(canvas);

async function show(view: ProofScene, url: string) {
  const { id, revision, surface: version } = jobs.job!;
  const source = Object.assign(new Image(), { src: url });
  const [arrays] = await Promise.all([
    api.arrays(id, ["points", ...SURFACE_ARRAYS], revision, `${version}-${revision}`, kept),
    source.decode(),
  ]);
  const surface = surfaceOf(arrays);
  view.model.setSurface(surface);
  view.model.setPoints(surface, new Float32Array(arrays.points), map.sheet, null);
  const { naturalWidth, naturalHeight } = source;
  view.model.setImage({ source, width: naturalWidth, height: naturalHeight, changed: null }, false, false);
  view.model.setLight("shaded");
  view.goRound(boxOf(surface));
}

onMounted(async () => {
  try {
    scene.value = new ProofScene(canvas.value!);
    scene.value.add(scene.value.model);
    await show(scene.value, picture);
  } catch (error) {
    messages.fail(error);
  }
});
watch([scene, width, height], () => scene.value?.resize(width.value, height.value));
onBeforeUnmount(() => scene.value?.dispose());
</script>

<template>
  <canvas ref="canvas" role="img" :aria-label="`The model on ${map.name}`"></canvas>
</template>

<style scoped>
canvas {
  display: block;
  width: 100%;
  height: 30vh;
  border-radius: 6px;
  background: var(--proof);
  cursor: grab;
}
</style>
