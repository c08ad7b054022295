<script setup lang="ts">
/** A small field of a colour; hatched where there is none. */
import { computed } from "vue";

const props = defineProps<{
  /** red, green, blue and perhaps alpha, each 0 to 1 */
  color: readonly number[] | null;
}>();
const background = computed(() => {
  if (!props.color) return undefined;
  const shares = props.color.slice(0, 3).map((share) => Math.round(share * 255));
  return `rgba(${[...shares, props.color[3] ?? 1].join(", ")})`;
});
</script>

<template>
  <span class="swatch" :style="{ background }"></span>
</template>

<style scoped>
.swatch {
  display: inline-block;
  flex: none;
  width: 14px;
  height: 14px;
  border: 1px solid var(--rule-strong);
  border-radius: 3px;
  background: repeating-linear-gradient(45deg, transparent 0 3px, var(--bs-border-color) 3px 4px);
}
</style>
