<script setup lang="ts">
/** Cutting along picked edges or closing them, having a cut suggested, and starting seams anew. */
import { BButton, BFormCheckbox } from "bootstrap-vue-next";
import { computed, ref, watch } from "vue";
import { useCutting } from "@/stages/cut/cutting";
import { useJob } from "@/stores/job";
import { usePicks } from "@/stores/picks";
import { useSeams } from "@/stores/seams";
import FoldSection from "@/ui/FoldSection.vue";
import NumberField from "@/ui/NumberField.vue";
import NoteBox from "@/ui/NoteBox.vue";
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
      <BButton variant="primary" :disabled="edges.length === 0 || cutting.working" @click="mark(true)">
        Cut {{ edges.length }}
      </BButton>
      <BButton variant="secondary" :disabled="edges.length === 0" @click="mark(false)">
        Close {{ edges.length }}
      </BButton>
    </div>
    <BFormCheckbox v-model="seams.direct" class="mt-2">Draw directly: cut as it is picked</BFormCheckbox>
    <BFormCheckbox v-if="seams.symmetric" v-model="seams.mirrored" class="mt-2"
      >Do the same on the other side</BFormCheckbox
    >
    <p v-if="seams.symmetric" class="form-text">
      Symmetric about {{ seams.symmetry!.plane }}, {{ exactness }}; within
      {{ seams.symmetry!.tolerance_mm!.toPrecision(2) }} mm counts as alike.
    </p>
    <p v-else-if="seams.symmetry" class="form-text">The model has no plane of symmetry.</p>

    <NoteBox v-if="bare" plain class="mt-2">
      The model came without a map, so each face lies by itself. Start with no seams, cut where nobody looks, and lay it
      flat.
    </NoteBox>
    <FoldSection title="Suggest cuts">
      <div class="row-of">
        <BButton
          variant="secondary"
          :disabled="suggesting"
          title="The cheapest cut that lets each piece be laid flat"
          @click="suggest({})"
        >
          {{ suggesting ? "Looking…" : "Suggest the fewest cuts" }}
        </BButton>
      </div>
      <div class="row-of ease">
        <BButton variant="secondary" :disabled="suggesting" @click="suggest({ limit })">
          Until stretch is below
        </BButton>
        <NumberField label="Limit of stretch" hide-label :value="limit" :decimals="3" @change="limit = $event" />
      </div>
    </FoldSection>
    <FoldSection title="Restart seams" folded>
      <div class="row-of">
        <BButton variant="secondary" @click="cutting.run('start_seams', { from: 'map' })">From the layout</BButton>
        <BButton variant="secondary" @click="cutting.run('start_seams', { from: 'none' })">None</BButton>
      </div>
    </FoldSection>
    <PieceList />
  </section>
</template>

<style scoped>
.ease :deep(.number-field) {
  flex: 0 0 58px;
}
</style>
