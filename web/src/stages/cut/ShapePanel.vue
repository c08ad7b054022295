<script setup lang="ts">
/** Keeping the cut and mending the shape; detaching faces, and joining islands into nets. */
import { BButton, BFormCheckbox } from "bootstrap-vue-next";
import { computed, ref } from "vue";
import { useCutting } from "@/stages/cut/cutting";
import { useFitting } from "@/stages/fit/fitting";
import { useJob } from "@/stores/job";
import { counted, usePicks } from "@/stores/picks";
import { usePreview } from "@/stores/preview";
import { useSelection } from "@/stores/selection";
import FoldSection from "@/ui/FoldSection.vue";
import PreviewCard from "@/ui/PreviewCard.vue";
import RelaxPanel from "./RelaxPanel.vue";
import StretchTable from "./StretchTable.vue";

const jobs = useJob();
const cutting = useCutting();
const picks = usePicks();
const previews = usePreview();
const selection = useSelection();
const fitting = useFitting();
const asPrinted = ref(true);

/** a picture with cells is laid under, so that a net may be printed there */
const printed = computed(() => fitting.cells.length > 1);
const islands = computed(() => selection.islands);
const named = computed(() =>
  islands.value.length === 1 ? (jobs.islands[islands.value[0]!]?.name ?? "") : counted(islands.value.length, "islands"),
);
const faces = computed(() => [...picks.sets.faces]);
const edges = computed(() => [...picks.sets.edges]);
</script>

<template>
  <section aria-label="Shape">
    <h3 class="mt-2">True shape</h3>
    <p v-if="islands.length === 0" class="form-text">
      Pick islands to give them the proportions of the surface, or to relax them.
    </p>
    <div v-else class="row-of">
      <BButton
        variant="primary"
        :disabled="cutting.working"
        @click="cutting.run('true_shape', { islands: [...islands] })"
      >
        True shape for {{ named }}
      </BButton>
    </div>
    <RelaxPanel v-if="islands.length > 0" :islands="islands" :named="named" />

    <FoldSection title="Part and join">
      <div class="row-of">
        <BButton
          variant="secondary"
          :disabled="faces.length === 0 || cutting.working"
          title="Make the picked faces islands of their own"
          @click="cutting.run('detach_faces', { faces })"
        >
          Detach {{ counted(faces.length, "faces") }}
        </BButton>
      </div>
      <div class="row-of">
        <BButton
          variant="secondary"
          :disabled="faces.length === 0 || cutting.working"
          title="Smaller faces in their place, so that each can go to another part of the sheet; the surface and the art stay"
          @click="cutting.run('subdivide_faces', { faces })"
        >
          Subdivide {{ counted(faces.length, "faces") }}
        </BButton>
      </div>
      <div class="row-of">
        <BButton
          variant="secondary"
          :disabled="islands.length !== 1 || previews.looking"
          title="Across its longer side, where no artwork is cut"
          @click="previews.show('split_island', { island: islands[0]! })"
        >
          Split{{ islands.length === 1 ? ` ${named}` : " an island" }} in two
        </BButton>
      </div>
      <div class="row-of">
        <BButton
          variant="secondary"
          :disabled="edges.length === 0 || previews.looking"
          title="Bring the islands on either side together along the picked edges"
          @click="previews.show('join_islands', { edges })"
        >
          Join along {{ counted(edges.length, "edges") }}
        </BButton>
      </div>
      <div class="row-of">
        <BButton
          variant="secondary"
          :disabled="islands.length !== 1 || previews.looking"
          title="Join its neighbours on, then theirs"
          @click="previews.show('grow_net', { island: islands[0]!, as_printed: printed && asPrinted })"
        >
          Grow a net{{ islands.length === 1 ? ` from ${named}` : "" }}
        </BButton>
      </div>
      <BFormCheckbox v-if="printed" v-model="asPrinted" class="mt-2"
        >As the net is printed on the picture</BFormCheckbox
      >
    </FoldSection>
    <PreviewCard />
    <FoldSection title="Stretch" folded>
      <StretchTable />
    </FoldSection>
  </section>
</template>
