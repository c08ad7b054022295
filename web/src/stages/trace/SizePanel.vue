<script setup lang="ts">
/** How large the template is, what of the sheet it shows, and the file that it becomes. */
import { BFormCheckbox, BFormSelect } from "bootstrap-vue-next";
import { computed } from "vue";
import { LIMITS } from "@/api/operations";
import { useJob } from "@/stores/job";
import ChoiceBar from "@/ui/ChoiceBar.vue";
import DocumentSize from "@/ui/DocumentSize.vue";
import NoteBox from "@/ui/NoteBox.vue";
import SelectField from "@/ui/SelectField.vue";
import SizeFields from "@/ui/SizeFields.vue";
import { shown } from "@/ui/sums";
import { useTracing } from "./tracing";

const LEAST_GUTTER_PX = 2;
const FORMATS = {
  png: "PNG picture",
  tif: "TIFF picture",
  tga: "TGA picture",
  jpg: "JPEG picture",
  webp: "WebP picture",
  ora: "OpenRaster, ready to paint",
  svg: "SVG drawing",
  pdf: "PDF, true size",
} as const;
const PAPERS = { "": "as large as it is", a4: "A4 pages", a3: "A3 pages", letter: "Letter pages" };
const jobs = useJob();
const tracing = useTracing();

function byDocument(width_px: number, height_px: number, dpi: number) {
  tracing.dpi = dpi;
  tracing.size = { width_px, height_px };
}
const paper = computed({
  get: () => tracing.file.paper ?? "",
  set: (paper: keyof typeof PAPERS) => (tracing.file.paper = paper || null),
});
const stretched = computed(
  () =>
    Math.abs(tracing.size.width_px / tracing.size.height_px - jobs.job!.sheet.width_px / jobs.job!.sheet.height_px) >
    1e-2,
);
/** what the room between islands becomes at the size exported, px */
const gutter = computed(() => {
  const { sheet, gutter_px } = jobs.job!;
  return gutter_px * Math.min(tracing.size.width_px / sheet.width_px, tracing.size.height_px / sheet.height_px);
});
const loses = computed(() => {
  const lost: readonly string[] = LIMITS.drawings[tracing.file.format ?? "png"];
  return lost.includes("alpha") && (tracing.options.background ?? "none") === "none"
    ? "This format has no transparency: what is see-through becomes white."
    : "";
});
</script>

<template>
  <div v-if="jobs.job">
    <ChoiceBar v-model="tracing.by" label="Size in" :choices="{ px: 'Pixels', document: 'Document' }" />
    <div class="mt-2">
      <template v-if="tracing.by === 'px'">
        <SizeFields
          :width="tracing.size.width_px"
          :height="tracing.size.height_px"
          :sheet="jobs.job.sheet"
          :most="LIMITS.template_side_px[1]"
          @change="(w, h) => (tracing.size = { width_px: w, height_px: h })"
        />
      </template>
      <DocumentSize
        v-else
        :width="tracing.size.width_px"
        :height="tracing.size.height_px"
        :dpi="tracing.dpi"
        @change="byDocument"
      />
    </div>
    <NoteBox v-if="stretched && !tracing.wrong" class="mt-2">
      These proportions differ from the sheet's: the template is stretched.
    </NoteBox>
    <NoteBox v-if="!tracing.wrong && jobs.job.gutter_px >= LEAST_GUTTER_PX && gutter < LEAST_GUTTER_PX" class="mt-2">
      The gutter of {{ shown(jobs.job.gutter_px) }} px becomes {{ shown(gutter) }} px at this size: paint will run over
      to neighbours.
    </NoteBox>
    <div class="fields mt-2">
      <label for="traced">Show</label>
      <BFormSelect id="traced" v-model="tracing.which" class="wide" :options="tracing.choices" />
    </div>
    <BFormCheckbox v-model="tracing.file.crop">Only the part they lie on</BFormCheckbox>
    <h3>File</h3>
    <div class="fields">
      <SelectField id="format" v-model="tracing.file.format!" label="Format" :choices="FORMATS" />
      <SelectField v-if="tracing.file.format === 'pdf'" id="paper" v-model="paper" label="Paper" :choices="PAPERS" />
    </div>
    <BFormCheckbox v-if="tracing.file.format === 'svg'" v-model="tracing.file.hairlines"
      >Borders as hairlines, to be cut</BFormCheckbox
    >
    <NoteBox v-if="loses" plain>{{ loses }}</NoteBox>
  </div>
</template>
