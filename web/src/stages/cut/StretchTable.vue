<script setup lang="ts">
/** The worst stretch of each island, before the last change and now. */
import { computed } from "vue";
import { useCutting } from "@/stores/cutting";
import { useJob } from "@/stores/job";
import { useSelection } from "@/stores/selection";

const MOST = 60;

const jobs = useJob();
const cutting = useCutting();
const selection = useSelection();
const rows = computed(() =>
  [...jobs.islands]
    .sort((a, b) => (b.stretch_worst ?? Infinity) - (a.stretch_worst ?? Infinity))
    .slice(0, MOST)
    .map((island) => ({ island, before: cutting.before[island.name] })),
);
const figure = (value: number | null | undefined) => (value === undefined ? "" : value === null ? "endless" : value.toFixed(3));
</script>

<template>
  <table>
    <caption>Worst stretch, 1 is true</caption>
    <thead>
      <tr><th scope="col">Island</th><th scope="col">before</th><th scope="col">now</th></tr>
    </thead>
    <tbody>
      <tr v-for="{ island, before: former } in rows" :key="island.index" :class="{ on: selection.islands.includes(island.index) }">
        <th scope="row"><button type="button" @click="selection.pick(island.index, $event.shiftKey)">{{ island.name }}</button></th>
        <td class="num">{{ figure(former) }}</td>
        <td class="num" :class="{ far: (island.stretch_worst ?? Infinity) > 1.02 }">{{ figure(island.stretch_worst) }}</td>
      </tr>
    </tbody>
  </table>
</template>

<style scoped>
table {
  width: 100%;
  margin-top: 16px;
  table-layout: fixed;
}
caption {
  padding: 0 0 4px;
  caption-side: top;
  color: var(--ink-soft);
  font-size: 12.5px;
  font-weight: 600;
}
th:first-child {
  width: 54%;
}
th,
td {
  padding: 2px 0;
  border-bottom: 1px solid var(--rule);
  font-weight: 400;
}
thead th {
  color: var(--ink-soft);
  font-size: 12px;
}
thead th + th,
td {
  text-align: right;
}
button {
  overflow: hidden;
  width: 100%;
  padding: 0;
  border: 0;
  background: transparent;
  color: var(--ink);
  text-align: left;
  text-overflow: ellipsis;
  white-space: nowrap;
}
tr.on button {
  color: var(--verdigris-text);
  font-weight: 650;
}
.far {
  color: var(--saffron-text);
  font-weight: 650;
}
</style>
