<script setup lang="ts">
/** What is written on the template, and what lies behind its lines. */
import { BFormCheckbox, BFormSelect } from "bootstrap-vue-next";
import { computed } from "vue";
import { useJob } from "@/stores/job";
import ColorField from "@/ui/ColorField.vue";
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
  ticks: "Pixel ticks",
  title: "Title line",
} as const;
const jobs = useJob();
const tracing = useTracing();
const marks = computed({
  get: () => tracing.options.marks,
  set: (chosen) =>
    (tracing.options.marks = (Object.keys(MARKS) as typeof chosen).filter((mark) => chosen.includes(mark))),
});
const ground = computed({
  get: () => (tracing.options.background?.startsWith("#") ? "color" : (tracing.options.background ?? "none")),
  set: (kind: string) => (tracing.options.background = kind === "color" ? "#f6f2e9" : kind),
});
</script>

<template>
  <div v-if="jobs.job">
    <div class="marks" role="group" aria-label="Marks">
      <BFormCheckbox v-for="(name, mark) in MARKS" :key="mark" v-model="marks" :value="mark">{{ name }}</BFormCheckbox>
    </div>
    <h3>Ground</h3>
    <div class="fields">
      <label for="islands-in">Islands</label>
      <BFormSelect
        id="islands-in"
        v-model="tracing.options.fill"
        class="wide"
        :options="[
          { value: 'none', text: 'not filled' },
          { value: 'tint', text: 'a tint for each' },
          { value: 'materials', text: 'their materials' },
          { value: 'facing', text: 'by which way they look' },
        ]"
      />
      <label for="ground">Behind</label>
      <BFormSelect
        id="ground"
        v-model="ground"
        class="wide"
        :options="[
          { value: 'none', text: 'transparent' },
          { value: 'white', text: 'white' },
          { value: 'checker', text: 'checker' },
          { value: 'color', text: 'a colour' },
        ]"
      />
      <template v-if="ground === 'color'">
        <span>Colour</span>
        <ColorField
          class="wide"
          label="Ground colour"
          :value="tracing.options.background!"
          @change="tracing.options.background = $event"
        />
      </template>
      <label for="under">Under it</label>
      <BFormSelect
        id="under"
        v-model="tracing.file.ground"
        class="wide"
        :options="[
          { value: 'none', text: 'nothing' },
          { value: 'art', text: 'the art as it is' },
          { value: 'underlay', text: 'the underlay', disabled: jobs.job.fit_setup.shown === null },
        ]"
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
