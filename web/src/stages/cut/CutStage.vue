<script setup lang="ts">
/** Cutting the surface open and laying it flat: what is picked, and the tools that work on it. */
import { onMounted, onUnmounted, type Component } from "vue";
import { useBand } from "@/stages/cut/band";
import { useCutting, type CutPage } from "@/stages/cut/cutting";
import { useJob } from "@/stores/job";
import { usePreview } from "@/stores/preview";
import { useRelaxing } from "@/stages/cut/relaxing";
import { useSeams } from "@/stores/seams";
import PageTabs from "@/ui/PageTabs.vue";
import ComparePanel from "@/ui/maps/ComparePanel.vue";
import FlattenPanel from "./FlattenPanel.vue";
import PickPanel from "./PickPanel.vue";
import SeamTools from "./SeamTools.vue";
import ShapePanel from "./ShapePanel.vue";

const PAGES: Record<CutPage, { title: string; panel: Component }> = {
  seams: { title: "Seams", panel: SeamTools },
  flat: { title: "Lay flat", panel: FlattenPanel },
  shape: { title: "Shape", panel: ShapePanel },
  compare: { title: "Compare", panel: ComparePanel },
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
    <PageTabs v-model="cutting.page" label="Tools" :pages="PAGES" />
  </template>
</template>
