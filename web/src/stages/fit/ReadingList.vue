<script setup lang="ts">
/** How lettering of the picture would read on each island. */
import { BButton } from "bootstrap-vue-next";
import { computed } from "vue";
import { useJob } from "@/stores/job";
import { useSelection } from "@/stores/selection";
import FigureTable from "@/ui/FigureTable.vue";
import FoldSection from "@/ui/FoldSection.vue";

const jobs = useJob();
const selection = useSelection();

const odd = computed(() => jobs.islands.filter((island) => island.reading !== "right"));
const right = computed(() => jobs.islands.length - odd.value.length);
</script>

<template>
  <FoldSection title="Lettering" folded>
    <template #beside>
      <span class="num" :class="odd.length > 0 ? 'text-warning-emphasis' : 'text-body-secondary'"
        >{{ right }} of {{ jobs.islands.length }} read right</span
      >
    </template>
    <FigureTable
      v-if="odd.length > 0"
      of="Island"
      :rows="odd"
      :figures="{ reads: 'reads', mend: '' }"
      @press="selection.lookAt({ faces: [], islands: [$event.index] })"
    >
      <template #reads="{ row }">
        {{ row.reading === "reflected" ? "reflected" : `turned ${Math.round(row.up_angle_deg)}°` }}
      </template>
      <template #mend="{ row }">
        <BButton
          variant="link"
          size="sm"
          class="d-inline"
          @click="
            jobs.operate(row.reading === 'reflected' ? 'reflect_islands' : 'turn_upright', { islands: [row.index] })
          "
        >
          {{ row.reading === "reflected" ? "Reflect" : "Turn" }}
        </BButton>
      </template>
    </FigureTable>
    <p v-else class="form-text">Nothing is turned or reflected.</p>
  </FoldSection>
</template>
