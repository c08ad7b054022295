<script setup lang="ts">
import { ref } from "vue";
import { useJob } from "@/stores/job";
import { useSelection } from "@/stores/selection";
import IslandFacts from "@/ui/IslandFacts.vue";
import ChoiceBar from "@/ui/ChoiceBar.vue";
import SizeFields from "@/ui/SizeFields.vue";
import IslandPlace from "./IslandPlace.vue";

const jobs = useJob();
const selection = useSelection();
const keep = ref<"uv" | "shape">("uv");

const resize = (width_px: number, height_px: number) => jobs.operate("resize_sheet", { width_px, height_px, keep: keep.value });
</script>

<template>
  <template v-if="jobs.job">
    <h2>Lay out</h2>
    <p v-if="selection.islands.length === 0" class="note plain">Pick an island on the sheet, on the model or in the strip below. Drag it, or type where it goes.</p>
    <IslandPlace v-if="selection.islands.length > 0" />
    <IslandFacts />
    <h3>Sheet</h3>
    <SizeFields :width="jobs.job.sheet.width_px" :height="jobs.job.sheet.height_px" @change="resize" />
    <p class="keep">On a change of size, islands</p>
    <ChoiceBar v-model="keep" label="On a change of size" :choices="{ uv: 'stretch along', shape: 'keep their shape' }" />
  </template>
</template>

<style scoped>
.keep {
  margin: 10px 0 5px !important;
}
</style>
