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
  return `${island.name}: ${shown(island.size_mm[0], 1)} × ${shown(island.size_mm[1], 1)} mm, ${shown(island.size_px[0], 1)} × ${shown(island.size_px[1], 1)} px${near}`;
});
const stacked = computed(() =>
  selection.stacked.length > 1 ? `in one place: ${selection.stacked.join(", then ")} (click again for the next)` : "",
);
</script>

<template>
  <footer class="status-bar num">
    <span class="place">{{ place }}</span>
    <span v-if="over">{{ over }}</span>
    <span v-if="stacked" class="stacked">{{ stacked }}</span>
    <span class="done" role="status" aria-live="polite">{{ messages.done || hint }}</span>
    <span class="hint">{{ messages.done ? hint : "" }}</span>
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
  white-space: nowrap;
}
.place {
  min-width: 130px;
}
.done {
  overflow: hidden;
  text-overflow: ellipsis;
}
.hint {
  overflow: hidden;
  margin-left: auto;
  color: var(--status-soft);
  text-overflow: ellipsis;
}
</style>
