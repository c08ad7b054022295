<script setup lang="ts">
/** Where islands jut out of their cells, come nearer to the border than wanted, or sample a rim of another colour. */
import { computed, watch } from "vue";
import { api } from "@/api/client";
import type { Border } from "@/api/types";
import { useAnswer } from "@/composables/useAnswer";
import { useFitting } from "@/stages/fit/fitting";
import { useJob } from "@/stores/job";
import { useSelection } from "@/stores/selection";
import FigureTable from "@/ui/FigureTable.vue";
import FoldSection from "@/ui/FoldSection.vue";
import NumberField from "@/ui/NumberField.vue";

const WARN = "text-warning-emphasis fw-bold";
const jobs = useJob();
const fitting = useFitting();
const selection = useSelection();
const { value, asking: loading, ask } = useAnswer<Border[]>();
const borders = computed(() => value.value ?? []);

const bad = computed(() =>
  borders.value
    .filter((border) => border.inside_px < -0.005 || border.near || border.rim_from !== null)
    .sort((a, b) => (a.rim_from ?? 99) - (b.rim_from ?? 99) || a.inside_px - b.inside_px),
);
const rim = ({ rim_from }: Border) =>
  rim_from === null ? "never" : rim_from === 1 ? "at full size" : `from 1/${rim_from}`;
const rows = computed(() =>
  bad.value.map((border) => ({
    island: border.island,
    name: jobs.islands[border.island]?.name ?? "",
    inside: `${border.inside_px.toFixed(2)} px`,
    juts: border.near || border.inside_px < -0.005,
    rim: rim(border),
    shows: border.rim_from === 1,
  })),
);

watch(
  () => `${jobs.job?.revision} ${fitting.fit_setup.shown}`,
  () => fitting.fit_setup.shown !== null && ask(api.borders),
  { immediate: true },
);
</script>

<template>
  <FoldSection title="Borders of cells" folded>
    <template v-if="bad.length > 0" #beside>
      <span class="num text-warning-emphasis">{{ bad.length }} of {{ borders.length }}</span>
    </template>
    <div class="fields">
      <NumberField
        class="wide"
        label="Inset"
        :value="fitting.fit_setup.inset_px"
        unit="px"
        :decimals="2"
        @change="jobs.operate('set_inset', { inset_px: $event })"
      />
    </div>
    <p v-if="borders.length === 0" class="form-text mt-2">
      {{ loading ? "Looking along the rims…" : "No island lies in a cell." }}
    </p>
    <p v-else-if="bad.length === 0" class="form-text mt-2">
      {{ borders.length === 1 ? "The one island in a cell keeps" : `All ${borders.length} islands in cells keep` }}
      inside, down to an eighth of the size.
    </p>
    <FigureTable
      v-else
      of="Island"
      :rows="rows"
      :figures="{ inside: 'distance to edge', rim: 'edge shows' }"
      @press="selection.lookAt({ faces: [], islands: [$event.island] })"
    >
      <template #inside="{ row }">
        <span :class="row.juts ? WARN : ''">{{ row.inside }}</span>
      </template>
      <template #rim="{ row }">
        <span :class="row.shows ? WARN : ''">{{ row.rim }}</span>
      </template>
    </FigureTable>
  </FoldSection>
</template>
