<script setup lang="ts">
/** The sheet on the cutting mat: islands over the art, with rulers. */
import { useDevicePixelRatio, useElementSize } from "@vueuse/core";
import { computed, nextTick, ref, shallowRef, watch } from "vue";
import type { Layer, Pair } from "@/api/types";
import { useKeys } from "@/composables/useKeys";
import { usePickHand } from "@/composables/usePickHand";
import { useSheetPointer } from "@/composables/useSheetPointer";
import { useViewport } from "@/composables/useViewport";
import { useCorners } from "@/stores/corners";
import { useDrawing } from "@/stores/drawing";
import { useFitting } from "@/stores/fitting";
import { useElements } from "@/stores/elements";
import { useSheetImage } from "@/stores/image";
import { useJob } from "@/stores/job";
import { useSelection } from "@/stores/selection";
import { useSettings } from "@/stores/settings";
import { useSurface } from "@/stores/surface";
import { useVisibility } from "@/stores/visibility";
import { drawSheet } from "./draw";
import type { LabelChange } from "./labelHand";
import ZoomTools from "./ZoomTools.vue";
import { boxAround, wholeBox, type Change } from "./handles";
import { facesShape, islandShapes, type IslandShape } from "./shapes";
import { sheetColors } from "./colors";
import { useChangeText } from "./useChangeText";
import { useHandles, useMovingHand } from "./useHandles";
import { useSheetMarks } from "./useSheetMarks";
import { toPx } from "./viewport";

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
const images = useSheetImage();
const visibility = useVisibility();
const store = useElements();
const corners = useCorners();
const drawing = useDrawing();
const fitting = useFitting();
/** screen px that an edge or a corner may be off the pointer */
const REACH = 8;
/** coordinates of points; larger models are drawn anew when the hand lets go */
const KEEPS_UP = 40_000;

const holder = ref<HTMLElement | null>(null);
const canvas = ref<HTMLCanvasElement | null>(null);
const { width, height } = useElementSize(holder);
const { pixelRatio } = useDevicePixelRatio();
const { view, percent, fit, frame, zoomAt, zoomBy, pan, actualSize } = useViewport(() => jobs.job?.sheet ?? null, width, height);

const shapes = shallowRef<IslandShape[]>([]);
const shownIslands = computed(() => jobs.islands.filter((island) => !visibility.hiddenIslands.has(island.index)));
const lit = computed(() => {
  const faces = selection.spot?.faces ?? [];
  return surfaces.surface && surfaces.points && faces.length > 0 ? facesShape(surfaces.surface, surfaces.points, faces) : null;
});
const pickedLabel = computed<Layer | null>(() => (props.labels && jobs.layers.find((layer) => layer.id === selection.layer && layer.place)) || null);

const px = ([x, y]: Pair): Pair => {
  const at = toPx(view.value, x, y);
  return [at.x, at.y];
};
const marks = useSheetMarks(() => props.cutting);
const pickHand = usePickHand({
  on: () => props.cutting,
  underAt: (at) => (store.elements && surfaces.points ? store.elements.onSheet(surfaces.points, px(at), REACH / view.value.scale) : null),
  boxFrom: (from, to) => ({ corners: [...px(from), ...px(to)] }),
});

const handles = useHandles(() => REACH / view.value.scale);
const hand = useSheetPointer(canvas, {
  view,
  pickHand,
  hold: () => settings.hold,
  nearCorner: (at) => corners.at(at, REACH / view.value.scale) !== null,
  overHandle: handles.over,
  takeHandle: handles.take,
  islands: () => shownIslands.value,
  shapes: () => shapes.value,
  picked: () => selection.islands,
  movable: () => props.movable,
  draw: () => drawing.shape,
  onDrawn: (from, to, island) => drawing.take({ from, to, island, point: corners.at(from, REACH / view.value.scale) }),
  label: () => pickedLabel.value,
  zoomAt,
  pan,
  onPick: (island, extend) => {
    if (island === null || !props.labels) selection.layer = null;
    const cell = island === null && fitting.active && fitting.page === "cells" && selection.pointer ? fitting.cellAt([selection.pointer.x, selection.pointer.y]) : null;
    if (cell !== null) fitting.cell = cell === fitting.cell ? null : cell;
    else selection.pick(island, extend);
  },
  onHover: (island, at) => {
    selection.hovered = island;
    selection.pointer = at;
  },
  onChange: transform,
  onLabel: placeLabel,
});

const moving = useMovingHand(hand.moved, hand.shift);

async function transform(change: Change) {
  const done = await jobs.operate("transform_islands", { islands: [...selection.islands], ...change });
  if (!done) hand.settle();
}

async function placeLabel(layer: Layer, change: LabelChange) {
  const { place } = layer;
  if (place.kind !== "island") return;
  const [xRight, xDown, yRight, yDown] = place.mm_per_px;
  const [right, down] = change.shift_px;
  const hundredths = (value: number) => Math.round(value * 100) / 100;
  await jobs.operate(
    "change_layer",
    change.scale === 1
      ? { id: layer.id, place: { x_mm: hundredths(place.x_mm + xRight * right + xDown * down), y_mm: hundredths(place.y_mm + yRight * right + yDown * down) } }
      : { id: layer.id, place: { width_mm: hundredths(place.width_mm * change.scale) } },
  );
}

