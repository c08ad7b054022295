<script setup lang="ts">
/** Corrections of a picture, step by step; its file stays as it is. */
import { BFormSelect } from "bootstrap-vue-next";
import { computed, ref } from "vue";
import type { CorrectionStep, Pair, Underlay } from "@/api/types";
import { useDrawing } from "@/stores/drawing";
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
  correct(
    recipe.value.map((step, i) =>
      i === row
        ? ({
            ...step,
            [name]:
              name === "radius" || name.endsWith("left_px") || name.endsWith("right_px") || name === "sag_px"
                ? value
                : Math.round(value),
          } as CorrectionStep)
        : step,
    ),
  );
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
  <ol v-if="recipe.length > 0" class="steps">
    <li v-for="(step, row) in recipe" :key="row">
      <span class="head"
        ><b>{{ NAMES[step.step] }}</b
        ><button
          type="button"
          :aria-label="`Take step ${row + 1} out`"
          :disabled="underlay.locked"
          @click="correct(recipe.filter((_, i) => i !== row))"
        >
          ×
        </button></span
      >
      <span class="values">
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
        <label v-for="[name, value] in numbers(step)" v-else :key="name" class="named">
          <span>{{ WORDS[name] ?? name }}</span><NumberField
            :label="`${WORDS[name] ?? name} of step ${row + 1}`"
            hide-label
            :value="value"
            :decimals="2"
            @change="change(row, name, $event)"
          />
        </label>
      </span>
    </li>
  </ol>
  <div class="add">
    <BFormSelect
      v-model="chosen"
      aria-label="Correction"
      :options="Object.entries(NAMES).map(([value, text]) => ({ value, text }))"
    />
    <button type="button" class="btn-choose" :disabled="underlay.locked" @click="add">Add</button>
  </div>
</template>

<style scoped>
.steps {
  padding: 0;
  margin: 0 0 6px;
  list-style: none;
}
li {
  padding: 4px 0 6px;
  border-bottom: 1px solid var(--rule);
}
.head {
  display: flex;
  justify-content: space-between;
}
.head button {
  padding: 0 4px;
  border: 0;
  background: transparent;
  color: var(--ink-soft);
}
.values {
  display: grid;
  gap: 4px;
  grid-template-columns: repeat(4, minmax(0, 1fr));
}
.named {
  font-size: 11.5px;
}
.add {
  display: flex;
  gap: 6px;
}
.add :deep(select) {
  flex: 1;
  min-width: 0;
}
</style>
