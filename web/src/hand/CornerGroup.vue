<script setup lang="ts">
/** Several corners at once: picked by a box, moved, scaled and turned together, brought onto a line. */
import { BButton } from "bootstrap-vue-next";
import { computed } from "vue";
import type { Operations, Pair } from "@/api/types";
import { useCorners } from "@/hand/corners";
import { useDrawing } from "@/hand/drawing";
import { useJob } from "@/stores/job";
import { counted } from "@/stores/picks";
import { useSettings } from "@/stores/settings";
import NumberField from "@/ui/NumberField.vue";

const jobs = useJob();
const corners = useCorners();
const drawing = useDrawing();
const settings = useSettings();

/** Spread out as arguments, the corners of a large model would be too many. */
const boxRound = (places: Pair[]) =>
  places.reduce(
    ({ left, top, right, bottom }, [x, y]) => ({
      left: Math.min(left, x),
      top: Math.min(top, y),
      right: Math.max(right, x),
      bottom: Math.max(bottom, y),
    }),
    { left: Infinity, top: Infinity, right: -Infinity, bottom: -Infinity },
  );

const points = computed(() => [...corners.picked]);
/** left, top, width and height of the box round them, px */
const box = computed(() => {
  const { left, top, right, bottom } = boxRound(corners.places);
  return [left, top, right - left, bottom - top] as const;
});
const several = computed(() => points.value.length > 1);

const move = (dx: number, dy: number) =>
  jobs.operate("move_points", { points: points.value, move_px: [dx, dy], to: settings.pixelHold });
const scale = (across: number, down: number) =>
  jobs.operate("scale_points", { points: points.value, scale: [across, down] });
const turn = (turn_deg: number) => jobs.operate("scale_points", { points: points.value, turn_deg });
const straighten = (onto: Operations["straighten_points"]["onto"]) =>
  jobs.operate("straighten_points", { points: points.value, onto });
const pickByBox = () => drawing.box("a box round corners", corners.pickIn);
</script>

<template>
  <div class="row-of">
    <BButton variant="secondary" size="sm" @click="pickByBox">Pick by a box</BButton>
    <BButton variant="secondary" size="sm" :disabled="points.length === 0" @click="corners.clear()">None</BButton>
  </div>
  <div v-if="points.length > 0" class="fields mt-2">
    <span>{{ counted(points.length, "corners") }}</span>
    <NumberField label="Corners x" hide-label :value="box[0]" unit="px" @change="move($event - box[0], 0)" />
    <NumberField label="Corners y" hide-label :value="box[1]" unit="px" @change="move(0, $event - box[1])" />
    <template v-if="several">
      <span>Size</span>
      <NumberField
        label="Corners width"
        hide-label
        :disabled="box[2] === 0"
        :value="box[2]"
        unit="px"
        @change="scale($event / box[2], 1)"
      />
      <NumberField
        label="Corners height"
        hide-label
        :disabled="box[3] === 0"
        :value="box[3]"
        unit="px"
        @change="scale(1, $event / box[3])"
      />
      <NumberField class="wide" label="Turn by" :value="0" unit="°" @change="turn($event)" />
    </template>
  </div>
  <div v-if="several" class="row-of">
    <BButton
      variant="secondary"
      size="sm"
      :disabled="points.length < 3"
      title="Onto the line between the two that are farthest apart"
      @click="straighten('line')"
      >Straighten</BButton
    >
    <BButton variant="secondary" size="sm" @click="straighten('level')">Level</BButton>
    <BButton variant="secondary" size="sm" @click="straighten('upright')">Upright</BButton>
  </div>
</template>