watch(
  [() => surfaces.surface, () => surfaces.points],
  ([surface, points]) => {
    shapes.value = surface && points ? islandShapes(surface, points, jobs.islands.length) : [];
    hand.settle();
  },
  { immediate: true },
);
// Islands that bend are drawn anew while a corner is dragged, where that keeps up with the hand.
watch(hand.shift, () => {
  const { surface, points } = surfaces;
  if (!surface || !points || points.length > KEEPS_UP) return;
  shapes.value = islandShapes(surface, moving.bent() ?? points, jobs.islands.length);
});

const drawnBox = computed(() => {
  const drawn = drawing.shape === "box" ? hand.drawn.value : null;
  if (!drawn) return null;
  const box = wholeBox(drawn.from, drawn.to);
  const { scale, x, y } = view.value;
  const [width, height] = [box.right - box.left, box.bottom - box.top];
  const style = { left: `${box.left * scale + x}px`, top: `${box.top * scale + y}px`, width: `${width * scale}px`, height: `${height * scale}px` };
  return { style, text: `${width} × ${height} px at ${box.left}, ${box.top}` };
});
const fitMarks = computed(() => {
  const pull = drawing.shape === "pull" ? hand.drawn.value : null;
  return marks.fit.value && { ...marks.fit.value, pull };
});

watch(
  () => selection.spot,
  (spot) => {
    if (!spot) return;
    const box = lit.value?.box ?? boxAround(jobs.islands.filter((island) => spot.islands.includes(island.index)));
    if (box) frame(box);
  },
);

let wanted = false;
function redraw() {
  if (wanted) return;
  wanted = true;
  requestAnimationFrame(() => {
    wanted = false;
    draw();
  });
}

function draw() {
  const context = canvas.value?.getContext("2d");
  const job = jobs.job;
  if (!context || !job || width.value === 0) return;
  const ratio = pixelRatio.value;
  const target = context.canvas;
  if (target.width !== Math.round(width.value * ratio) || target.height !== Math.round(height.value * ratio)) {
    target.width = Math.round(width.value * ratio);
    target.height = Math.round(height.value * ratio);
  }
  drawSheet(
    context,
    {
      width: width.value, height: height.value, view: view.value, sheet: job.sheet, image: images.image, imageOpacity: images.look === "underlay" ? (fitting.underlay?.opacity ?? 1) : 1, pixels: settings.pixels,
      islands: job.islands, shapes: shapes.value,
      picked: selection.islands, hovered: selection.hovered, hidden: visibility.hiddenIslands, lit: lit.value?.path ?? null, cut: marks.cut.value, preview: marks.preview.value, fit: fitMarks.value, reserved: job.reserved_px, corners: moving.places.value, moved: hand.moved.value, moving: moving.islands.value, frame: props.movable ? hand.frame.value : null,
      label: pickedLabel.value && { layer: pickedLabel.value, shift: hand.labelChange.value.shift_px }, labelScale: hand.labelChange.value.scale,
      density: job.density_px_per_mm, unit: settings.unit, colors: sheetColors(settings.theme),
    },
    ratio,
  );
}

watch(
  [width, height, pixelRatio, view, shapes, () => images.image, () => jobs.job, () => selection.islands, () => selection.hovered, hand.moved, hand.labelChange, lit, marks.cut, marks.preview, fitMarks, moving.places, () => settings.pixels, () => visibility.hiddenIslands,
    pickedLabel, () => settings.unit, () => settings.theme, () => props.movable],
  redraw,
  { flush: "post", immediate: true },
);
void document.fonts.ready.then(() => nextTick(redraw));

const changeText = useChangeText(hand.change, hand.moved);

useKeys({
  Escape: () => hand.leave() || drawing.leave(),
  "+": () => zoomBy(1.25),
  "-": () => zoomBy(0.8),
  "0": () => fit(),
});
</script>

<template>
  <section ref="holder" class="sheet-view" aria-label="Sheet" :aria-busy="shapes.length === 0" :data-view="`${view.scale} ${view.x} ${view.y}`">
    <canvas
      ref="canvas"
      tabindex="0"
      role="img"
      :aria-label="`Sheet of ${jobs.job?.sheet.width_px} by ${jobs.job?.sheet.height_px} px with ${jobs.islands.length} islands`"
      :style="{ cursor: hand.cursor.value }"
    ></canvas>
    <div v-if="pickHand.box.value" class="pick-box" :style="pickHand.box.value"></div>
    <div v-if="drawnBox" class="pick-box" :style="drawnBox.style"></div>
    <button class="ruler-unit" type="button" title="Rulers in px or mm" @click="settings.unit = settings.unit === 'px' ? 'mm' : 'px'">{{ settings.unit }}</button>
    <ZoomTools :percent="percent" @zoom="zoomBy" @fit="fit" @actual="actualSize" />
    <div v-if="changeText" class="change num">{{ changeText }}</div>
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
  outline: 2px solid var(--verdigris);
  outline-offset: -2px;
}
.ruler-unit {
  position: absolute;
  inset: 0 auto auto 0;
  width: 22px;
  height: 22px;
  padding: 0;
  border: 0;
  background: transparent;
  color: var(--ink-soft);
  font: 600 10px var(--mono);
}
.change,
.loading {
  position: absolute;
  left: 50%;
  top: 34px;
  transform: translateX(-50%);
  padding: 3px 10px;
  border-radius: 5px;
  background: var(--verdigris);
  color: #fff;
}
.loading {
  background: var(--ink);
  color: var(--panel);
}
</style>
