<script setup lang="ts">
/** How much is picked, and ways to pick more. */
import { BButton, BCard, BFormSelect } from "bootstrap-vue-next";
import { computed, ref, watch } from "vue";
import { useJob } from "@/stores/job";
import { counted, ONE, usePicks, type How } from "@/stores/picks";
import { useSeams } from "@/stores/seams";
import { useSelection } from "@/stores/selection";
import NumberField from "@/ui/NumberField.vue";
import { start, WAYS } from "./ways";

const HINTS = {
  islands: "Click islands; Shift adds.",
  faces: "Click; Shift goes on to there, Ctrl takes the ring, a double click all up to the seams.",
  edges: "Click; Shift goes on to there the shortest way, Ctrl takes the whole loop.",
  corners: "Click; Shift goes on to there, Ctrl takes the loop. Picked corners are held when relaxing.",
};

const jobs = useJob();
const picks = usePicks();
const seams = useSeams();
const selection = useSelection();
const chosen = ref(0);
const angle = ref(0);

const ways = computed(() => (picks.part ? WAYS[picks.part] : []));
const way = computed(() => ways.value[chosen.value] ?? null);
const source = computed(() =>
  way.value && picks.part
    ? start(
        { ...way.value, ...(way.value.angle_deg === undefined ? {} : { angle_deg: angle.value }) },
        picks.part,
        picks,
        selection.islands,
      )
    : null,
);
const picked = computed(() => (picks.part ? [...picks.sets[picks.part]] : selection.islands));
const hint = computed(() =>
  picks.gesture === "click"
    ? HINTS[picks.kind]
    : picks.gesture === "box"
      ? "Drag a box; with Ctrl it lets go."
      : "Drag over them; with Ctrl it lets go.",
);

watch(
  () => picks.kind,
  () => (chosen.value = 0),
);
watch(way, (now) => (angle.value = now?.angle_deg ?? 0), { immediate: true });

function all() {
  if (picks.part) return picks.ask("others", { picked: [] }, "only");
  selection.islands = jobs.islands.map((island) => island.index);
}
function none() {
  if (picks.part) picks.clear(picks.part);
  else selection.pick(null);
}
function invert() {
  if (picks.part) return picks.ask("others", { picked: picked.value }, "only");
  const before = new Set(selection.islands);
  selection.islands = jobs.islands.map((island) => island.index).filter((index) => !before.has(index));
}
const add = (how: How) => way.value && source.value && picks.ask(way.value.way, source.value.from, how);
</script>

<template>
  <BCard tag="section" class="pick mb-3" aria-label="Picking">
    <output class="num fw-bold" aria-label="Picked">{{ counted(picks.count, picks.kind) }}</output>
    <div class="d-flex flex-wrap mt-1 column-gap-2" role="group" aria-label="Change what is picked">
      <BButton variant="link" size="sm" @click="all">All</BButton>
      <BButton variant="link" size="sm" :disabled="picked.length === 0" @click="none">None</BButton>
      <BButton variant="link" size="sm" @click="invert">Invert</BButton>
      <template v-if="picks.part">
        <BButton
          variant="link"
          size="sm"
          :disabled="picked.length === 0"
          title="One ring more"
          @click="picks.ask('more', { picked }, 'only')"
        >
          Grow
        </BButton>
        <BButton
          variant="link"
          size="sm"
          :disabled="picked.length === 0"
          title="Without the outer ring"
          @click="picks.ask('fewer', { picked }, 'only')"
        >
          Shrink
        </BButton>
        <BButton
          variant="link"
          size="sm"
          :disabled="picked.length === 0 || !seams.symmetric"
          title="The counterparts on the other side of the plane of symmetry too"
          @click="picks.ask('mirrored', { picked })"
        >
          Both sides
        </BButton>
      </template>
    </div>
    <div v-if="way && picks.part" class="ways d-flex flex-wrap align-items-center gap-2 mt-2">
      <label for="pick-way" class="text-capitalize">{{ ONE[picks.part] }}s</label>
      <BFormSelect id="pick-way" v-model="chosen" :options="ways.map(({ text }, i) => ({ value: i, text }))" />
      <NumberField
        v-if="way.angle_deg !== undefined"
        label="Angle"
        hide-label
        :value="angle"
        unit="°"
        :decimals="1"
        @change="angle = $event"
      />
      <BButton variant="secondary" :disabled="source?.count === 0" title="Add these" @click="add('add')"> Add </BButton>
      <BButton
        variant="secondary"
        :disabled="source?.count === 0 || picked.length === 0"
        title="Pick these no longer"
        @click="add('remove')"
      >
        Remove
      </BButton>
    </div>
    <p class="form-text mb-0">{{ hint }}</p>
  </BCard>
</template>

<style scoped>
.pick {
  --bs-card-bg: var(--bs-body-bg);
  --bs-card-spacer-x: 8px;
  --bs-card-spacer-y: 8px;
  margin: 0 -6px;
}
.ways :deep(.form-select) {
  flex: 1 1 150px;
  width: auto;
  min-width: 0;
}
.ways > :is(.btn, .number-field) {
  --bs-btn-padding-y: 2px;
  flex: 1 1 50px;
}
</style>
