<script setup lang="ts">
/** The worst stretch of each island, before the last change and now. */
import { computed } from "vue";
import { useCutting } from "@/stages/cut/cutting";
import { useJob } from "@/stores/job";
import { useSelection } from "@/stores/selection";
import FigureTable from "@/ui/FigureTable.vue";

const jobs = useJob();
const cutting = useCutting();
const selection = useSelection();
const rows = computed(() =>
  [...jobs.islands]
    .sort((a, b) => (b.stretch_worst ?? Infinity) - (a.stretch_worst ?? Infinity))
    .map((island) => ({
      index: island.index,
      name: island.name,
      on: selection.islands.includes(island.index),
      before: figure(cutting.before[island.name]),
      now: figure(island.stretch_worst),
      far: island.stretched || island.stretch_worst === null,
    })),
);
const figure = (value: number | null | undefined) =>
  value === undefined ? "" : value === null ? "endless" : value.toFixed(3);
</script>

<template>
  <FigureTable
    of="Island"
    :rows="rows"
    :figures="{ before: 'before', now: 'worst' }"
    @press="(row, event) => selection.pick(row.index, event.shiftKey)"
  >
    <template #now="{ row }">
      <span :class="{ 'text-warning-emphasis fw-bold': row.far }">{{ row.now }}</span>
    </template>
  </FigureTable>
</template>
