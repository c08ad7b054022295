<script setup lang="ts">
import { BButton, BFormCheckbox } from "bootstrap-vue-next";
import { computed, reactive, ref, watch } from "vue";
import { api } from "@/api/client";
import type { TraceSettings } from "@/api/types";
import { useJob } from "@/stores/job";
import { useSelection } from "@/stores/selection";
import ChoiceBar from "@/ui/ChoiceBar.vue";
import NumberField from "@/ui/NumberField.vue";
import SizeFields from "@/ui/SizeFields.vue";

const jobs = useJob();
const selection = useSelection();

const size = reactive({ width_px: jobs.job!.sheet.width_px, height_px: jobs.job!.sheet.height_px });
const line = ref(1);
const color = ref("#1f2a36");
const edges = ref<"all" | "outline">("all");
const ground = ref<"none" | "white" | "color">("white");
const groundColor = ref("#f6f2e9");
const onlyPicked = ref(false);
const failed = ref("");

watch(
  () => jobs.job?.sheet,
  (sheet) => sheet && Object.assign(size, sheet),
);

const settings = computed<TraceSettings>(() => ({
  ...size,
  line_px: line.value,
  color: color.value,
  edges: edges.value,
  background: ground.value === "color" ? groundColor.value : ground.value,
  islands: onlyPicked.value ? [...selection.islands] : null,
}));
const nothing = computed(() => onlyPicked.value && selection.islands.length === 0);
const stretched = computed(
  () => Math.abs(size.width_px / size.height_px - jobs.job!.sheet.width_px / jobs.job!.sheet.height_px) > 1e-9,
);
const wrong = computed(() => {
  for (const [side, px] of [
    ["width", size.width_px],
    ["height", size.height_px],
  ] as const) {
    if (px < 16 || px > 8192) return `The ${side} is ${px} px; give 16 to 8192.`;
  }
  if (line.value < 1 || line.value > 64) return `The line is ${line.value} px wide; give 1 to 64.`;
  return "";
});
const preview = computed(() =>
  wrong.value || nothing.value ? "" : api.urls.trace(jobs.job!.id, jobs.job!.revision, settings.value, true),
);
const file = computed(() => api.urls.trace(jobs.job!.id, jobs.job!.revision, settings.value));
watch(preview, () => (failed.value = ""));
</script>

<template>
  <template v-if="jobs.job">
    <h2>Trace</h2>
    <p>The wireframe template to paint over, in any paint program.</p>
    <SizeFields
      :width="size.width_px"
      :height="size.height_px"
      @change="(w, h) => Object.assign(size, { width_px: w, height_px: h })"
    />
    <p v-if="stretched && !wrong" class="note mt-2">
      These proportions differ from the sheet's: the template is stretched.
    </p>
    <h3>Lines</h3>
    <div class="fields">
      <span class="align-self-center">Width</span>
      <NumberField label="Line width" hide-label :value="line" unit="px" @change="line = $event" />
      <input
        v-model="color"
        type="color"
        class="form-control form-control-color w-100"
        aria-label="Line colour"
        title="Line colour"
      />
      <span class="align-self-center">Edges</span>
      <ChoiceBar v-model="edges" class="wide" label="Edges" :choices="{ all: 'All edges', outline: 'Outlines' }" />
    </div>
    <h3>Background</h3>
    <div class="ground">
      <ChoiceBar v-model="ground" label="Background" :choices="{ none: 'None', white: 'White', color: 'Colour' }" />
      <input
        v-if="ground === 'color'"
        v-model="groundColor"
        type="color"
        class="form-control form-control-color"
        aria-label="Background colour"
        title="Background colour"
      />
    </div>
    <BFormCheckbox v-model="onlyPicked" class="mt-2"
      >Only picked islands ({{ selection.islands.length }})</BFormCheckbox
    >
    <h3>Preview</h3>
    <p v-if="wrong || failed" class="note" role="alert">{{ wrong || failed }}</p>
    <p v-else-if="nothing" class="note plain">No island is picked. Pick some, or trace them all.</p>
    <img
      v-else
      class="preview"
      :src="preview"
      alt="The template"
      @error="failed = 'The template could not be drawn.'"
    />
    <BButton variant="primary" class="btn-wide" :href="file" download :disabled="!!wrong || nothing"
      >Export the trace</BButton
    >
    <p class="mt-2 num soft">
      {{ size.width_px }} × {{ size.height_px }} px PNG, a vertex at UV (u, v) lies at (u · {{ size.width_px }}, (1 − v)
      · {{ size.height_px }}) px
    </p>
  </template>
</template>

<style scoped>
.ground {
  display: flex;
  align-items: center;
  gap: 8px;
}
.preview {
  display: block;
  max-width: 100%;
  max-height: 220px;
  margin: 0 auto;
  border: 1px solid var(--rule);
  background: repeating-conic-gradient(#e4dccb 0 25%, #fffdf8 0 50%) 0 0 / 12px 12px;
}
.soft {
  color: var(--ink-soft);
  font-size: 11px;
}
</style>
