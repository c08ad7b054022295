<script setup lang="ts">
/** What the hand picks and how, how much is picked, and ways to pick more. */
import { BFormSelect } from "bootstrap-vue-next";
import { computed, ref, watch } from "vue";
import { useJob } from "@/stores/job";
import { counted, ONE, usePicks, type How } from "@/stores/picks";
import { useSeams } from "@/stores/seams";
import { useSelection } from "@/stores/selection";
import ChoiceBar from "@/ui/ChoiceBar.vue";
import NumberField from "@/ui/NumberField.vue";
import { start, WAYS } from "./ways";

const HINTS = {
  islands: "Click islands; Shift adds.",
  faces: "Click; Shift goes on to there, Ctrl takes the ring, a double click all up to the seams.",
  edges: "Click; Shift goes on to there the shortest way, Ctrl takes the whole loop.",
  corners: "Click; Shift goes on to there, Ctrl takes the loop. Picked corners are held when relaxing.",
};
const GESTURES = { click: "Click", box: "Box", stroke: "Stroke" };

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
  <section class="pick" aria-label="Picking">
    <ChoiceBar
      v-model="picks.kind"
      class="w-100"
      label="What is picked"
      :choices="{ islands: 'Islands', faces: 'Faces', edges: 'Edges', corners: 'Corners' }"
    />
    <div class="line">
      <output class="num count" aria-label="Picked">{{ counted(picks.count, picks.kind) }}</output>
      <ChoiceBar v-model="picks.gesture" label="How the hand picks" :choices="GESTURES" />
    </div>
    <div class="tools" role="group" aria-label="Change what is picked">
      <button type="button" @click="all">All</button>
      <button type="button" :disabled="picked.length === 0" @click="none">None</button>
      <button type="button" @click="invert">Invert</button>
      <template v-if="picks.part">
        <button
          type="button"
          :disabled="picked.length === 0"
          title="One ring more"
          @click="picks.ask('more', { picked }, 'only')"
        >
          Grow
        </button>
        <button
          type="button"
          :disabled="picked.length === 0"
          title="Without the outer ring"
          @click="picks.ask('fewer', { picked }, 'only')"
        >
          Shrink
        </button>
        <button
          type="button"
          :disabled="picked.length === 0 || !seams.symmetric"
          title="The counterparts on the other side of the plane of symmetry too"
          @click="picks.ask('mirrored', { picked })"
        >
          Both sides
        </button>
      </template>
    </div>
    <div v-if="way && picks.part" class="ways">
      <label for="pick-way">{{ ONE[picks.part] }}s</label>
      <BFormSelect id="pick-way" v-model="chosen" :options="ways.map((one, i) => ({ value: i, text: one.text }))" />
      <NumberField
        v-if="way.angle_deg !== undefined"
        label="Angle"
        hide-label
        :value="angle"
        unit="°"
        :decimals="1"
        @change="angle = Math.min(Math.max($event, 0.1), 180)"
      />
      <button type="button" class="btn-choose" :disabled="source?.count === 0" title="Add these" @click="add('add')">
        Add
      </button>
      <button
        type="button"
        class="btn-choose"
        :disabled="source?.count === 0 || picked.length === 0"
        title="Let these go"
        @click="add('remove')"
      >
        Drop
      </button>
    </div>
    <p class="hint">{{ hint }}</p>
  </section>
</template>

<style scoped>
.pick {
  padding: 8px;
  margin: 0 -6px 12px;
  border-radius: 7px;
  background: var(--ground);
}
.line,
.tools,
.ways {
  display: flex;
  align-items: center;
  margin-top: 7px;
  gap: 6px;
}
.line {
  min-height: 26px;
  justify-content: space-between;
}
.count {
  font-size: 14px;
  font-weight: 600;
}
.tools {
  gap: 0;
  justify-content: space-between;
}
.tools button {
  padding: 1px 0;
  border: 0;
  background: transparent;
  color: var(--verdigris-text);
  font-size: 12.5px;
  text-decoration: underline;
  text-underline-offset: 2px;
}
button:disabled {
  color: var(--ink-faint);
  text-decoration: none;
}
.ways {
  flex-wrap: wrap;
}
.ways label {
  font-size: 12.5px;
  text-transform: capitalize;
}
.ways :deep(select) {
  flex: 1 1 150px;
  width: auto;
  min-width: 0;
}
.ways :deep(.number-field) {
  flex: 1 1 60px;
}
.ways .btn-choose {
  flex: 1 1 50px;
  padding: 2px 8px;
  background: var(--panel);
}
.hint {
  margin: 7px 0 0 !important;
  color: var(--ink-soft);
  font-size: 12px;
}
</style>
