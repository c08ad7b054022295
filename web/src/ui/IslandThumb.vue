<script setup lang="ts">
/** An island cut out of the sheet, turned upright and turned back if it is mirrored. */
import { computed, onMounted, ref, watch } from "vue";
import type { Island } from "@/api/types";
import { useSheetImage } from "@/stores/image";
import { useJob } from "@/stores/job";
import { useSettings } from "@/stores/settings";
import { useShapes } from "@/stores/shapes";

const props = defineProps<{ island: Island }>();
const WIDTH = 54;
const HEIGHT = 56;
/** px of the canvas to one of the screen */
const RATIO = 2;
/** a sheet no wider was painted px by px */
const SMALL_PX = 256;
const images = useSheetImage();
const jobs = useJob();
const shapes = useShapes();
const settings = useSettings();
const canvas = ref<HTMLCanvasElement | null>(null);
/** Its outline is drawn so that an island shows without art too. */
const shape = computed(() => shapes.built?.shapes[props.island.index]);

function draw() {
  const context = canvas.value?.getContext("2d");
  const sheet = jobs.job?.sheet;
  if (!context || !sheet) return;
  const { box_px: box, up_angle_deg, mirrored, size_mm } = props.island;
  context.setTransform(RATIO, 0, 0, RATIO, 0, 0);
  context.clearRect(0, 0, WIDTH, HEIGHT);
  const width = box[2] - box[0];
  const height = box[3] - box[1];
  const turn = (-up_angle_deg * Math.PI) / 180;
  const across = Math.abs(width * Math.cos(turn)) + Math.abs(height * Math.sin(turn));
  const down = Math.abs(width * Math.sin(turn)) + Math.abs(height * Math.cos(turn));
  if (!(across > 0 && down > 0)) return;
  // Shown in the proportions it has on the model.
  const wide = size_mm[0] > 0 && size_mm[1] > 0 ? size_mm[0] / size_mm[1] : across / down;
  const shownWidth = Math.min(WIDTH - 4, (HEIGHT - 4) * wide);
  const shownHeight = shownWidth / wide;
  context.save();
  context.translate(WIDTH / 2, HEIGHT / 2);
  context.beginPath();
  context.rect(-shownWidth / 2, -shownHeight / 2, shownWidth, shownHeight);
  context.clip();
  context.fillStyle = "#fffdf8";
  context.fillRect(-shownWidth / 2, -shownHeight / 2, shownWidth, shownHeight);
  context.scale((mirrored ? -1 : 1) * (shownWidth / across), shownHeight / down);
  context.rotate(turn);
  context.translate(-(box[0] + box[2]) / 2, -(box[1] + box[3]) / 2);
  context.imageSmoothingEnabled = settings.pixels === "smooth" || (images.image?.width ?? 0) > SMALL_PX;
  if (images.image) {
    const { source, width: across, height: down } = images.image;
    const [x, y] = [across / sheet.width_px, down / sheet.height_px];
    context.drawImage(source, box[0] * x, box[1] * y, width * x, height * y, box[0], box[1], width, height);
  }
  const outline = new Path2D();
  if (shape.value) outline.addPath(shape.value.outline, context.getTransform());
  context.restore();
  context.resetTransform();
  context.strokeStyle = settings.theme === "dark" ? "#3d4a47" : "#1f2b38";
  context.lineWidth = RATIO;
  context.stroke(outline);
}

onMounted(draw);
watch([() => props.island, () => settings.theme, shape], draw, { flush: "post" });
watch(
  () => images.image,
  () => touched() && draw(),
  { flush: "post" },
);

/** Whether the image has changed where the island lies. */
function touched() {
  const { image } = images;
  const sheet = jobs.job?.sheet;
  if (!image?.changed || !sheet) return true;
  const [left, top, right, bottom] = props.island.box_px;
  const [x, y] = [image.width / sheet.width_px, image.height / sheet.height_px];
  return image.changed.some(
    ([from, above, width, height]) =>
      left * x < from + width && right * x > from && top * y < above + height && bottom * y > above,
  );
}
</script>

<template>
  <canvas
    ref="canvas"
    class="flex-shrink-0 rounded bg-body"
    :width="WIDTH * RATIO"
    :height="HEIGHT * RATIO"
    :style="{ width: `${WIDTH}px`, height: `${HEIGHT}px` }"
    aria-hidden="true"
  ></canvas>
</template>
