<script setup lang="ts">
/** How lettering of the picture would read on each island. */
import { computed } from "vue";
import { useJob } from "@/stores/job";
import { useSelection } from "@/stores/selection";

const MOST = 30;
const jobs = useJob();
const selection = useSelection();

const odd = computed(() => jobs.islands.filter((island) => island.reading !== "right"));
const right = computed(() => jobs.islands.length - odd.value.length);
</script>

<template>
  <h3>Lettering</h3>
  <p class="what">
    {{
      odd.length === 0
        ? `Reads right on all ${jobs.islands.length} islands.`
        : `Reads right on ${right} of ${jobs.islands.length} islands.`
    }}
  </p>
  <table v-if="odd.length > 0" class="figures">
    <tbody>
      <tr v-for="island in odd.slice(0, MOST)" :key="island.index">
        <th scope="row">
          <button type="button" @click="selection.lookAt({ faces: [], islands: [island.index] })">
            {{ island.name }}
          </button>
        </th>
        <td>{{ island.reading === "reflected" ? "reflected" : `turned ${Math.round(island.up_angle_deg)}°` }}</td>
        <td>
          <button
            type="button"
            class="mend"
            @click="
              jobs.operate(island.reading === 'reflected' ? 'reflect_islands' : 'turn_upright', {
                islands: [island.index],
              })
            "
          >
            {{ island.reading === "reflected" ? "Reflect" : "Turn" }}
          </button>
        </td>
      </tr>
    </tbody>
  </table>
</template>

<style scoped>
.mend {
  padding: 0;
  border: 0;
  background: transparent;
  color: var(--verdigris-text);
  text-decoration: underline;
}
</style>
