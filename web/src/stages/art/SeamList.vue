<script setup lang="ts">
/** Where the art does not go on across a seam: colours on both sides, the worst first. */
import { BButton } from "bootstrap-vue-next";
import { computed, watch } from "vue";
import { api } from "@/api/client";
import type { CheckedSeam, Pair } from "@/api/types";
import { useAnswer } from "@/composables/useAnswer";
import { useBench } from "@/stores/bench";
import { useJob } from "@/stores/job";
import { useSelection } from "@/stores/selection";
import { useAdding } from "./adding";
import FigureTable from "@/ui/FigureTable.vue";
import FoldSection from "@/ui/FoldSection.vue";
import { shown } from "@/ui/sums";

const TITLE = "Seams";
/** levels of 255 that nobody sees */
const UNSEEN = 4;
const jobs = useJob();
const adding = useAdding();
const bench = useBench();
const selection = useSelection();
const { value, asking, ask } = useAnswer<CheckedSeam[]>();

const differ = computed(() => (value.value ?? []).filter(({ mean }) => mean >= UNSEEN));
const rows = computed(() =>
  differ.value.map((seam) => {
    const names = [...new Set(seam.islands)].map((index) => jobs.islands[index]?.name ?? "");
    return {
      ...seam,
      name: names.length > 1 ? names.join(" | ") : `${names[0]}, its own`,
      levels: shown(seam.mean, 0),
    };
  }),
);

/** share of the model's longest side that colours go over within */
const SHARE = 0.06;
function blend(between: Pair[]) {
  const { min, max } = jobs.job!.bounds_mm;
  const longest = Math.max(...max.map((high, axis) => high - min[axis]!));
  const width_mm = Number((SHARE * longest).toPrecision(2));
  void adding.added(jobs.operate("add_layer", { content: { kind: "seam_blend", width_mm, between } }));
}

watch(
  () => [jobs.job?.revision, bench.unfolded[TITLE]] as const,
  ([, open]) => open && ask(api.seams),
  { immediate: true },
);
</script>

<template>
  <FoldSection :title="TITLE" folded>
    <p v-if="asking && !value" class="form-text">Looking along the seams…</p>
    <p v-else-if="rows.length === 0" class="form-text">Colours go on across all seams.</p>
    <FigureTable
      v-else
      of="Seam"
      :rows="rows"
      :figures="{ levels: 'differs, of 255', blend: '' }"
      @press="selection.lookAt({ faces: $event.faces, islands: $event.islands })"
    >
      <template #blend="{ row }">
        <BButton
          variant="link"
          size="sm"
          class="p-0"
          title="Both sides go over into each other, as a layer of its own"
          :aria-label="`Blend across ${row.name}`"
          @click="blend([row.islands as Pair])"
          >Blend</BButton
        >
      </template>
    </FigureTable>
    <BButton
      v-if="rows.length > 1"
      variant="secondary"
      class="btn-wide"
      @click="blend(differ.map(({ islands }) => islands as Pair))"
      >Blend across all {{ rows.length }}</BButton
    >
  </FoldSection>
</template>
