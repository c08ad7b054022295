<script setup lang="ts">
/**
 * Places of islands that must lie on places of the picture: pulled by hand, typed, fitted; and corners and edges moved
 * by themselves.
 */
import { computed, onUnmounted, ref } from "vue";
import { api } from "@/api/client";
import type { Landmark, Operations, Pair } from "@/api/types";
import { FEWEST_LANDMARKS } from "@/api/operations";
import { useQuestions } from "@/composables/useAnswer";
import { useDrawing, type Drawn } from "@/stores/drawing";
import { useFitting } from "@/stores/fitting";
import { useJob } from "@/stores/job";
import { useMessages } from "@/stores/messages";
import { useSelection } from "@/stores/selection";
import { useSettings } from "@/stores/settings";
import ChoiceBar from "@/ui/ChoiceBar.vue";
import NumberField from "@/ui/NumberField.vue";
import HandPanel from "./HandPanel.vue";

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
const pulling = computed(() => drawing.shape === "pull");

const plain = ({ triangle, shares, to_px }: Landmark) => ({ triangle, shares, to_px });
const set = (landmarks: Operations["set_landmarks"]["landmarks"]) => jobs.operate("set_landmarks", { landmarks });
/** To a tenth of a px, or to whole ones where drags are held to them. */
const held = (place: Pair): Pair =>
  place.map((value) =>
    settings.hold === "free"
      ? Math.round(value * 10) / 10
      : settings.hold === "corners"
        ? Math.round(value)
        : Math.floor(value) + 0.5,
  ) as Pair;

function start() {
  if (pulling.value) drawing.leave();
  else drawing.pulls("Pull from a place of an island to where it must lie; Escape leaves", pull);
}

async function pull({ from, to, point, island }: Drawn) {
  if (point === null && island === null) return;
  const mark = point === null ? { island, at_px: from, to_px: held(to) } : { point, to_px: held(to) };
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
      <button type="button" class="btn-choose" :class="{ on: pulling }" :aria-pressed="pulling" @click="start">
        {{ pulling ? "Done setting" : "Set landmarks" }}
      </button>
      <button
        type="button"
        class="btn-choose"
        title="The corner that tells most beside those that are set; then type where it goes"
        @click="suggest"
      >
        Suggest next
      </button>
    </div>
    <p v-if="marks.length === 0" class="what mt-2">
      Pull a line from a corner, an edge or any place of an island to the place of the picture where it must lie. Two
      pairs fix a turn and a size, three a stretch, four a perspective.
    </p>
    <table v-else class="figures">
      <thead>
        <tr>
          <th scope="col">Point</th>
          <th scope="col">x</th>
          <th scope="col">y</th>
          <th scope="col">off</th>
          <th></th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="(mark, index) in marks" :key="index" :class="{ on: index === fitting.landmark }">
          <th scope="row">
            <button type="button" :title="jobs.islands[mark.island]?.name" @click="fitting.landmark = index">
              {{ index + 1 }} {{ jobs.islands[mark.island]?.name }}
            </button>
          </th>
          <td>
            <NumberField
              :label="`Landmark ${index + 1} x`"
              hide-label
              :value="mark.to_px[0]"
              :decimals="1"
              @change="move(index, 0, $event)"
            />
          </td>
          <td>
            <NumberField
              :label="`Landmark ${index + 1} y`"
              hide-label
              :value="mark.to_px[1]"
              :decimals="1"
              @change="move(index, 1, $event)"
            />
          </td>
          <td class="num" :title="`${mark.off_px.toFixed(3)} px off`">
            {{ mark.off_px < 99.95 ? mark.off_px.toFixed(mark.off_px < 10 ? 2 : 1) : Math.round(mark.off_px) }}
          </td>
          <td>
            <button
              type="button"
              :aria-label="`Take landmark ${index + 1} out`"
              @click="set(marks.filter((_, i) => i !== index).map(plain))"
            >
              ×
            </button>
          </td>
        </tr>
      </tbody>
    </table>
    <template v-if="marks.length > 0">
      <ChoiceBar
        v-model="kind"
        class="w-100 mt-2"
        label="Kind of fit"
        :choices="{ similarity: 'even', affine: 'stretch', perspective: 'perspective', soft: 'soft' }"
      />
      <template v-if="kind === 'similarity' || kind === 'affine'">
        <label v-if="kind === 'affine'" class="mode mt-2"
          ><input v-model="rules" type="checkbox" class="form-check-input" value="no_shear" /> Right angles stay
          right</label
        >
        <label class="mode"
          ><input v-model="rules" type="checkbox" class="form-check-input" value="no_turn" /> Nothing is turned</label
        >
      </template>
      <p v-else-if="kind === 'soft'" class="what mt-2">
        Landmarks are met; the rest follows as stiffly as it can, and nothing is turned over.
      </p>
      <label class="mode"
        ><input v-model="rules" type="checkbox" class="form-check-input" value="whole_pixels" /> To whole pixels</label
      >
      <button type="button" class="btn btn-primary btn-wide" :disabled="lacking > 0" @click="fit">
        {{ lacking > 0 ? `${lacking} more for this kind` : `Fit by ${own.length} landmarks` }}
      </button>
      <button type="button" class="btn-choose btn-wide mt-2" @click="set([])">Clear landmarks</button>
    </template>
    <HandPanel />
  </section>
</template>

<style scoped>
.on {
  border-color: var(--verdigris);
  box-shadow: 0 0 0 1px var(--verdigris);
}
.figures {
  table-layout: fixed;
}
.figures th:first-child {
  width: 25%;
}
.figures th:first-child button {
  overflow: hidden;
  max-width: 100%;
  text-overflow: ellipsis;
  white-space: nowrap;
}
.figures th:nth-child(2),
.figures th:nth-child(3) {
  width: 27%;
}
.figures th:last-child {
  width: 18px;
}
.figures :deep(.number-field input) {
  padding-inline: 2px;
}
.figures td:last-child button {
  padding: 0 0 0 5px;
  border: 0;
  background: transparent;
  color: var(--ink-soft);
}
tr.on {
  background: color-mix(in srgb, var(--persimmon-deep) 14%, transparent);
  box-shadow: none;
}
</style>
