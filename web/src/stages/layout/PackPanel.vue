<script setup lang="ts">
/** Packing by true outlines: what is kept to, and the attempts to choose from. */
import { computed, ref, watch } from "vue";
import { api } from "@/api/client";
import type { SheetMap } from "@/api/types";
import { useAnswer } from "@/composables/useAnswer";
import { useKeys } from "@/composables/useKeys";
import { useJob } from "@/stores/job";
import { usePacking } from "@/stores/packing";
import { counted } from "@/stores/picks";
import { useSelection } from "@/stores/selection";
import ChoiceBar from "@/ui/ChoiceBar.vue";
import NumberField from "@/ui/NumberField.vue";
import MapPicture from "@/ui/maps/MapPicture.vue";
import ReservedRoom from "./ReservedRoom.vue";

const jobs = useJob();
const packing = usePacking();
const selection = useSelection();
const turn = ref<"none" | "quarter" | "free">("quarter");
const upright = ref(true);
const keepScale = ref(false);
const inOrder = ref(false);

/** how much of the sheet islands cover as they lie, and what is left in one place */
const { value: map, ask } = useAnswer<SheetMap>();
watch(
  () => jobs.job?.revision,
  () => ask(api.map),
  { immediate: true },
);

const islands = computed(() => [...selection.islands]);
const picked = computed(() => jobs.islands.filter((island) => islands.value.includes(island.index)));
const locked = computed(() => jobs.islands.filter((island) => island.locked));
const allLocked = computed(() => picked.value.length > 0 && picked.value.every((island) => island.locked));
const some = computed(() => (picked.value.length > 1 ? counted(picked.value.length, "islands") : "all islands"));

function start() {
  void packing.start({
    islands: picked.value.length > 1 ? islands.value : null,
    turn: turn.value,
    upright: upright.value,
    keep_scale: keepScale.value,
    in_order: inOrder.value,
  });
}
useKeys({ Enter: () => (packing.shown ? void packing.take() : false) });
</script>

<template>
  <section aria-label="Packing">
    <div class="fields">
      <span class="align-self-center">Turns</span>
      <ChoiceBar
        v-model="turn"
        class="wide"
        label="Turns"
        :choices="{ none: 'None', quarter: 'Quarters', free: 'Free' }"
      />
      <NumberField
        class="wide"
        label="Gutter"
        :value="jobs.job!.gutter_px"
        unit="px"
        :decimals="0"
        @change="jobs.operate('set_gutter', { gutter_px: Math.round($event) })"
      />
      <NumberField
        class="wide"
        label="Margin"
        :value="jobs.job!.margin_px"
        unit="px"
        :decimals="1"
        @change="jobs.operate('plan_sheet', { margin_px: $event })"
      />
    </div>
    <label class="mode"
      ><input v-model="upright" type="checkbox" class="form-check-input" /> Islands with art are not turned</label
    >
    <label class="mode"
      ><input v-model="keepScale" type="checkbox" class="form-check-input" /> Keep the present scale</label
    >
    <label class="mode"><input v-model="inOrder" type="checkbox" class="form-check-input" /> In reading order</label>
    <div class="row-of">
      <button v-if="packing.running" type="button" class="btn btn-primary" @click="packing.stop()">
        Stop, {{ packing.attempts.length }} so far
      </button>
      <button v-else type="button" class="btn btn-primary" @click="start">Pack {{ some }}</button>
    </div>
    <p v-if="map" class="what mt-2">
      {{ (100 * map.summary.used).toFixed(1) }} % of the sheet is used now; the largest free square is
      {{ Math.round(map.free_square_px) }} px.
    </p>
    <div v-if="packing.attempts.length > 0" class="attempts" role="radiogroup" aria-label="Attempts">
      <button
        v-for="attempt in packing.attempts"
        :key="attempt.facts.attempt"
        type="button"
        role="radio"
        :aria-checked="attempt === packing.shown"
        :class="{ on: attempt === packing.shown }"
        :aria-label="`Attempt ${attempt.facts.attempt + 1}`"
        @click="packing.picked = attempt.facts.attempt"
      >
        <MapPicture :map="{ ...attempt, name: `attempt ${attempt.facts.attempt + 1}` }" />
        <span class="num"
          >{{ (100 * attempt.facts.share_used).toFixed(1) }} %<template v-if="attempt === packing.best">
            ✓</template
          ></span
        >
      </button>
    </div>
    <div v-if="packing.shown" class="not-taken" role="status" aria-label="Packing chosen">
      <p class="num">
        {{ (100 * packing.shown.facts.share_used).toFixed(1) }} % of the sheet,
        {{ jobs.job!.density_px_per_mm.toFixed(2) }} → {{ packing.shown.facts.density_px_per_mm.toFixed(2) }} px/mm
      </p>
      <div class="row-of">
        <button type="button" class="btn btn-primary" @click="packing.take()">Take it</button>
        <button type="button" class="btn-choose" @click="packing.forget()">Leave it</button>
      </div>
    </div>
    <h3>Stay where they are</h3>
    <p class="what">
      {{
        locked.length === 0
          ? "Nothing is locked."
          : `Locked: ${locked
              .slice(0, 4)
              .map((island) => island.name)
              .join(", ")}${locked.length > 4 ? ` and ${locked.length - 4} more` : ""}.`
      }}
    </p>
    <div class="row-of">
      <button
        type="button"
        class="btn-choose"
        :disabled="picked.length === 0"
        @click="jobs.operate('lock_islands', { islands, locked: !allLocked })"
      >
        {{ allLocked ? "Unlock" : "Lock" }}
        {{
          picked.length === 1
            ? picked[0]!.name
            : picked.length === 0
              ? "picked islands"
              : counted(picked.length, "islands")
        }}
      </button>
      <button
        v-if="locked.length > 0"
        type="button"
        class="btn-choose"
        @click="jobs.operate('lock_islands', { islands: locked.map((island) => island.index), locked: false })"
      >
        Unlock all
      </button>
    </div>
    <ReservedRoom />
  </section>
</template>

<style scoped>
.attempts {
  display: grid;
  margin-top: 10px;
  gap: 6px;
  grid-template-columns: repeat(3, 1fr);
}
.attempts button {
  padding: 2px 2px 1px;
  border: 2px solid var(--rule);
  border-radius: 6px;
  background: var(--panel);
  color: var(--ink);
  font-size: 11.5px;
}
.attempts button.on {
  border-color: var(--verdigris);
}
.attempts :deep(svg) {
  padding: 4px;
  border-radius: 4px;
}
.attempts :deep(path) {
  stroke-width: 0.7px;
}
.not-taken p {
  margin: 0 !important;
}
</style>
