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
/** From px of the sheet to px of the picture as it is corrected now. */
const onPicture = ([x, y]: Pair): Pair => {
  const { width_px, height_px } = jobs.job!.sheet;
  const [left, top, width, height] = props.underlay.box;
  return [
    ((x / width_px - left) / width) * props.underlay.size_px[0],
    ((y / height_px - top) / height) * props.underlay.size_px[1],
  ];
};
const tenth = (value: number) => Math.round(value * 10) / 10;

function add() {
  const [width, height] = props.underlay.size_px;
  if (chosen.value === "straighten")
    drawing.places(CORNERS, (places) =>
      correct([
        ...recipe.value,
        { step: "straighten", corners: places.map((place) => onPicture(place).map(tenth) as Pair) },
      ]),
    );
  else if (chosen.value === "trim") drawing.box("what is kept", (box) => trim(box));
  else if (chosen.value === "leave_out") drawing.box("the strip that is left out", (box) => leaveOut(box));
  else if (chosen.value === "even_light") void correct([...recipe.value, { step: "even_light", radius: 0.15 }]);
  else
    void correct([
      ...recipe.value,
      {
        step: "unroll",
        left_px: 0,
        right_px: width,
        from_px: Math.round(width * 0.05),
        to_px: Math.round(width * 0.95),
        sag_px: Math.round(height * 0.02),
      },
    ]);
}

function corners({ left, top, right, bottom }: { left: number; top: number; right: number; bottom: number }) {
  const [width, height] = props.underlay.size_px;
  const [x1, y1] = onPicture([left, top]);
  const [x2, y2] = onPicture([right, bottom]);
  const held = (value: number, most: number) => Math.min(Math.max(Math.round(value), 0), most);
  return [held(x1, width), held(y1, height), held(x2, width), held(y2, height)] as const;
}

function trim(box: Parameters<typeof corners>[0]) {
  const [width, height] = props.underlay.size_px;
  const [left, top, right, bottom] = corners(box);
  return correct([...recipe.value, { step: "trim", left, top, right: width - right, bottom: height - bottom }]);
}

/** Across where the rectangle is higher than wide, or else down. */
function leaveOut(box: Parameters<typeof corners>[0]) {
  const [left, top, right, bottom] = corners(box);
  const across = bottom - top > right - left;
  return correct([
    ...recipe.value,
    {
      step: "leave_out",
      way: across ? "across" : "down",
      from_px: across ? left : top,
      to_px: across ? right : bottom,
    },
  ]);
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
