<script setup lang="ts">
/** Corrections of a picture, step by step; its file stays as it is. */
import { BButton, BCloseButton, BFormSelect, BListGroup, BListGroupItem } from "bootstrap-vue-next";
import { computed, ref } from "vue";
import type { CorrectionStep, Pair, Underlay } from "@/api/types";
import { useDrawing } from "@/hand/drawing";
import { useJob } from "@/stores/job";
import NumberField from "@/ui/NumberField.vue";

const NAMES: Record<CorrectionStep["step"], string> = {
  straighten: "Straighten four corners",
  trim: "Trim the sides",
  leave_out: "Leave out a strip",
  even_light: "Even out the light",
  unroll: "Unroll from a cylinder",
};
const WORDS: Record<string, string> = {
  left: "left",
  top: "top",
  right: "right",
  bottom: "bottom",
  from_px: "from",
  to_px: "to",
  left_px: "left side",
  right_px: "right side",
  sag_px: "sag",
  width_px: "width",
  height_px: "height",
  radius: "reach",
};
const CORNERS = ["the top left corner", "the top right corner", "the bottom right corner", "the bottom left corner"];

const props = defineProps<{ underlay: Underlay; index: number }>();
const jobs = useJob();
const drawing = useDrawing();
const chosen = ref<CorrectionStep["step"]>("straighten");

const recipe = computed(() => props.underlay.recipe);
const correct = (steps: CorrectionStep[]) => jobs.operate("correct_underlay", { index: props.index, recipe: steps });

/** Adds the chosen step: of what is drawn on the sheet for it, or as the server begins it. */
function add() {
  const step = chosen.value;
  const begin = (places: Pair[]) => jobs.operate("add_correction", { index: props.index, step, places_px: places });
  const box = (what: string) =>
    drawing.box(what, ({ left, top, right, bottom }) =>
      begin([
        [left, top],
        [right, bottom],
      ]),
    );
  if (step === "straighten") drawing.places(CORNERS, begin);
  else if (step === "trim") box("what is kept");
  else if (step === "leave_out") box("the strip that is left out");
  else void begin([]);
}

const numbers = (step: CorrectionStep) =>
  Object.entries(step).filter((entry): entry is [string, number] => typeof entry[1] === "number");
const change = (row: number, name: string, value: number) =>
  correct(recipe.value.map((step, i) => (i === row ? ({ ...step, [name]: value } as CorrectionStep) : step)));
const moveCorner = (row: number, corner: number, axis: number, value: number) =>
  correct(
    recipe.value.map((step, i) =>
      i === row && step.step === "straighten"
        ? {
            ...step,
            corners: step.corners.map((place, k) =>
              k === corner ? (place.map((old, a) => (a === axis ? value : old)) as Pair) : place,
            ),
          }
        : step,
    ),
  );
</script>

<template>
  <h3>Correct the picture</h3>
  <BListGroup v-if="recipe.length > 0" tag="ol" class="mb-2" flush>
    <BListGroupItem v-for="(step, row) in recipe" :key="row" tag="li" class="px-0">
      <span class="d-flex align-items-center justify-content-between"
        ><b>{{ NAMES[step.step] }}</b>
        <BCloseButton
          :aria-label="`Remove step ${row + 1}`"
          :disabled="underlay.locked"
          @click="correct(recipe.filter((_, i) => i !== row))"
        />
      </span>
      <span class="four">
        <template v-if="step.step === 'straighten'">
          <template v-for="(place, corner) in step.corners" :key="corner">
            <NumberField
              v-for="(value, axis) in place"
              :key="axis"
              :label="`Corner ${corner + 1} ${axis === 0 ? 'x' : 'y'} of step ${row + 1}`"
              hide-label
              :value="value"
              :decimals="1"
              @change="moveCorner(row, corner, axis, $event)"
            />
          </template>
        </template>
        <label v-for="[name, value] in numbers(step)" v-else :key="name" class="small">
          <span>{{ WORDS[name] ?? name }}</span><NumberField
            :label="`${WORDS[name] ?? name} of step ${row + 1}`"
            hide-label
            :value="value"
            :decimals="2"
            @change="change(row, name, $event)"
          />
        </label>
      </span>
    </BListGroupItem>
  </BListGroup>
  <div class="d-flex gap-2">
    <BFormSelect
      v-model="chosen"
      aria-label="Correction"
      :options="Object.entries(NAMES).map(([value, text]) => ({ value, text }))"
    />
    <BButton variant="secondary" :disabled="underlay.locked" @click="add">Add</BButton>
  </div>
</template>
