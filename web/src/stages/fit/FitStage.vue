<script setup lang="ts">
/** Fitting islands onto a picture that is already there. */
import { computed, onMounted, onUnmounted, type Component } from "vue";
import { useStageLook } from "@/composables/useStageLook";
import { useDrawing } from "@/hand/drawing";
import { useFitting, type FitPage } from "@/stages/fit/fitting";
import { useJob } from "@/stores/job";
import { useMatching } from "@/stages/fit/matching";
import PageTabs from "@/ui/PageTabs.vue";
import CellsPage from "./CellsPage.vue";
import LandmarksPage from "./LandmarksPage.vue";
import MatchPage from "./MatchPage.vue";
import NoPicture from "./NoPicture.vue";
import PicturePage from "./PicturePage.vue";

const PAGES: Record<FitPage, { title: string; panel: Component }> = {
  picture: { title: "Picture", panel: PicturePage },
  cells: { title: "Cells", panel: CellsPage },
  landmarks: { title: "Points", panel: LandmarksPage },
  match: { title: "Match", panel: MatchPage },
};
/** Without a picture there is nothing to fit to. */
const pages = computed(
  () =>
    Object.fromEntries(
      Object.entries(PAGES).map(([page, { title, panel }]) => [
        page,
        { title, panel: page === "picture" || fitting.underlay ? panel : NoPicture },
      ]),
    ) as typeof PAGES,
);
const jobs = useJob();
const fitting = useFitting();
const matching = useMatching();
const drawing = useDrawing();

useStageLook(() => (fitting.fit_setup.shown === null ? null : "underlay"));
onMounted(() => (fitting.active = true));
onUnmounted(() => {
  fitting.active = false;
  drawing.leave();
  matching.leave();
});
</script>

<template>
  <template v-if="jobs.job">
    <h2>Fit to a picture</h2>
    <PageTabs v-model="fitting.page" label="Tools" :pages="pages" />
  </template>
</template>
