<script setup lang="ts">
/** Where the pointer is, what it is over, and what the last action did. */
import { computed } from "vue";
import { useJob } from "@/stores/job";
import { useMessages } from "@/stores/messages";
import { useNeighbour } from "@/composables/useNeighbour";
import { useSelection } from "@/stores/selection";
import { shown } from "./sums";

defineProps<{ hint: string }>();
const jobs = useJob();
const selection = useSelection();
const messages = useMessages();
const neighbour = useNeighbour();

const place = computed(() =>
  selection.pointer ? `${selection.pointer.x.toFixed(1)}, ${selection.pointer.y.toFixed(1)} px` : "no pointer",
);
const over = computed(() => {
  const island = selection.hovered === null ? undefined : jobs.islands[selection.hovered];
  if (!island) return "";
  const near = neighbour.value === null ? "" : `, next to ${jobs.islands[neighbour.value]?.name}`;
  const [mm, px] = [island.size_mm, island.size_px].map((size) => size.map((side) => shown(side, 1)).join(" × "));
  return `${island.name}: ${mm} mm, ${px} px${near}`;
});
const stacked = computed(() =>
  selection.stacked.length > 1 ? `in one place: ${selection.stacked.join(", then ")} (click again for the next)` : "",
);
</script>

<template>
  <footer class="status-bar num text-nowrap">
    <span class="place">{{ place }}</span>
    <span v-if="over">{{ over }}</span>
    <span v-if="stacked">{{ stacked }}</span>
    <span class="done text-truncate" role="status" aria-live="polite">{{ messages.done || hint }}</span>
    <span class="hint ms-auto text-truncate">{{ messages.done ? hint : "" }}</span>
  </footer>
</template>

<style scoped>
.status-bar {
  display: flex;
  gap: 26px;
  padding: 0 14px;
  background: var(--status);
  color: var(--status-ink);
  font-size: 11px;
  line-height: 24px;
}
.place {
  min-width: 130px;
}
.hint {
  color: var(--status-soft);
}
</style>
