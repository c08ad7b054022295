<script setup lang="ts">
/** Along which direction of the model a gradient is laid, and what of it comes to lie on which end. */
import { BButton, BFormCheckbox } from "bootstrap-vue-next";
import { computed, ref } from "vue";
import { api } from "@/api/client";
import type { Operations, Triple } from "@/api/types";
import { useFitting } from "@/stages/fit/fitting";
import { useJob } from "@/stores/job";
import { useSelection } from "@/stores/selection";
import ChoiceBar from "@/ui/ChoiceBar.vue";

type Along = "up" | "across" | "front" | "view";

const ENDS: Record<Along, [string, string]> = {
  up: ["bottom", "top"],
  across: ["left", "right"],
  front: ["back", "front"],
  view: ["far from you", "near to you"],
};
const { what, ready } = defineProps<{ what: string; ready: boolean }>();
const emit = defineEmits<{ lay: [Pick<Operations["lay_along_gradient"], "direction" | "way" | "reverse">] }>();
const jobs = useJob();
const fitting = useFitting();
const selection = useSelection();
const along = ref<Along>("up");
const reverse = ref(false);

const cell = computed(() => fitting.cells[fitting.cell!]!);
const way = computed(() => cell.value.shade ?? "down");
/** of the model, from the left or from the top of the gradient on */
const ends = computed(() => (reverse.value ? [...ENDS[along.value]].reverse() : ENDS[along.value]));
const picture = computed(() => api.urls.underlay(jobs.job!.id, jobs.job!.revision, fitting.fit_setup.shown!));
// What runs down lies on its left side here.
const turn = computed(() => {
  const { x, y, width, height } = cell.value;
  return way.value === "down"
    ? { viewBox: `${y} ${-x - width} ${height} ${width}`, transform: "rotate(-90)" }
    : { viewBox: `${x} ${y} ${width} ${height}`, transform: undefined };
});

function lay() {
  const directions: Record<Along, Triple> = { up: [0, 1, 0], across: [1, 0, 0], front: [0, 0, 1], view: selection.eye };
  emit("lay", { direction: directions[along.value], way: way.value, reverse: reverse.value });
}
</script>

<template>
  <h3>As a gradient{{ cell.shade ? `, ${cell.shade}` : "" }}</h3>
  <ChoiceBar
    v-model="along"
    class="w-100"
    label="Along which direction of the model"
    :choices="{ up: 'up', across: 'right', front: 'front', view: 'to the eye' }"
  />
  <svg class="strip" :viewBox="turn.viewBox" preserveAspectRatio="none" aria-hidden="true">
    <image
      :href="picture"
      :width="fitting.underlay!.size_px[0]"
      :height="fitting.underlay!.size_px[1]"
      :transform="turn.transform"
      preserveAspectRatio="none"
    />
  </svg>
  <div class="ends form-text" aria-label="Ends of the gradient">
    <span>{{ ends[0] }} of {{ what }}</span>
    <span>{{ ends[1] }}</span>
  </div>
  <BFormCheckbox v-model="reverse" class="mt-2">The other way round</BFormCheckbox>
  <BButton variant="secondary" class="btn-wide" :disabled="!ready" @click="lay">Lay {{ what }} along it</BButton>
</template>

<style scoped>
.strip {
  display: block;
  width: 100%;
  height: 22px;
  margin-top: 8px;
  border: 1px solid var(--bs-border-color);
}

.ends {
  display: flex;
  justify-content: space-between;
  margin-top: 2px;
}
</style>
