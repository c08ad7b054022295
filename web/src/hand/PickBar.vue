<script setup lang="ts">
/** What the hand picks, and by which gesture: beside the hand, on the view. */
import { usePicks } from "@/stores/picks";
import ChoiceBar from "@/ui/ChoiceBar.vue";

const GESTURES = { click: "Click", box: "Box", stroke: "Stroke" };
const picks = usePicks();
</script>

<template>
  <div class="pick pick-bar">
    <ChoiceBar
      v-model="picks.kind"
      label="What is picked"
      :choices="{ islands: 'Islands', faces: 'Faces', edges: 'Edges', corners: 'Corners' }"
    />
    <ChoiceBar v-model="picks.gesture" label="How the hand picks" :choices="GESTURES" />
  </div>
</template>

<style scoped>
.pick-bar {
  position: absolute;
  z-index: 1;
  display: flex;
  flex-wrap: wrap;
  gap: 4px 8px;
}
</style>
