<script setup lang="ts">
/** Packing by true outlines: what is kept to, and the attempts to choose from. */
import { BButton, BFormCheckbox } from "bootstrap-vue-next";
import { computed, watch } from "vue";
import { api } from "@/api/client";
import type { SheetMap } from "@/api/types";
import { useAnswer } from "@/composables/useAnswer";
import { useKeys } from "@/composables/useKeys";
import { useJob } from "@/stores/job";
import { usePacking } from "@/stages/layout/packing";
import { counted } from "@/stores/picks";
import { useSelection } from "@/stores/selection";
import ChoiceBar from "@/ui/ChoiceBar.vue";
import NumberField from "@/ui/NumberField.vue";
import TakeCard from "@/ui/TakeCard.vue";
import MapPicture from "@/ui/maps/MapPicture.vue";
import ReservedRoom from "./ReservedRoom.vue";

const jobs = useJob();
const packing = usePacking();
const selection = useSelection();
const { choices } = packing;
const upright = computed({
  get: () => choices.upright ?? choices.turn !== "free",
  set: (on) => (choices.upright = on),
});

/** how much of the sheet islands cover as they lie, and what is left in one place */
const { value: map, ask } = useAnswer<SheetMap>({ keep: true });
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
    ...choices,
  });
}
useKeys({ Enter: () => (packing.shown ? void packing.take() : false) });
</script>

<template>
  <section aria-label="Packing">
    <div class="fields">
      <span>Turns</span>
      <ChoiceBar
        v-model="choices.turn"
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
        @change="jobs.operate('set_gutter', { gutter_px: $event })"
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
    <BFormCheckbox v-model="upright" class="mt-2">Islands with art are not turned</BFormCheckbox>
    <BFormCheckbox v-model="choices.keep_scale" class="mt-2">Keep the present scale</BFormCheckbox>
    <BFormCheckbox v-model="choices.in_order" class="mt-2">In reading order</BFormCheckbox>
    <div class="row-of">
      <BButton v-if="packing.running" variant="primary" @click="packing.stop()">
        Stop ({{ packing.attempts.length }} {{ packing.attempts.length === 1 ? "layout" : "layouts" }})
      </BButton>
      <BButton v-else variant="primary" @click="start">Pack {{ some }}</BButton>
    </div>
    <p v-if="map" class="form-text mt-2">
      {{ (100 * map.summary.used).toFixed(1) }} % of the sheet is used now; the largest free square is
      {{ Math.round(map.free_square_px) }} px.
    </p>
    <div v-if="packing.attempts.length > 0" class="attempts" role="radiogroup" aria-label="Attempts">
      <BButton
        v-for="attempt in packing.attempts"
        :key="attempt.facts.attempt"
        variant="light"
        class="border"
        role="radio"
        :aria-checked="attempt === packing.shown"
        :class="{ picked: attempt === packing.shown }"
        :aria-label="`Attempt ${attempt.facts.attempt + 1}`"
        @click="packing.picked = attempt.facts.attempt"
      >
        <MapPicture :map="{ ...attempt, name: `attempt ${attempt.facts.attempt + 1}` }" />
        <span class="num"
          >{{ (100 * attempt.facts.share_used).toFixed(1) }} %<template v-if="attempt === packing.best">
            ✓</template
          ></span
        >
      </BButton>
    </div>
    <TakeCard v-if="packing.shown" aria-label="Packing chosen" @take="packing.take()" @leave="packing.forget()">
      <span class="num"
        >{{ (100 * packing.shown.facts.share_used).toFixed(1) }} % of the sheet,
        {{ jobs.job!.density_px_per_mm.toFixed(2) }} →
        {{ packing.shown.facts.density_px_per_mm.toFixed(2) }} px/mm</span
      >
    </TakeCard>
    <h3>Stay where they are</h3>
    <p class="form-text">
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
      <BButton
        variant="secondary"
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
      </BButton>
      <BButton
        v-if="locked.length > 0"
        variant="secondary"
        @click="jobs.operate('lock_islands', { islands: locked.map((island) => island.index), locked: false })"
      >
        Unlock all
      </BButton>
    </div>
    <ReservedRoom />
  </section>
</template>

<style scoped>
.attempts {
  --mat-edge: 4px;
  --line-width: 0.7px;
  display: grid;
  margin-top: 10px;
  gap: 6px;
  grid-template-columns: repeat(3, 1fr);
}
.attempts .btn {
  padding: 2px 2px 1px;
}
</style>
