<script setup lang="ts">
/** Corners put exactly where they are said to go, or onto each other. */
import { BButton, BFormCheckbox } from "bootstrap-vue-next";
import { computed, onUnmounted, ref } from "vue";
import type { Operations } from "@/api/types";
import CornerGroup from "@/hand/CornerGroup.vue";
import { useCorners } from "@/hand/corners";
import { useJob } from "@/stores/job";
import ChoiceBar from "@/ui/ChoiceBar.vue";
import FoldSection from "@/ui/FoldSection.vue";
import NumberField from "@/ui/NumberField.vue";

const jobs = useJob();
const corners = useCorners();
const unit = ref<"px" | "mm" | "uv">("px");
const moves = ref<"island" | "corner">("island");

const point = computed(() => corners.picked[0]!);
const name = computed(() => jobs.islands[corners.islandOf(point.value) ?? -1]?.name ?? "");
const sheet = computed(() => jobs.job!.sheet);
/** The first corner's place in the unit that is shown; UV run up from the bottom left. */
const shown = computed(() => {
  const [x, y] = corners.places[0] ?? [0, 0];
  if (unit.value === "uv") return [x / sheet.value.width_px, 1 - y / sheet.value.height_px];
  const px = unit.value === "mm" ? jobs.job!.density_px_per_mm : 1;
  return [x / px, y / px];
});

function place(axis: 0 | 1, value: number) {
  if (unit.value === "uv") return send(axis === 0 ? { u: value } : { v: value });
  const px = value * (unit.value === "mm" ? jobs.job!.density_px_per_mm : 1);
  return send(axis === 0 ? { x_px: px } : { y_px: px });
}

const send = (to: Partial<Operations["place_corner"]>) =>
  jobs.operate("place_corner", { point: point.value, alone: moves.value === "corner", ...to });
const onto = () => send({ x_px: corners.places[1]![0], y_px: corners.places[1]![1] });

onUnmounted(() => {
  corners.on = false;
  corners.clear();
});
</script>

<template>
  <FoldSection title="Corners" folded>
    <BFormCheckbox v-model="corners.on" class="mt-2" @change="corners.clear()">Pick corners on the sheet</BFormCheckbox>
    <p v-if="corners.on && corners.picked.length === 0" class="form-text">
      Click a corner; Shift-click another to bring the first onto it, or more to change them together.
    </p>
    <CornerGroup v-if="corners.on && corners.picked.length !== 1" />
    <template v-if="corners.picked.length === 1 || corners.picked.length === 2">
      <div class="fields mt-2">
        <span class="form-text mt-0">{{ name }}</span>
        <ChoiceBar v-model="unit" class="wide" label="Unit of the corner" :choices="{ px: 'px', mm: 'mm', uv: 'UV' }" />
        <span>Corner</span>
        <NumberField
          label="Corner x"
          hide-label
          :value="shown[0]!"
          :decimals="unit === 'uv' ? 6 : 2"
          @change="place(0, $event)"
        />
        <NumberField
          label="Corner y"
          hide-label
          :value="shown[1]!"
          :decimals="unit === 'uv' ? 6 : 2"
          @change="place(1, $event)"
        />
        <span>Moves</span>
        <ChoiceBar
          v-model="moves"
          class="wide"
          label="What moves"
          :choices="{ island: 'the island', corner: 'it alone' }"
        />
      </div>
      <div class="row-of">
        <BButton variant="secondary" :disabled="corners.picked.length !== 2" @click="onto"> First onto second </BButton>
      </div>
    </template>
  </FoldSection>
</template>
