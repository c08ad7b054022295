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
const figure = (value: number | null | undefined) =>
  value === undefined ? "" : value === null ? "endless" : value.toFixed(3);
</script>

<template>
  <table class="figures">
    <caption>
      Worst stretch, 1 is true
    </caption>
    <thead>
      <tr>
        <th scope="col">Island</th>
        <th scope="col">before</th>
        <th scope="col">now</th>
      </tr>
    </thead>
    <tbody>
      <tr
        v-for="{ island, before: former } in rows"
        :key="island.index"
        :class="{ on: selection.islands.includes(island.index) }"
      >
        <th scope="row">
          <button type="button" @click="selection.pick(island.index, $event.shiftKey)">{{ island.name }}</button>
        </th>
        <td class="num">{{ figure(former) }}</td>
        <td class="num" :class="{ far: (island.stretch_worst ?? Infinity) > 1.02 }">
          {{ figure(island.stretch_worst) }}
        </td>
      </tr>
    </tbody>
  </table>
</template>

<style scoped>
.far {
  color: var(--saffron-text);
  font-weight: 650;
}
</style>
