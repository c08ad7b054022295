<script setup lang="ts">
/**
 * Places of islands that must lie on places of the picture: pulled by hand, typed, fitted; and corners and edges moved
 * by themselves.
 */
import { BButton, BCloseButton, BFormCheckbox, BFormSelect } from "bootstrap-vue-next";
import { computed, onUnmounted, ref } from "vue";
import { api } from "@/api/client";
import type { Landmark, Operations, Pair } from "@/api/types";
import { FEWEST_LANDMARKS } from "@/api/operations";
import { useQuestions } from "@/composables/useAnswer";
import { useDrawing, type Drawn } from "@/hand/drawing";
import { useFitting } from "@/stages/fit/fitting";
import { useJob } from "@/stores/job";
import { useMessages } from "@/stores/messages";
import { useSelection } from "@/stores/selection";
import { useSettings } from "@/stores/settings";
import FigureTable from "@/ui/FigureTable.vue";
import NumberField from "@/ui/NumberField.vue";
import HandPanel from "./HandPanel.vue";

const AXES = ["x", "y"] as const;
type Kind = NonNullable<Operations["fit_landmarks"]["kind"]>;
const jobs = useJob();
const fitting = useFitting();
const drawing = useDrawing();
const messages = useMessages();
const selection = useSelection();
const settings = useSettings();
const ask = useQuestions();
const kind = ref<Kind>("similarity");
const rules = ref<NonNullable<Operations["fit_landmarks"]["rules"]>>([]);

const marks = computed(() => fitting.fit_setup.landmarks);
/** of the picked islands, or all of them */
const own = computed(() =>
  selection.islands.length === 0 ? marks.value : marks.value.filter((mark) => selection.islands.includes(mark.island)),
);
const lacking = computed(() => Math.max(FEWEST_LANDMARKS[kind.value] - own.value.length, 0));
const rows = computed(() =>
  marks.value.map((mark, index) => ({
    ...mark,
    index,
    name: `${index + 1} ${jobs.islands[mark.island]?.name ?? ""}`,
    on: index === fitting.landmark,
  })),
);
const pulling = computed(() => drawing.shape === "pull");

const plain = ({ triangle, shares, to_px }: Landmark) => ({ triangle, shares, to_px });
const set = (landmarks: Operations["set_landmarks"]["landmarks"]) => jobs.operate("set_landmarks", { landmarks });

function start() {
  if (pulling.value) drawing.leave();
  else drawing.pulls("Pull from a place of an island to where it must lie; Escape leaves", pull);
}

async function pull({ from, to, point, island }: Drawn) {
  if (point === null && island === null) return;
  const hold = settings.pixelHold;
  const mark = { ...(point === null ? { island, at_px: from } : { point }), to_px: to, hold };
  if (await set([...marks.value.map(plain), mark])) fitting.landmark = marks.value.length - 1;
}

async function suggest() {
  const island = selection.islands[0] ?? marks.value.at(-1)?.island ?? 0;
  const found = await ask(async (id, revision) => ({ at_px: await api.nextLandmark(id, revision, island) }));
  if (found && !found.at_px) messages.fail("This island has no outline to set landmarks on");
  else if (found?.at_px && (await set([...marks.value.map(plain), { island, at_px: found.at_px, to_px: found.at_px }])))
    fitting.landmark = marks.value.length - 1;
}

const move = (index: number, axis: number, value: number) =>
  set(
    marks.value.map((mark, i) =>
      i === index
        ? { ...plain(mark), to_px: mark.to_px.map((old, k) => (k === axis ? value : old)) as Pair }
        : plain(mark),
    ),
  );
const fit = () =>
  jobs.operate("fit_landmarks", {
    kind: kind.value,
    rules: rules.value,
    islands: selection.islands.length > 0 ? [...selection.islands] : null,
  });

onUnmounted(() => drawing.leave());
</script>

<template>
  <section aria-label="Landmarks">
    <div class="row-of mt-0">
      <BButton variant="secondary" :pressed="pulling" @click="start">
        {{ pulling ? "Done setting" : "Set landmarks" }}
      </BButton>
      <BButton
        variant="secondary"
        title="The corner that tells most beside those that are set; then type where it goes"
        @click="suggest"
      >
        Suggest next
      </BButton>
    </div>
    <p v-if="marks.length === 0" class="form-text mt-2">
      Pull a line from a corner, an edge or any place of an island to the place of the picture where it must lie. Two
      pairs fix a turn and a size, three a stretch, four a perspective.
    </p>
    <FigureTable
      v-else
      class="landmarks"
      of="Point"
      :most="40"
      :rows="rows"
      :figures="{ x: 'x', y: 'y', off: 'off', remove: '' }"
      @press="fitting.landmark = $event.index"
    >
      <template v-for="(axis, i) in AXES" :key="axis" #[axis]="{ row }">
        <NumberField
          :label="`Landmark ${row.index + 1} ${axis}`"
          hide-label
          :value="row.to_px[i]!"
          :decimals="1"
          @change="move(row.index, i, $event)"
        />
      </template>
      <template #off="{ row }">
        <span :title="`${row.off_px.toFixed(3)} px off`">{{
          row.off_px < 99.95 ? row.off_px.toFixed(row.off_px < 10 ? 2 : 1) : Math.round(row.off_px)
        }}</span>
      </template>
      <template #remove="{ row }">
        <BCloseButton
          :aria-label="`Remove landmark ${row.index + 1}`"
          @click="set(marks.filter((_, i) => i !== row.index).map(plain))"
        />
      </template>
    </FigureTable>
    <template v-if="marks.length > 0">
      <div class="fields mt-2">
        <label for="fit-kind">Fit by</label>
        <BFormSelect
          id="fit-kind"
          v-model="kind"
          class="wide"
          :options="[
            { value: 'similarity', text: 'move, turn, size' },
            { value: 'affine', text: 'stretch' },
            { value: 'perspective', text: 'perspective' },
            { value: 'soft', text: 'soft' },
          ]"
        />
      </div>
      <template v-if="kind === 'similarity' || kind === 'affine'">
        <BFormCheckbox v-if="kind === 'affine'" v-model="rules" class="mt-2" value="no_shear"
          >Right angles stay right</BFormCheckbox
        >
        <BFormCheckbox v-model="rules" class="mt-2" value="no_turn">Nothing is turned</BFormCheckbox>
      </template>
      <p v-else-if="kind === 'soft'" class="form-text mt-2">
        Landmarks are met; the rest follows as stiffly as it can, and nothing is turned over.
      </p>
      <BFormCheckbox v-model="rules" class="mt-2" value="whole_pixels">To whole pixels</BFormCheckbox>
      <BButton variant="primary" class="btn-wide" :disabled="lacking > 0" @click="fit">
        {{
          lacking > 0
            ? `${lacking} more for this kind`
            : `Fit by ${own.length} ${own.length === 1 ? "landmark" : "landmarks"}`
        }}
      </BButton>
      <BButton variant="secondary" class="btn-wide mt-2" @click="set([])">Clear landmarks</BButton>
    </template>
    <HandPanel />
  </section>
</template>

<style scoped>
.landmarks :deep(th:first-child) {
  width: 25%;
}
.landmarks :deep(th:is(:nth-child(2), :nth-child(3))) {
  width: 27%;
}
.landmarks :deep(th:last-child) {
  width: 18px;
}
</style>
