<script setup lang="ts">
/** What the proof draws beside the model itself, and how. */
import { BFormCheckbox } from "bootstrap-vue-next";
import { useSettings } from "@/stores/settings";

const TOGGLES = {
  edges: "Edges",
  floor: "Floor grid",
  facing: "Facing",
  one_sided: "One side",
  see_through: "See through",
  cut_outs: "Cut-outs",
  relief: "Relief",
} as const;
const settings = useSettings();
</script>

<template>
  <details class="aids border rounded small">
    <summary class="px-2 py-1">Aids</summary>
    <BFormCheckbox v-for="(text, name) in TOGGLES" :key="name" v-model="settings.proof[name]" class="mx-2 mb-1">{{
      text
    }}</BFormCheckbox>
  </details>
</template>

<style scoped>
.aids {
  position: absolute;
  top: 44px;
  right: 10px;
  background: var(--bs-tertiary-bg);
}
</style>
