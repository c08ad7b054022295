<script setup lang="ts">
/** The wireframe template: its size, what is drawn and written on it, and the file that it becomes. */
import { BButton } from "bootstrap-vue-next";
import { onUnmounted, watch } from "vue";
import { useExchange } from "@/stores/exchange";
import { useFirstSteps } from "@/stores/firstSteps";
import { useSheetImage } from "@/stores/image";
import { useJob } from "@/stores/job";
import NoteBox from "@/ui/NoteBox.vue";
import PageTabs from "@/ui/PageTabs.vue";
import { shown } from "@/ui/sums";
import LinesPanel from "./LinesPanel.vue";
import MarksPanel from "./MarksPanel.vue";
import ReturnPanel from "./ReturnPanel.vue";
import SizePanel from "./SizePanel.vue";
import { useTracing } from "./tracing";

const PAGES = {
  size: { title: "Size and file", panel: SizePanel },
  lines: { title: "Lines", panel: LinesPanel },
  marks: { title: "Marks", panel: MarksPanel },
  back: { title: "Come back", panel: ReturnPanel },
};
const jobs = useJob();
const images = useSheetImage();
const firstSteps = useFirstSteps();
const tracing = useTracing();
const exchange = useExchange();

async function intoFolder() {
  if (await exchange.write(tracing.url)) exported();
}
function exported() {
  firstSteps.tick("trace");
  void jobs.operate("note_export", { ...tracing.size, format: tracing.file.format, at: new Date().toISOString() });
}
watch(
  // What came back is looked at without a template over it.
  () => (tracing.page === "back" ? null : tracing.preview),
  (now) => (images.instead = now),
  { immediate: true },
);
onUnmounted(() => (images.instead = null));
</script>

<template>
  <template v-if="jobs.job">
    <h2>Trace</h2>
    <PageTabs v-model="tracing.page" label="Template" :pages="PAGES" />
    <template v-if="tracing.page !== 'back'">
      <NoteBox v-if="tracing.wrong" role="alert">{{ tracing.wrong }}</NoteBox>
      <NoteBox v-else-if="tracing.nothing" plain>No island is picked. Pick some, or trace them all.</NoteBox>
      <p v-else class="form-text">
        The sheet shows the template
        {{ tracing.share < 1 ? `at 1 : ${shown(1 / tracing.share, 2)} of its size` : "as it will be" }}.
      </p>
      <BButton
        variant="primary"
        class="btn-wide"
        :href="tracing.url"
        download
        :disabled="!!tracing.wrong || tracing.nothing"
        @click="exported"
        >Export the trace</BButton
      >
      <BButton
        v-if="exchange.folder"
        variant="secondary"
        class="btn-wide"
        :disabled="!!tracing.wrong || tracing.nothing"
        @click="intoFolder"
        >Write it into the exchange folder</BButton
      >
      <p class="mt-2 num form-text">
        {{ tracing.size.width_px }} × {{ tracing.size.height_px }} px, a vertex at UV (u, v) lies at (u ·
        {{ tracing.size.width_px }}, (1 − v) · {{ tracing.size.height_px }}) px
      </p>
    </template>
  </template>
</template>
