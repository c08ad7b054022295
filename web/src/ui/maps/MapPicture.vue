<script setup lang="ts">
/** The outlines of a layout on its sheet. */
import { computed } from "vue";
import type { SheetMap } from "@/api/types";

const props = defineProps<{
  map: Pick<SheetMap, "name" | "sheet" | "lines">;
  /** what lies on the sheet */
  picture?: string;
}>();
const size = computed(() => [100 * props.map.sheet.width_px, 100 * props.map.sheet.height_px]);
const path = computed(() => {
  const { lines } = props.map;
  const parts: string[] = [];
  for (let i = 0; i < lines.length; i += 4) parts.push(`M${lines[i]} ${lines[i + 1]}L${lines[i + 2]} ${lines[i + 3]}`);
  return parts.join("");
});
</script>

<template>
  <svg :viewBox="`0 0 ${size[0]} ${size[1]}`" role="img" :aria-label="`Outlines of ${map.name}`">
    <rect :width="size[0]" :height="size[1]" />
    <image v-if="picture" :href="picture" :width="size[0]" :height="size[1]" preserveAspectRatio="none" />
    <path :d="path" />
  </svg>
</template>

<style scoped>
svg {
  display: block;
  overflow: visible;
  width: 100%;
  max-height: 37vh;
  padding: var(--mat-edge, 14px);
  border-radius: 6px;
  background: var(--mat);
}
rect {
  fill: var(--paper);
}
path {
  fill: none;
  stroke: var(--paper-ink);
  stroke-width: var(--line-width, 1.3px);
  vector-effect: non-scaling-stroke;
}
</style>
