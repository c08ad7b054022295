<script setup lang="ts">
/**
 * What the seams part the surface into: pieces that still lack a cut, and seams that end openly, with a way to close
 * them.
 */
import { BButton } from "bootstrap-vue-next";
import { computed, ref } from "vue";
import { counted, usePicks } from "@/stores/picks";
import { useSeams } from "@/stores/seams";
import { useSelection } from "@/stores/selection";
import FoldSection from "@/ui/FoldSection.vue";

const MOST = 5;
const seams = useSeams();
const picks = usePicks();
const selection = useSelection();

/** all of them are listed, or the first few */
const whole = ref(false);
/** Those that are not discs, and so lack a cut, come first. */
const ordered = computed(() =>
  [...(seams.pieces?.pieces ?? [])].sort((a, b) => Number(a.missing_cut === null) - Number(b.missing_cut === null)),
);
const listed = computed(() => (whole.value ? ordered.value : ordered.value.slice(0, MOST)));
const lacking = computed(() => (seams.pieces?.pieces ?? []).filter((piece) => piece.missing_cut !== null));
const openEnds = computed(() => seams.pieces?.open_ends ?? []);
const summary = computed(() => {
  const count = seams.pieces?.count ?? 0;
  const pieces = `${count} ${count === 1 ? "piece" : "pieces"}`;
  return lacking.value.length === 0
    ? `${pieces}, ${count === 1 ? "which" : "each of which"} can be laid flat.`
    : `${pieces}; ${lacking.value.length} cannot be laid flat yet.`;
});

function close(gap: number[]) {
  picks.kind = "edges";
  picks.set("edges", gap);
}
</script>

<template>
  <template v-if="seams.pieces">
    <FoldSection title="Pieces">
      <p class="form-text">{{ summary }}</p>
      <ul class="list-unstyled small mb-0" aria-label="Pieces">
        <li v-for="piece in listed" :key="piece.piece" :class="{ lacks: piece.missing_cut }">
          <BButton variant="link" size="sm" @click="selection.lookAt({ faces: piece.some_faces, islands: [] })">
            {{ piece.name }}, {{ counted(piece.faces, "faces") }}</BButton
          ><template v-if="piece.missing_cut">: {{ piece.missing_cut }}</template>
        </li>
      </ul>
      <BButton v-if="ordered.length > MOST" variant="link" size="sm" @click="whole = !whole">
        {{ whole ? "Show fewer" : `Show all ${ordered.length}` }}
      </BButton>
      <p v-if="whole && seams.pieces.count > ordered.length" class="form-text">
        {{ seams.pieces.count - ordered.length }} more are not listed.
      </p>
      <ul v-if="openEnds.length > 0" class="list-unstyled small mb-0" aria-label="Open ends">
        <li v-for="end in openEnds.slice(0, MOST)" :key="end.vertex">
          A seam ends openly;
          <BButton v-if="end.gap.length > 0" variant="link" size="sm" @click="close(end.gap)">
            {{ counted(end.gap.length, "edges") }} would close it
          </BButton>
          <template v-else>nothing is near to close it</template>
        </li>
        <li v-if="openEnds.length > MOST">{{ openEnds.length - MOST }} more, ringed on the model.</li>
      </ul>
    </FoldSection>
  </template>
</template>

<style scoped>
li {
  padding: 2px 0 2px 7px;
  margin-top: 3px;
  border-left: 3px solid var(--bs-border-color);
}
li.lacks,
ul:not([aria-label="Pieces"]) > li {
  border-left-color: var(--saffron);
}
</style>
