<script setup lang="ts">
/** Rectangles of the sheet that packing keeps free, drawn on the sheet or typed in px. */
import { BButton, BCloseButton } from "bootstrap-vue-next";
import { onUnmounted } from "vue";
import { useDrawing } from "@/hand/drawing";
import { useJob } from "@/stores/job";
import NumberField from "@/ui/NumberField.vue";

const NAMES = ["Left", "Top", "Width", "Height"];
const jobs = useJob();
const drawing = useDrawing();
type Box = [number, number, number, number];

const reserve = (reserved: Box[]) => jobs.operate("plan_sheet", { reserved });
const boxes = () => jobs.job!.reserved_px.map((box) => [...box] as Box);

function change(row: number, side: number, value: number) {
  const changed = boxes();
  changed[row]![side] = value;
  return reserve(changed);
}

const add = () =>
  drawing.box("what is kept free", ({ left, top, right, bottom }) =>
    reserve([...boxes(), [left, top, right - left, bottom - top]]),
  );

onUnmounted(() => drawing.leave());
</script>

<template>
  <h3>Keep free</h3>
  <div v-for="(box, row) in jobs.job!.reserved_px" :key="row" class="box">
    <NumberField
      v-for="(name, side) in NAMES"
      :key="name"
      :label="`${name} of rectangle ${row + 1}`"
      hide-label
      :value="box[side]!"
      :decimals="1"
      @change="change(row, side, $event)"
    />
    <BCloseButton
      :aria-label="`Remove rectangle ${row + 1}`"
      title="Remove"
      @click="reserve(boxes().filter((_, i) => i !== row))"
    />
  </div>
  <p v-if="jobs.job!.reserved_px.length > 0" class="form-text">Left, top, width and height, px.</p>
  <div class="row-of">
    <BButton variant="secondary" @click="add">Draw a rectangle to keep free</BButton>
  </div>
</template>

<style scoped>
.box {
  display: grid;
  align-items: center;
  margin-bottom: 4px;
  gap: 4px;
  grid-template-columns: repeat(4, minmax(0, 1fr)) 20px;
}
</style>
