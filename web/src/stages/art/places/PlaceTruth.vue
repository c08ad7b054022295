<script setup lang="ts">
/** How true a layer comes out where it lies: the stretch left, and its picture's px beside the sheet's. */
import { computed } from "vue";
import type { Layer } from "@/api/types";
import { shown } from "@/ui/sums";

/** px of a picture to a texel: below it is too coarse, above most of it is lost */
const COARSE = 0.95;
const WASTED = 2.5;
const props = defineProps<{ layer: Layer; place: { stretch_mean: number; stretch_worst: number } }>();
const percent = (ratio: number) => `${shown(100 * (ratio - 1), 1)} %`;
const px = computed(() => props.layer.picture_px_per_texel);
const judged = computed(() => {
  if (px.value === null) return "";
  return px.value < COARSE ? ", too coarse" : px.value > WASTED ? ", more than the sheet can show" : "";
});
</script>

<template>
  <dl class="facts mt-2">
    <dt>Stretch left</dt>
    <dd class="num">{{ percent(place.stretch_mean) }} mean, {{ percent(place.stretch_worst) }} worst</dd>
    <template v-if="px !== null">
      <dt>Picture</dt>
      <dd class="num">{{ shown(px, 2) }} px to a texel{{ judged }}</dd>
    </template>
  </dl>
</template>
