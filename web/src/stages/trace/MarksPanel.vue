<script setup lang="ts">
/** What is written on the template, and what lies behind its lines. */
import { BFormCheckbox } from "bootstrap-vue-next";
import { computed } from "vue";
import { useJob } from "@/stores/job";
import ColorField from "@/ui/ColorField.vue";
import NumberField from "@/ui/NumberField.vue";
import SelectField from "@/ui/SelectField.vue";
import { useTracing } from "./tracing";

const MARKS = {
  names: "Names",
  letters: "Panel letters",
  sides: "Left and right",
  arrows: "Model up",
  folds: "Folds",
  neighbours: "Neighbours",
  rulers: "Millimetres",
  centres: "Middles",
  twins: "Shared places",
  bleed: "Bleed",
  safe: "Safe zone",
  ticks: "Pixel ticks",
  title: "Title line",
} as const;
const FILLS = {
  none: "not filled",
  tint: "a tint for each",
  materials: "their materials",
  facing: "by which way they look",
};
const GROUNDS = { none: "transparent", white: "white", checker: "checker", color: "a colour" };
const UNDER = { none: "nothing", art: "the art as it is", underlay: "the underlay" };
const jobs = useJob();
const tracing = useTracing();
const marks = computed({
  get: () => tracing.options.marks,
  set: (chosen) =>
    (tracing.options.marks = (Object.keys(MARKS) as typeof chosen).filter((mark) => chosen.includes(mark))),
});
const ground = computed({
  get: () =>
    (tracing.options.background?.startsWith("#")
      ? "color"
      : (tracing.options.background ?? "none")) as keyof typeof GROUNDS,
  set: (kind: keyof typeof GROUNDS) => (tracing.options.background = kind === "color" ? "#f6f2e9" : kind),
});
</script>

<template>
  <div v-if="jobs.job">
    <div class="marks" role="group" aria-label="Marks">
      <BFormCheckbox v-for="(name, mark) in MARKS" :key="mark" v-model="marks" :value="mark">{{ name }}</BFormCheckbox>
    </div>
    <div v-if="marks.includes('bleed') || marks.includes('safe')" class="fields mt-1">
      <NumberField
        v-if="marks.includes('bleed')"
        class="wide"
        label="Bleed"
        :value="tracing.options.bleed_px ?? 4"
        unit="px"
        @change="tracing.options.bleed_px = $event"
      />
      <NumberField
        v-if="marks.includes('safe')"
        class="wide"
        label="Safe zone"
        :value="tracing.options.safe_px ?? 12"
        unit="px"
        @change="tracing.options.safe_px = $event"
      />
    </div>
    <h3>Ground</h3>
    <div class="fields">
      <SelectField id="islands-in" v-model="tracing.options.fill!" label="Islands" :choices="FILLS" />
      <SelectField id="ground" v-model="ground" label="Behind" :choices="GROUNDS" />
      <template v-if="ground === 'color'">
        <span>Colour</span>
        <ColorField
          class="wide"
          label="Ground colour"
          :value="tracing.options.background!"
          @change="tracing.options.background = $event"
        />
      </template>
      <SelectField
        id="under"
        v-model="tracing.file.ground!"
        label="Under it"
        :choices="UNDER"
        :without="jobs.job.fit_setup.shown === null ? ['underlay'] : []"
      />
      <NumberField
        v-if="jobs.layers.length > 0"
        class="wide"
        label="Beyond seams"
        title="So much of the neighbour's art is shown beyond each seam, dimmed"
        :value="tracing.file.strip_px ?? 0"
        unit="px"
        @change="tracing.file.strip_px = $event"
      />
    </div>
  </div>
</template>

<style scoped>
.marks {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 0 8px;
}
</style>
