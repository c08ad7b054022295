<script setup lang="ts">
/** How true a layer comes out where it lies: the stretch left, and its picture's px beside the sheet's. */
import { computed } from "vue";
import type { Layer } from "@/api/types";
import { shown } from "@/ui/sums";

const JUDGED = { coarse: ", too coarse", enough: "", wasted: ", more than the sheet can show" };
const props = defineProps<{ layer: Layer; place: { stretch_mean: number; stretch_worst: number } }>();
const percent = (ratio: number) => `${shown(100 * (ratio - 1), 1)} %`;
const px = computed(() => props.layer.picture_px_per_texel);
const judged = computed(() => JUDGED[props.layer.picture_judged ?? "enough"]);
const drawing = computed(() => props.layer.content.kind === "picture" && props.layer.content.picture.drawing);
</script>

<template>
  <dl class="facts mt-2">
    <dt>Stretch left</dt>
    <dd class="num">{{ percent(place.stretch_mean) }} mean, {{ percent(place.stretch_worst) }} worst</dd>
    <template v-if="px !== null">
      <dt>Picture</dt>
      <dd class="num">{{ shown(px, 2) }} px to a texel{{ judged }}</dd>
    </template>
    <template v-else-if="drawing">
      <dt>Drawing</dt>
      <dd>as sharp as the sheet</dd>
    </template>
  </dl>
</template>
