<script setup lang="ts">
/** Where the pointer is, what it is over, and what the last action did. */
import { BButton, BProgress } from "bootstrap-vue-next";
import { computed } from "vue";
import { useJob } from "@/stores/job";
import { useMessages } from "@/stores/messages";
import { useNeighbour } from "@/composables/useNeighbour";
import { useSelection } from "@/stores/selection";
import { useWork } from "@/stores/work";
import { shown } from "./sums";

defineProps<{ hint: string }>();
const jobs = useJob();
const selection = useSelection();
const messages = useMessages();
const work = useWork();
const neighbour = useNeighbour();

const place = computed(() =>
  selection.pointer ? `${selection.pointer.x.toFixed(1)}, ${selection.pointer.y.toFixed(1)} px` : "",
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
    <span v-for="item in work.shown" :key="item.id" class="work" role="status" :aria-label="`${item.label} goes on`">
      {{ item.label }}
      <BProgress
        class="share"
        :value="item.share === null ? 100 : 100 * item.share"
        :striped="item.share === null"
        :animated="item.share === null"
        :aria-label="item.label"
      />
      <template v-if="item.share !== null">{{ Math.round(100 * item.share) }} %</template>
      <BButton size="sm" variant="light" class="stop" @click="work.stop(item.id)">Stop</BButton>
    </span>
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
.work {
  display: inline-flex;
  align-items: center;
  gap: 8px;
}
.share {
  width: 110px;
  height: 6px;
}
.stop {
  padding: 0 8px;
  border-color: var(--status-soft);
  color: var(--status-ink);
  font-size: 11px;
  line-height: 22px;
}
.hint {
  color: var(--status-soft);
}
</style>
