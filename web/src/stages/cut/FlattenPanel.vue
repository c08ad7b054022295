<script setup lang="ts">
/** Laying flat what is picked, or everything, by a chosen method. */
import { BButton, BFormCheckbox, BFormSelect } from "bootstrap-vue-next";
import { computed, ref } from "vue";
import type { Triple } from "@/api/types";
import { useBand } from "@/stages/cut/band";
import { useCutting } from "@/stages/cut/cutting";
import { useJob } from "@/stores/job";
import { counted, usePicks } from "@/stores/picks";
import { useSeams } from "@/stores/seams";
import { useSelection } from "@/stores/selection";
import ChoiceBar from "@/ui/ChoiceBar.vue";
import FoldSection from "@/ui/FoldSection.vue";
import NumberField from "@/ui/NumberField.vue";
import BandFields from "./BandFields.vue";
import DirectionPicker from "./DirectionPicker.vue";
import { METHODS, SIDES } from "./methods";
import StartClean from "./StartClean.vue";
import StretchTable from "./StretchTable.vue";

const jobs = useJob();
const cutting = useCutting();
const picks = usePicks();
const seams = useSeams();
const bands = useBand();
const selection = useSelection();
const method = ref("best");
const limit = ref(1.1);
const along = ref<"drawn" | "angle" | "none">("drawn");
const angle = ref(60);
const sides = ref<(typeof SIDES)[number]["value"]>("six");
/** where it is seen from; null: as the proof shows it */
const from = ref<Triple | null>(null);
const gutter = ref<number | null>(null);
const size = ref<"true" | "rectangle">("true");
/** picked corners stay where they lie on the sheet */
const hold = ref(false);
const into = ref({ width_px: 256, height_px: 256, keep: true });

const chosen = computed(() => METHODS.find(({ value }) => value === method.value)!);
const pins = computed(() => [...picks.sets.corners]);
const asksAngle = computed(() => along.value === "angle" || method.value === "angle");

function flatten() {
  const { faces, islands } = cutting.target;
  const { by } = chosen.value;
  return cutting.run("lay_flat", {
    faces,
    islands,
    by,
    seams: along.value,
    angle_deg: angle.value,
    sides: sides.value,
    mirrored: by !== "best" && seams.bothSides,
    stretch_limit: limit.value,
    direction: by === "seen" ? (from.value ?? [...selection.eye]) : null,
    into: size.value === "rectangle" ? into.value : null,
    gutter_px: gutter.value,
    pins: hold.value && by === "unfold" ? pins.value : [],
    ...(by === "rollout" ? bands.typed : {}),
  });
}
</script>

<template>
  <section aria-label="Lay flat">
    <BButton variant="primary" class="btn-wide mt-0" :disabled="cutting.working" @click="flatten">{{
      cutting.working ? "Laying flat…" : `Lay ${cutting.target.words} flat`
    }}</BButton>
    <p class="form-text">
      <b>{{ chosen.text }}.</b> {{ chosen.what }}
    </p>
    <FoldSection title="Method, seams, size" folded>
      <div class="fields">
        <label for="flatten-method">Method</label>
        <BFormSelect id="flatten-method" v-model="method" class="wide" :options="METHODS" />
        <template v-if="method === 'direction'">
          <label for="flatten-sides">Sides</label>
          <BFormSelect id="flatten-sides" v-model="sides" class="wide" :options="SIDES" />
        </template>
      </div>
      <DirectionPicker v-if="method === 'seen'" v-model="from" />
      <BandFields v-if="method === 'rollout'" />
      <p v-if="method === 'best' && !jobs.job!.seams" class="form-text">
        Seams are found for each part. Draw some, and it is cut along them too.
      </p>
      <div v-else class="fields mt-2">
        <span class="whole">Cut along</span>
        <ChoiceBar
          v-model="along"
          class="whole"
          label="Seams to cut along"
          :choices="{ drawn: 'As drawn', angle: 'By angle', none: 'None' }"
        />
      </div>
      <div class="fields mt-2">
        <NumberField
          v-if="asksAngle"
          class="wide"
          label="Bends over"
          :value="angle"
          unit="°"
          :decimals="1"
          @change="angle = $event"
        />
        <NumberField
          v-if="method === 'best'"
          class="wide"
          label="Stretch limit"
          title="Mean stretch of what is neither flat nor a band; where it would be more, it is cut or parted"
          :value="limit"
          :decimals="2"
          @change="limit = $event"
        />
        <NumberField
          class="wide"
          label="Gutter"
          :value="gutter ?? jobs.job!.gutter_px"
          unit="px"
          :decimals="1"
          @change="gutter = $event"
        />
        <span>Size</span>
        <ChoiceBar
          v-model="size"
          class="wide"
          label="Size on the sheet"
          :choices="{ true: 'True scale', rectangle: 'In a box' }"
        />
        <template v-if="size === 'rectangle'">
          <NumberField
            class="wide"
            label="Width"
            :value="into.width_px"
            unit="px"
            :decimals="1"
            @change="into.width_px = $event"
          />
          <NumberField
            class="wide"
            label="Height"
            :value="into.height_px"
            unit="px"
            :decimals="1"
            @change="into.height_px = $event"
          />
          <BFormCheckbox v-model="into.keep" class="wide mt-2">Keep proportions</BFormCheckbox>
        </template>
      </div>
      <BFormCheckbox v-if="pins.length > 0 && method === 'unfold'" v-model="hold" class="mt-2"
        >Hold the {{ counted(pins.length, "corners") }} picked</BFormCheckbox
      >
      <BFormCheckbox v-if="seams.symmetric && method !== 'best'" v-model="seams.mirrored" class="mt-2"
        >Both halves as mirror images</BFormCheckbox
      >
    </FoldSection>
    <FoldSection title="Stretch">
      <StretchTable />
    </FoldSection>
    <StartClean />
  </section>
</template>
