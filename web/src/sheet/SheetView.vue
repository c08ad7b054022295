<script setup lang="ts">
/**
 * The sheet on the cutting mat: islands over the art, with rulers. What the hand does is in tools/, what is drawn in
 * passes/.
 */
import { BButton } from "bootstrap-vue-next";
import { useDevicePixelRatio, useElementSize } from "@vueuse/core";
import { computed, ref, watch } from "vue";
import { useKeys } from "@/composables/useKeys";
import { useViewport } from "@/composables/useViewport";
import PickBar from "@/hand/PickBar.vue";
import { useHand } from "@/hand/useHand";
import { usePickElements } from "@/hand/usePickElements";
import { useDrawing } from "@/hand/drawing";
import { useFitting } from "@/stages/fit/fitting";
import { cellAt } from "@/picking/cells";
import { useJob } from "@/stores/job";
import { useSelection } from "@/stores/selection";
import { useSettings } from "@/stores/settings";
import { useShapes } from "@/stores/shapes";
import { useSurface } from "@/stores/surface";
import { useVisibility } from "@/stores/visibility";
import ZoomTools from "./ZoomTools.vue";
import { sheetGround } from "./ground";
import { boxAround, wholeBox } from "./handles";
import { facesShape } from "./shapes";
import { useDrawShape } from "./tools/useDrawShape";
import { useLetGo } from "./tools/useLetGo";
import { useMoveIslands } from "./tools/useMoveIslands";
import { useMoveLabel } from "./tools/useMoveLabel";
import { usePinch } from "./tools/usePinch";
import { usePanSheet } from "./tools/usePanSheet";
import { usePullHandles } from "./tools/usePullHandles";
import { useChangeText } from "./useChangeText";
import { useMovingHand } from "./useHandles";
import { usePainting } from "./usePainting";

const props = defineProps<{
  movable: boolean;
  labels: boolean;
  /** faces, edges and corners can be picked, and seams are shown */
  cutting: boolean;
}>();

const jobs = useJob();
const selection = useSelection();
const settings = useSettings();
const surfaces = useSurface();
const visibility = useVisibility();
const drawing = useDrawing();
const fitting = useFitting();
/** coordinates of points; larger models are drawn anew when the hand lets go */
const KEEPS_UP = 40_000;

const holder = ref<HTMLElement | null>(null);
const canvas = ref<HTMLCanvasElement | null>(null);
const { width, height } = useElementSize(holder);
const { pixelRatio } = useDevicePixelRatio();
const { view, percent, fit, frame, zoomAt, zoomBy, pan, actualSize } = useViewport(
  () => jobs.job?.sheet ?? null,
  width,
  height,
);

const islandShapes = useShapes();
const shapes = computed(() => islandShapes.built?.shapes ?? []);
const spots = computed(() => islandShapes.built?.spots ?? []);
const shownIslands = computed(() => jobs.islands.filter((island) => !visibility.hiddenIslands.has(island.index)));
const lit = computed(() => {
  const faces = selection.spot?.faces ?? [];
  return surfaces.surface && surfaces.points && faces.length > 0
    ? facesShape(surfaces.surface, surfaces.points, faces)
    : null;
});

function pick(island: number, extend: boolean) {
  if (!props.labels) selection.layer = null;
  selection.pick(island, extend);
}

/** A click beside all islands picks the cell there while cells are worked on; else it lets go. */
function letGo(extend: boolean) {
  selection.layer = null;
  const at = selection.pointer;
  const cell = fitting.active && fitting.page === "cells" && at ? cellAt(fitting.cells, [at.x, at.y]) : null;
  if (cell !== null) fitting.cell = cell === fitting.cell ? null : cell;
  else selection.pick(null, extend);
}

const ground = sheetGround(
  view,
  () => shownIslands.value,
  () => shapes.value,
);
const elements = usePickElements({
  on: () => props.cutting,
  underAt: (at) =>
    surfaces.elements && surfaces.points
      ? surfaces.elements.onSheet(surfaces.points, ground.px(at), ground.reach())
      : null,
  boxFrom: (from, to) => ({ corners: [...ground.px(from), ...ground.px(to)] }),
  pan,
});
const draw = useDrawShape(ground);
const handles = usePullHandles(ground);
const label = useMoveLabel(ground, () => props.labels);
const islands = useMoveIslands(ground, () => props.movable, pick);
// The upper ones are asked first.
const hand = useHand(canvas, [
  usePinch(canvas, { pan, zoomAt }),
  usePanSheet(canvas, { pan, zoomAt }),
  draw.tool,
  elements.tool,
  handles.tool,
  label.tool,
  islands.tool,
  useLetGo(pan, letGo),
]);
const moving = useMovingHand(islands.moved, handles.shift);

