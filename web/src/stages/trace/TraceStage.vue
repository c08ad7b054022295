<script setup lang="ts">
import { BButton, BFormCheckbox, BFormInput } from "bootstrap-vue-next";
import { computed, onUnmounted, reactive, ref, watch } from "vue";
import { api } from "@/api/client";
import { LIMITS } from "@/api/operations";
import type { TraceSettings } from "@/api/types";
import { useFirstSteps } from "@/stores/firstSteps";
import { useSheetImage } from "@/stores/image";
import { useJob } from "@/stores/job";
import { useSelection } from "@/stores/selection";
import ChoiceBar from "@/ui/ChoiceBar.vue";
import NumberField from "@/ui/NumberField.vue";
import SizeFields from "@/ui/SizeFields.vue";
import { shown, within } from "@/ui/sums";
import NoteBox from "@/ui/NoteBox.vue";

/** px of a side that the sheet shows the template with at the most */
const SHOWN_PX = 2048;
const jobs = useJob();
const images = useSheetImage();
const firstSteps = useFirstSteps();
const selection = useSelection();

const size = reactive({ width_px: jobs.job!.sheet.width_px, height_px: jobs.job!.sheet.height_px });
const line = ref(1);
const color = ref("#1f2a36");
const edges = ref<"all" | "outline">("all");
const ground = ref<"none" | "white" | "color">("white");
const groundColor = ref("#f6f2e9");
const onlyPicked = ref(false);

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
/** what the room between islands becomes at the size exported, px */
const gutter = computed(() => {
  const { sheet, gutter_px } = jobs.job!;
  return gutter_px * Math.min(size.width_px / sheet.width_px, size.height_px / sheet.height_px);
});
const LEAST_GUTTER_PX = 2;
const wrong = computed(() => {
  for (const [side, px] of [
    ["width", size.width_px],
    ["height", size.height_px],
  ] as const) {
    if (!within(px, LIMITS.side_px)) return `The ${side} is ${px} px; give ${LIMITS.side_px.join(" to ")}.`;
  }
  if (!within(line.value, LIMITS.line_px))
    return `The line is ${line.value} px wide; give ${LIMITS.line_px.join(" to ")}.`;
  return "";
});
/** Shown on the sheet as it will be; a large one smaller, its lines with it. */
const preview = computed(() => {
  if (wrong.value || nothing.value) return null;
  const share = Math.min(1, SHOWN_PX / Math.max(size.width_px, size.height_px));
  const [width_px, height_px] = [size.width_px, size.height_px].map((px) => Math.max(Math.round(px * share), 1));
  const line_px = Math.max(line.value * share, 1);
  const shown = { ...settings.value, width_px: width_px!, height_px: height_px!, line_px };
  return api.urls.trace(jobs.job!.id, jobs.job!.revision, shown, true);
});
const file = computed(() => api.urls.trace(jobs.job!.id, jobs.job!.revision, settings.value));
watch(preview, (now) => (images.instead = now), { immediate: true });
onUnmounted(() => (images.instead = null));
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
    <NoteBox v-if="stretched && !wrong" class="mt-2">
      These proportions differ from the sheet's: the template is stretched.
    </NoteBox>
    <NoteBox v-if="!wrong && jobs.job.gutter_px >= LEAST_GUTTER_PX && gutter < LEAST_GUTTER_PX" class="mt-2">
      The gutter of {{ shown(jobs.job.gutter_px) }} px becomes {{ shown(gutter) }} px at this size: paint will run over
      to neighbours.
    </NoteBox>
    <h3>Lines</h3>
    <div class="fields">
      <span>Width</span>
      <NumberField label="Line width" hide-label :value="line" unit="px" @change="line = $event" />
      <BFormInput v-model="color" type="color" class="w-100" aria-label="Line colour" title="Line colour" />
      <span>Edges</span>
      <ChoiceBar v-model="edges" class="wide" label="Edges" :choices="{ all: 'All edges', outline: 'Outlines' }" />
    </div>
    <h3>Background</h3>
    <div class="d-flex align-items-center gap-2">
      <ChoiceBar v-model="ground" label="Background" :choices="{ none: 'None', white: 'White', color: 'Colour' }" />
      <BFormInput
        v-if="ground === 'color'"
        v-model="groundColor"
        type="color"
        aria-label="Background colour"
        title="Background colour"
      />
    </div>
    <BFormCheckbox v-model="onlyPicked" class="mt-2"
      >Only picked islands ({{ selection.islands.length }})</BFormCheckbox
    >
    <NoteBox v-if="wrong" role="alert">{{ wrong }}</NoteBox>
    <NoteBox v-else-if="nothing" plain>No island is picked. Pick some, or trace them all.</NoteBox>
    <p v-else class="form-text">The sheet shows the template as it will be.</p>
    <BButton
      variant="primary"
      class="btn-wide"
      :href="file"
      download
      :disabled="!!wrong || nothing"
      @click="firstSteps.tick('trace')"
      >Export the trace</BButton
    >
    <p class="mt-2 num form-text">
      {{ size.width_px }} × {{ size.height_px }} px PNG, a vertex at UV (u, v) lies at (u · {{ size.width_px }}, (1 − v)
      · {{ size.height_px }}) px
    </p>
  </template>
</template>
