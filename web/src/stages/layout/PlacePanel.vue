<script setup lang="ts">
/** Placing islands by hand and by numbers, and the size of the sheet. */
import { BButton } from "bootstrap-vue-next";
import { ref } from "vue";
import { useJob } from "@/stores/job";
import { useSelection } from "@/stores/selection";
import ChoiceBar from "@/ui/ChoiceBar.vue";
import IslandFacts from "@/ui/IslandFacts.vue";
import SizeFields from "@/ui/SizeFields.vue";
import NoteBox from "@/ui/NoteBox.vue";
import AlignTools from "./AlignTools.vue";
import CornerTools from "./CornerTools.vue";
import IslandPlace from "./IslandPlace.vue";

const jobs = useJob();
const selection = useSelection();
const keep = ref<"uv" | "shape">("uv");

const resize = (width_px: number, height_px: number) =>
  jobs.operate("resize_sheet", { width_px, height_px, keep: keep.value });
</script>

<template>
  <NoteBox v-if="selection.islands.length === 0" plain>
    Pick an island on the sheet, on the model or in the strip below. Drag it, or type where it goes.
  </NoteBox>
  <template v-else>
    <IslandPlace />
    <AlignTools />
  </template>
  <CornerTools />
  <IslandFacts />
  <h3>Sheet</h3>
  <SizeFields :width="jobs.job!.sheet.width_px" :height="jobs.job!.sheet.height_px" @change="resize" />
  <p class="mt-2 mb-1">On a change of size, islands</p>
  <ChoiceBar v-model="keep" label="On a change of size" :choices="{ uv: 'stretch along', shape: 'keep their shape' }" />
  <BButton
    variant="secondary"
    class="btn-wide"
    title="All islands together, as large as they go: directions and proportions stay"
    @click="jobs.operate('fit_to_sheet', {})"
  >
    Fit all to the sheet
  </BButton>
</template>