watch([() => surfaces.surface, () => surfaces.points], () => islands.settle(), { immediate: true });
// Islands that bend are drawn anew while a corner is dragged, where that keeps up with the hand.
watch(handles.shift, () => {
  const { surface, points } = surfaces;
  if (!surface || !points || points.length > KEEPS_UP) return;
  islandShapes.build(surface, moving.bent() ?? points);
});
watch(
  () => selection.spot,
  (spot) => {
    if (!spot) return;
    const box = lit.value?.box ?? boxAround(jobs.islands.filter((island) => spot.islands.includes(island.index)));
    if (box) frame(box);
  },
);

const drawnBox = computed(() => {
  const line = drawing.shape === "box" ? draw.drawn.value : null;
  if (!line) return null;
  const box = wholeBox(line.from, line.to);
  const { scale, x, y } = view.value;
  const [across, down] = [box.right - box.left, box.bottom - box.top];
  const style = {
    left: `${box.left * scale + x}px`,
    top: `${box.top * scale + y}px`,
    width: `${across * scale}px`,
    height: `${down * scale}px`,
  };
  return { style, text: `${across} × ${down} px at ${box.left}, ${box.top}` };
});

usePainting(canvas, {
  width,
  height,
  pixelRatio,
  view,
  shapes,
  spots,
  cutting: () => props.cutting,
  lit: computed(() => lit.value?.path ?? null),
  moved: islands.moved,
  moving: computed(() => (islands.moved.value ? moving.islands.value : null)),
  frame: computed(() => (props.movable && !islands.moved.value ? islands.grips.value : null)),
  label: label.layer,
  labelChange: label.change,
  labelPulled: label.pulling,
  corners: moving.places,
  pull: computed(() => (drawing.shape === "pull" ? draw.drawn.value : null)),
});

const changeText = useChangeText(islands.change, islands.moved, islands.frame);

useKeys({
  Escape: () => hand.leave() || drawing.leave(),
  "+": () => zoomBy(1.25),
  "-": () => zoomBy(0.8),
  "0": () => fit(),
});
</script>

<template>
  <section
    ref="holder"
    class="sheet-view"
    aria-label="Sheet"
    :aria-busy="shapes.length === 0"
    :data-view="`${view.scale} ${view.x} ${view.y}`"
  >
    <canvas
      ref="canvas"
      tabindex="0"
      role="application"
      aria-describedby="sheet-keys"
      :aria-label="`Sheet of ${jobs.job?.sheet.width_px} by ${jobs.job?.sheet.height_px} px with ${jobs.islands.length} islands`"
      :style="{ cursor: hand.cursor.value }"
    ></canvas>
    <p id="sheet-keys" class="visually-hidden">
      Arrows move the picked islands by 1 px, with Shift by 10, with Alt by a tenth. Comma and full stop turn them.
      Plus, minus and 0 zoom. Islands are picked in the strip, too.
    </p>
    <div v-if="elements.box.value" class="pick-box" :style="elements.box.value"></div>
    <div v-if="drawnBox" class="pick-box" :style="drawnBox.style"></div>
    <BButton
      class="ruler-unit"
      variant="light"
      title="Rulers in px or mm"
      @click="settings.unit = settings.unit === 'px' ? 'mm' : 'px'"
    >
      {{ settings.unit }}
    </BButton>
    <PickBar v-if="cutting" class="pick-bar" />
    <ZoomTools :percent="percent" :islands="!elements.picking()" @zoom="zoomBy" @fit="fit" @actual="actualSize" />
    <div v-if="changeText" class="change num" :class="{ wrong: changeText.wrong }">{{ changeText.text }}</div>
    <div v-else-if="drawing.shape" class="change">{{ drawnBox ? drawnBox.text : drawing.purpose }}</div>
    <div v-if="surfaces.loading" class="loading" role="status">Reading the surface…</div>
  </section>
</template>

<style scoped>
.sheet-view {
  position: relative;
  overflow: hidden;
  min-width: 0;
  background: var(--mat);
}
canvas {
  position: absolute;
  inset: 0;
  width: 100%;
  height: 100%;
  touch-action: none;
}
canvas:focus-visible {
  outline-offset: -2px;
}
.ruler-unit {
  position: absolute;
  inset: 0 auto auto 0;
  width: 26px;
  height: 24px;
  padding: 0;
  font: 600 10px var(--bs-font-monospace);
}
/* in the margin that the mat leaves round the sheet */
.pick-bar {
  top: 28px;
  left: 30px;
}
.change,
.loading {
  position: absolute;
  left: 50%;
  top: 34px;
  padding: 3px 10px;
  border-radius: 5px;
  background: var(--sheet-picked);
  color: #fff;
  transform: translateX(-50%);
}
.change.wrong {
  background: var(--brick);
}
.loading {
  background: var(--bs-body-color);
  color: var(--bs-tertiary-bg);
}
</style>
