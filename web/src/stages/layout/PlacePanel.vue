<script setup lang="ts">
/** Placing islands by hand and by numbers, and the size of the sheet. */
import { BButton } from "bootstrap-vue-next";
import { computed, ref } from "vue";
import { useJob } from "@/stores/job";
import { useSelection } from "@/stores/selection";
import ChoiceBar from "@/ui/ChoiceBar.vue";
import DocumentSize from "@/ui/DocumentSize.vue";
import FoldSection from "@/ui/FoldSection.vue";
import IslandFacts from "@/ui/IslandFacts.vue";
import SizeFields from "@/ui/SizeFields.vue";
import NoteBox from "@/ui/NoteBox.vue";
import AlignTools from "./AlignTools.vue";
import CornerTools from "./CornerTools.vue";
import IslandPlace from "./IslandPlace.vue";

const jobs = useJob();
const selection = useSelection();
const keep = ref<"uv" | "shape" | "px">("uv");
type Anchor = "start" | "middle" | "end";
/** where islands that keep their px come to lie on the new sheet */
const across = ref<Anchor>("start");
const down = ref<Anchor>("start");

const by = ref<"px" | "document">("px");
const dpi = ref(300);
const island = computed(() => (selection.islands.length === 1 ? jobs.islands[selection.islands[0]!] : undefined));
function byDocument(width_px: number, height_px: number, to: number) {
  dpi.value = to;
  const { sheet } = jobs.job!;
  if (width_px !== sheet.width_px || height_px !== sheet.height_px) void resize(width_px, height_px);
}
const resize = (width_px: number, height_px: number) =>
  jobs.operate("resize_sheet", { width_px, height_px, keep: keep.value, across: across.value, down: down.value });
</script>

<template>
  <NoteBox v-if="selection.islands.length === 0" plain>
    Pick an island on the sheet, on the model or in the strip below. Drag it, or type where it goes.
  </NoteBox>
  <template v-else>
    <IslandFacts brief />
    <IslandPlace />
    <AlignTools />
  </template>
  <CornerTools />
  <FoldSection title="Sheet" :folded="selection.islands.length > 0">
    <ChoiceBar v-model="by" class="mb-2" label="Size in" :choices="{ px: 'Pixels', document: 'Document' }" />
    <SizeFields
      v-if="by === 'px'"
      :width="jobs.job!.sheet.width_px"
      :height="jobs.job!.sheet.height_px"
      @change="resize"
    />
    <template v-else>
      <DocumentSize
        :width="jobs.job!.sheet.width_px"
        :height="jobs.job!.sheet.height_px"
        :dpi="dpi"
        @change="byDocument"
      />
      <BButton
        v-if="island"
        variant="secondary"
        size="sm"
        class="btn-wide mt-1"
        @click="jobs.operate('sheet_of_island', { island: selection.islands[0]!, dpi })"
      >
        As large as {{ island.name }}
      </BButton>
    </template>
    <p class="mt-2 mb-1">On a change of size, islands</p>
    <ChoiceBar
      v-model="keep"
      class="w-100"
      label="On a change of size"
      :choices="{ uv: 'stretch along', shape: 'keep shape', px: 'keep px' }"
    />
    <div v-if="keep === 'px'" class="fields mt-2">
      <span>Across</span>
      <ChoiceBar
        v-model="across"
        class="wide"
        label="Across"
        :choices="{ start: 'left', middle: 'middle', end: 'right' }"
      />
      <span>Down</span>
      <ChoiceBar
        v-model="down"
        class="wide"
        label="Down"
        :choices="{ start: 'top', middle: 'middle', end: 'bottom' }"
      />
    </div>
    <BButton
      variant="secondary"
      class="btn-wide"
      title="All islands together, as large as they go: directions and proportions stay"
      @click="jobs.operate('fit_to_sheet', {})"
    >
      Fit all to the sheet
    </BButton>
  </FoldSection>
</template>
