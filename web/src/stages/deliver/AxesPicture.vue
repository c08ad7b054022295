<script setup lang="ts">
/** Which axes of the delivered file run to the model's right, up, and to its front. */
import { computed } from "vue";
import { axisNames, type Axes } from "./axes";

const props = defineProps<Axes>();
const names = computed(() => axisNames(props));
/** ends on the picture of what runs right, up and to the front */
const ENDS = [
  [88, 52],
  [50, 10],
  [22, 66],
] as const;
</script>

<template>
  <svg
    class="axes d-block my-2"
    viewBox="0 0 120 84"
    role="img"
    :aria-label="`Right ${names[0]}, up ${names[1]}, front ${names[2]}`"
  >
    <path class="block" d="M36 40 L50 34 L64 40 L64 56 L50 62 L36 56 Z M36 40 L50 46 L64 40 M50 46 L50 62" />
    <g v-for="([x, y], i) in ENDS" :key="i">
      <line x1="50" y1="46" :x2="x" :y2="y" />
      <circle :cx="x" :cy="y" r="2.5" />
      <text :x="x + 6" :y="y + 4">{{ names[i] }} {{ ["right", "up", "front"][i] }}</text>
    </g>
  </svg>
</template>

<style scoped>
.axes {
  width: 170px;
}
.block {
  fill: var(--bs-tertiary-bg);
  stroke: var(--bs-secondary-color);
}
line {
  stroke: var(--bs-body-color);
  stroke-width: 1.5;
}
circle {
  fill: var(--bs-body-color);
}
text {
  fill: var(--bs-body-color);
  font-size: 9px;
}
</style>
