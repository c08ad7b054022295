<script setup lang="ts">
/** What the proof draws beside the model itself, and how. */
import { useSettings } from "@/stores/settings";

const TOGGLES = {
  edges: "Edges",
  floor: "Floor grid",
  facing: "Facing",
  one_sided: "One side",
  see_through: "See through",
} as const;
const settings = useSettings();
</script>

<template>
  <details class="aids">
    <summary>Aids</summary>
    <label v-for="(text, name) in TOGGLES" :key="name"
      ><input v-model="settings.proof[name]" type="checkbox" class="form-check-input" /> {{ text }}</label
    >
  </details>
</template>

<style scoped>
.aids {
  position: absolute;
  top: 44px;
  right: 10px;
  border: 1px solid var(--rule);
  border-radius: 5px;
  background: var(--panel);
  font-size: 12px;
}
.aids summary {
  padding: 3px 10px;
  cursor: pointer;
}
.aids label {
  display: flex;
  align-items: center;
  padding: 2px 12px 4px 10px;
  gap: 7px;
}
.aids input {
  margin: 0;
}
</style>
