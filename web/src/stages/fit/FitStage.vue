<script setup lang="ts">
/** Fitting islands onto a picture that is already there. */
import { onMounted, onUnmounted, type Component } from "vue";
import { useDrawing } from "@/stores/drawing";
import { useFitting, type FitPage } from "@/stores/fitting";
import { useJob } from "@/stores/job";
import { useMatching } from "@/stores/matching";
import ChoiceBar from "@/ui/ChoiceBar.vue";
import CellsPage from "./CellsPage.vue";
import LandmarksPage from "./LandmarksPage.vue";
import MatchPage from "./MatchPage.vue";
import PicturePage from "./PicturePage.vue";

const PAGES: Record<FitPage, Component> = {
  picture: PicturePage,
  cells: CellsPage,
  landmarks: LandmarksPage,
  match: MatchPage,
};
const jobs = useJob();
const fitting = useFitting();
const matching = useMatching();
const drawing = useDrawing();

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
    <ChoiceBar
      v-model="fitting.page"
      class="w-100 mb-3"
      label="Tools"
      :choices="{ picture: 'Picture', cells: 'Cells', landmarks: 'Points', match: 'Match' }"
    />
    <p v-if="fitting.page !== 'picture' && !fitting.underlay" class="note plain">
      No picture lies under the islands.
      <button type="button" class="btn-link" @click="fitting.page = 'picture'">Bring one in</button> first.
    </p>
    <component :is="PAGES[fitting.page]" v-else />
  </template>
</template>

<style scoped>
.btn-link {
  padding: 0;
  border: 0;
  background: transparent;
  color: var(--verdigris-text);
  text-decoration: underline;
}
</style>
