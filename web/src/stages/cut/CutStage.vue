<script setup lang="ts">
/** Cutting the surface open and laying it flat: what is picked, and the tools that work on it. */
import { onMounted, onUnmounted, type Component } from "vue";
import { useBand } from "@/stores/band";
import { useCutting, type CutPage } from "@/stores/cutting";
import { useJob } from "@/stores/job";
import { usePreview } from "@/stores/preview";
import { useRelaxing } from "@/stores/relaxing";
import { useSeams } from "@/stores/seams";
import ChoiceBar from "@/ui/ChoiceBar.vue";
import ComparePanel from "@/ui/maps/ComparePanel.vue";
import FlattenPanel from "./FlattenPanel.vue";
import PickPanel from "./PickPanel.vue";
import SeamTools from "./SeamTools.vue";
import ShapePanel from "./ShapePanel.vue";

const PAGES: Record<CutPage, Component> = {
  seams: SeamTools,
  flat: FlattenPanel,
  shape: ShapePanel,
  compare: ComparePanel,
};
const jobs = useJob();
const cutting = useCutting();
const seams = useSeams();
const band = useBand();
const previews = usePreview();
const relaxing = useRelaxing();

onMounted(() => (seams.active = true));
onUnmounted(() => {
  seams.active = false;
  band.leave();
  previews.leave();
  relaxing.forget();
});
</script>

<template>
  <template v-if="jobs.job">
    <h2>Cut and lay flat</h2>
    <PickPanel />
    <ChoiceBar
      v-model="cutting.page"
      class="w-100 mb-1"
      label="Tools"
      :choices="{ seams: 'Seams', flat: 'Lay flat', shape: 'Shape', compare: 'Compare' }"
    />
    <component :is="PAGES[cutting.page]" />
  </template>
</template>
