<script setup lang="ts">
/** An island in true size for print: a label with what a printer needs, or a net to be folded. */
import { BButton, BFormCheckbox } from "bootstrap-vue-next";
import { computed, reactive } from "vue";
import { api } from "@/api/client";
import type { PrintOptions } from "@/api/types";
import { useJob } from "@/stores/job";
import { useSelection } from "@/stores/selection";
import ChoiceBar from "@/ui/ChoiceBar.vue";
import NoteBox from "@/ui/NoteBox.vue";
import NumberField from "@/ui/NumberField.vue";
import SelectField from "@/ui/SelectField.vue";
import { shown } from "@/ui/sums";

const FORMATS = { pdf: "PDF", svg: "SVG, borders to be cut" };
const PAPERS = { "": "as large as it is", a4: "A4 pages", a3: "A3 pages", letter: "Letter pages" };
const MM_PER_INCH = 25.4;
const jobs = useJob();
const selection = useSelection();
const options = reactive<Required<Omit<PrintOptions, "island">>>({
  kind: "label",
  format: "pdf",
  dpi: 300,
  bleed_mm: 3,
  safe_mm: 3,
  overlap_mm: 0,
  art: true,
  paper: null,
});
const paper = computed({
  get: () => options.paper ?? "",
  set: (paper: keyof typeof PAPERS) => (options.paper = paper || null),
});
const island = computed(() => (selection.islands.length === 1 ? jobs.islands[selection.islands[0]!] : undefined));
const size = computed(() => island.value?.size_mm.map((mm) => shown(mm, 2)).join(" × "));
const px = computed(() => island.value?.size_mm.map((mm) => Math.round((mm / MM_PER_INCH) * options.dpi)).join(" × "));
const file = computed(() =>
  api.urls.print(jobs.job!.id, jobs.job!.revision, { ...options, island: selection.islands[0]! }),
);
</script>

<template>
  <div v-if="jobs.job">
    <ChoiceBar v-model="options.kind" label="Print as" :choices="{ label: 'Label', fold: 'Fold sheet' }" />
    <p class="form-text">
      {{
        options.kind === "label"
          ? "The art in true size with its bleed, where it is trimmed, what is safe, crop marks and patches of colour."
          : "The net in true size, to be cut out and folded: tabs to glue, and letters that say what meets what."
      }}
    </p>
    <NoteBox v-if="!island" plain>Pick one island to print.</NoteBox>
    <dl v-else class="facts">
      <dt>Prints</dt>
      <dd>{{ island.name }}</dd>
      <dt>Size</dt>
      <dd class="num">{{ size }} mm, {{ px }} px</dd>
    </dl>
    <div class="fields">
      <NumberField
        class="wide"
        label="Resolution"
        :value="options.dpi"
        unit="dpi"
        :decimals="0"
        @change="options.dpi = $event"
      />
      <template v-if="options.kind === 'label'">
        <NumberField
          class="wide"
          label="Bleed"
          :value="options.bleed_mm"
          unit="mm"
          @change="options.bleed_mm = $event"
        />
        <NumberField
          class="wide"
          label="Safe within"
          :value="options.safe_mm"
          unit="mm"
          @change="options.safe_mm = $event"
        />
        <NumberField
          class="wide"
          label="Join overlap"
          :value="options.overlap_mm"
          unit="mm"
          @change="options.overlap_mm = $event"
        />
      </template>
      <SelectField id="print-format" v-model="options.format" label="Format" :choices="FORMATS" />
      <SelectField v-if="options.format === 'pdf'" id="print-paper" v-model="paper" label="Paper" :choices="PAPERS" />
    </div>
    <BFormCheckbox v-model="options.art" class="mt-1">With the art</BFormCheckbox>
    <p class="form-text">Lettering and SVG drawings stay lines and areas; other art is px.</p>
    <BButton variant="primary" class="btn-wide" :href="file" download :disabled="!island">Print file</BButton>
  </div>
</template>
