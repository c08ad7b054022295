<script setup lang="ts">
/** Where islands jut out of their cells, come nearer to the border than wanted, or sample a rim of another colour. */
import { computed, watch } from "vue";
import { api } from "@/api/client";
import type { Border } from "@/api/types";
import { useAnswer } from "@/composables/useAnswer";
import { useFitting } from "@/stores/fitting";
import { useJob } from "@/stores/job";
import { useSelection } from "@/stores/selection";
import NumberField from "@/ui/NumberField.vue";

const MOST = 30;
const jobs = useJob();
const fitting = useFitting();
const selection = useSelection();
const { value, asking: loading, ask } = useAnswer<Border[]>();
const borders = computed(() => value.value ?? []);

const bad = computed(() =>
  borders.value
    .filter((one) => one.inside_px < -0.005 || one.near || one.rim_from !== null)
    .sort((a, b) => (a.rim_from ?? 99) - (b.rim_from ?? 99) || a.inside_px - b.inside_px),
);
const told = ({ rim_from }: Border) => (rim_from === null ? "clean" : rim_from === 1 ? "shows" : `at 1/${rim_from}`);

watch(
  () => `${jobs.job?.revision} ${fitting.fit_setup.shown}`,
  () => fitting.fit_setup.shown !== null && ask(api.borders),
  { immediate: true },
);
</script>

<template>
  <h3>Borders of cells</h3>
  <div class="fields">
    <NumberField
      class="wide"
      label="Inset"
      :value="fitting.fit_setup.inset_px"
      unit="px"
      :decimals="2"
      @change="jobs.operate('set_inset', { inset_px: Math.max($event, 0) })"
    />
  </div>
  <p v-if="borders.length === 0" class="what mt-2">
    {{ loading ? "Looking along the rims…" : "No island lies in a cell." }}
  </p>
  <p v-else-if="bad.length === 0" class="what mt-2">
    All {{ borders.length }} islands in cells keep inside, down to an eighth of the size.
  </p>
  <table v-else class="figures">
    <thead>
      <tr>
        <th scope="col">Island</th>
        <th scope="col">inside</th>
        <th scope="col">rim</th>
      </tr>
    </thead>
    <tbody>
      <tr v-for="one in bad.slice(0, MOST)" :key="one.island">
        <th scope="row">
          <button type="button" @click="selection.lookAt({ faces: [], islands: [one.island] })">
            {{ jobs.islands[one.island]?.name }}
          </button>
        </th>
        <td class="num" :class="{ warn: one.near || one.inside_px < -0.005 }">{{ one.inside_px.toFixed(2) }} px</td>
        <td class="num" :class="{ warn: one.rim_from === 1 }">{{ told(one) }}</td>
      </tr>
    </tbody>
  </table>
</template>

<style scoped>
.figures td {
  white-space: nowrap;
}
.warn {
  color: var(--saffron-text);
  font-weight: 700;
}
</style>
