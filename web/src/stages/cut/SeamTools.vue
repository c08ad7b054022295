<script setup lang="ts">
/** Cutting along picked edges or sewing them up, having a cut suggested, and starting seams anew. */
import { computed, ref, watch } from "vue";
import { useCutting } from "@/stores/cutting";
import { useJob } from "@/stores/job";
import { usePicks } from "@/stores/picks";
import { useSeams } from "@/stores/seams";
import NumberField from "@/ui/NumberField.vue";
import PieceList from "./PieceList.vue";

const jobs = useJob();
const cutting = useCutting();
const picks = usePicks();
const seams = useSeams();
const limit = ref(1.1);
const suggesting = ref(false);

const bare = computed(() => jobs.job!.source.uv_sets.length === 0 && jobs.islands.length === jobs.job!.counts.faces);
const edges = computed(() => [...picks.sets.edges]);
const exactness = computed(() => {
  const error = seams.symmetry?.error_mm ?? 0;
  return error < 1e-6 ? "exactly" : `to ${error.toPrecision(2)} mm`;
});
const meant = computed(() =>
  picks.kind === "faces" && picks.sets.faces.size > 0 ? { picked: [...picks.sets.faces] } : {},
);

async function mark(cut: boolean) {
  if (await seams.mark(edges.value, cut)) picks.clear("edges");
}

/** A suggestion is picked, to be looked at and cut along or let go. */
async function suggest(from: object) {
  suggesting.value = true;
  await picks.ask("suggestion", { ...meant.value, ...from }, "only", "edges");
  picks.kind = "edges";
  suggesting.value = false;
}

watch(
  () => seams.direct,
  (direct) => {
    if (direct) picks.kind = "edges";
  },
);
</script>

<template>
  <section aria-label="Seams on the model">
    <div class="row-of">
      <button
        type="button"
        class="btn btn-primary"
        :disabled="edges.length === 0 || cutting.working"
        @click="mark(true)"
      >
        Cut {{ edges.length }}
      </button>
      <button type="button" class="btn-choose" :disabled="edges.length === 0" @click="mark(false)">
        Sew up {{ edges.length }}
      </button>
    </div>
    <label class="mode"
      ><input v-model="seams.direct" type="checkbox" class="form-check-input" /> Draw directly: cut as it is
      picked</label
    >
    <label v-if="seams.symmetric" class="mode"
      ><input v-model="seams.mirrored" type="checkbox" class="form-check-input" /> Do the same on the other side</label
    >
    <p v-if="seams.symmetric" class="what">
      Symmetric about {{ seams.symmetry!.plane }}, {{ exactness }}; within
      {{ seams.symmetry!.tolerance_mm!.toPrecision(2) }} mm counts as alike.
    </p>
    <p v-else-if="seams.symmetry" class="what">The model has no plane of symmetry.</p>

    <p v-if="bare" class="note plain mt-2">
      The model came without a map, so each face lies by itself. Start with no seams, cut where nobody looks, and lay it
      flat.
    </p>
    <h3>Have a cut suggested</h3>
    <div class="row-of">
      <button
        type="button"
        class="btn-choose"
        :disabled="suggesting"
        title="The cheapest cut that lets each piece be laid flat"
        @click="suggest({})"
      >
        {{ suggesting ? "Looking…" : "To open pieces" }}
      </button>
    </div>
    <div class="row-of ease">
      <button type="button" class="btn-choose" :disabled="suggesting" @click="suggest({ limit })">
        Ease mean stretch below
      </button>
      <NumberField
        label="Limit of stretch"
        hide-label
        :value="limit"
        :decimals="3"
        @change="limit = Math.max($event, 1.001)"
      />
    </div>

    <h3>Start anew</h3>
    <div class="row-of">
      <button type="button" class="btn-choose" @click="cutting.run('start_seams', { from: 'map' })">As the map</button>
      <button type="button" class="btn-choose" @click="cutting.run('start_seams', { from: 'none' })">No seams</button>
    </div>
    <PieceList />
  </section>
</template>

<style scoped>
.ease :deep(.number-field) {
  flex: 0 0 58px;
}
</style>
