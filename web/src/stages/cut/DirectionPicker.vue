<script setup lang="ts">
/** A direction to look from, by small pictures of the model as it is seen from there. */
import { BButton } from "bootstrap-vue-next";
import { nextTick, onMounted, useTemplateRef, watch } from "vue";
import type { Triple } from "@/api/types";
import { drawModel } from "@/proof/modelPicture";
import { useSelection } from "@/stores/selection";
import { useSurface } from "@/stores/surface";

const DIRECTIONS: { name: string; from: Triple | null }[] = [
  { name: "as now", from: null },
  { name: "front", from: [0, 0, 1] },
  { name: "right", from: [1, 0, 0] },
  { name: "above", from: [0, 1, 0] },
  { name: "left", from: [-1, 0, 0] },
  { name: "back", from: [0, 0, -1] },
  { name: "below", from: [0, -1, 0] },
];
/** null: as the proof shows it */
const model = defineModel<Triple | null>({ required: true });
const surfaces = useSurface();
const selection = useSelection();
const pictures = useTemplateRef<HTMLCanvasElement[]>("pictures");

const same = (from: Triple | null) => String(from) === String(model.value);
function draw(only?: number) {
  const { surface } = surfaces;
  if (!surface) return;
  pictures.value?.forEach((canvas, i) => {
    if (only === undefined || only === i) drawModel(canvas, surface, DIRECTIONS[i]!.from ?? selection.eye);
  });
}

onMounted(() => nextTick(draw));
watch(
  () => surfaces.surface,
  () => draw(),
);
watch(
  () => selection.eye,
  () => draw(0),
);
</script>

<template>
  <div class="directions" role="radiogroup" aria-label="Seen from">
    <BButton
      v-for="{ name, from } in DIRECTIONS"
      :key="name"
      variant="light"
      class="border"
      role="radio"
      :aria-checked="same(from)"
      :class="{ picked: same(from) }"
      @click="model = from"
    >
      <canvas ref="pictures" width="96" height="88" aria-hidden="true"></canvas>
      <span>{{ name }}</span>
    </BButton>
  </div>
</template>

<style scoped>
.directions {
  display: grid;
  margin-top: 8px;
  gap: 5px;
  grid-template-columns: repeat(4, 1fr);
}
.btn {
  display: grid;
  padding: 2px 0 3px;
  justify-items: center;
  font-size: 11px;
}
canvas {
  width: 48px;
  height: 44px;
}
</style>
