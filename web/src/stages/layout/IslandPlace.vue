<script setup lang="ts">
/** Typed place, size and turn of the picked islands. */
import { PhArrowClockwise, PhArrowCounterClockwise } from "@/ui/icons";
import { BButton, BFormCheckbox } from "bootstrap-vue-next";
import { computed, ref } from "vue";
import type { Operations } from "@/api/types";
import { useJob } from "@/stores/job";
import { useCorners } from "@/hand/corners";
import { useSelection } from "@/stores/selection";
import { useSettings } from "@/stores/settings";
import { boxAround } from "@/sheet/handles";
import ChoiceBar from "@/ui/ChoiceBar.vue";
import NumberField from "@/ui/NumberField.vue";

const jobs = useJob();
const selection = useSelection();
const settings = useSettings();
const corners = useCorners();
const free = ref(false);
/** what a group is turned and scaled about */
const about = ref<"common" | "each" | "corner">("common");

const picked = computed(() => jobs.islands.filter((island) => selection.islands.includes(island.index)));
const locked = computed(() => picked.value.filter((island) => island.locked).map((island) => island.index));
const single = computed(() => (picked.value.length === 1 ? picked.value[0]! : null));
const box = computed(() => boxAround(picked.value) ?? { left: 0, top: 0, right: 0, bottom: 0 });
/** px of one shown unit */
const unitPx = computed(() => (settings.unit === "mm" ? (jobs.job?.density_px_per_mm ?? 1) : 1));

function place(changes: Partial<Operations["place_island"]>) {
  if (single.value)
    void jobs.operate("place_island", { island: single.value.index, free_proportions: free.value, ...changes });
}
const pivot = computed(() => (about.value === "corner" ? (corners.places[0] ?? "common") : about.value));
const transform = (changes: Partial<Operations["transform_islands"]>) =>
  void jobs.operate("transform_islands", { islands: [...selection.islands], about: pivot.value, ...changes });

const centre = computed(
  () => [(box.value.left + box.value.right) / 2, (box.value.top + box.value.bottom) / 2] as const,
);
const size = computed(() => [box.value.right - box.value.left, box.value.bottom - box.value.top] as const);

function moveTo(axis: 0 | 1, value: number) {
  const target = value * unitPx.value;
  if (single.value) place(axis === 0 ? { x_px: target } : { y_px: target });
  else transform({ move_px: axis === 0 ? [target - centre.value[0], 0] : [0, target - centre.value[1]] });
}

function sizeTo(axis: 0 | 1, value: number) {
  const target = value * unitPx.value;
  if (single.value) place(axis === 0 ? { width_px: target } : { height_px: target });
  else {
    const ratio = target / size.value[axis];
    transform({ scale: free.value ? (axis === 0 ? [ratio, 1] : [1, ratio]) : [ratio, ratio] });
  }
}
</script>

<template>
  <section aria-label="Place on the sheet">
    <p v-if="locked.length > 0" class="form-text d-flex align-items-center justify-content-between mt-0">
      Locked in place.
      <BButton variant="secondary" size="sm" @click="jobs.operate('lock_islands', { islands: locked, locked: false })"
        >Unlock</BButton
      >
    </p>
    <div class="d-flex justify-content-between align-items-center mb-2">
      <h3 class="m-0 p-0 border-0">Position</h3>
      <ChoiceBar v-model="settings.unit" label="Unit" :choices="{ px: 'px', mm: 'mm' }" />
    </div>
    <div class="fields pairs">
      <span>Centre</span>
      <NumberField
        label="Centre x"
        :disabled="locked.length > 0"
        hide-label
        :value="centre[0] / unitPx"
        :unit="settings.unit"
        @change="moveTo(0, $event)"
      />
      <NumberField
        label="Centre y"
        :disabled="locked.length > 0"
        hide-label
        :value="centre[1] / unitPx"
        :unit="settings.unit"
        @change="moveTo(1, $event)"
      />
      <span>Size</span>
      <NumberField
        label="Width"
        :disabled="locked.length > 0"
        hide-label
        :value="size[0] / unitPx"
        :unit="settings.unit"
        @change="sizeTo(0, $event)"
      />
      <NumberField
        label="Height"
        :disabled="locked.length > 0"
        hide-label
        :value="size[1] / unitPx"
        :unit="settings.unit"
        @change="sizeTo(1, $event)"
      />
      <span></span>
      <BButton
        class="wide"
        variant="secondary"
        size="sm"
        title="About its middle, to the gutter and the margin"
        :disabled="locked.length > 0"
        @click="jobs.operate('scale_to_room', { islands: [...selection.islands] })"
        >As large as it goes</BButton
      >
      <span></span>
      <BFormCheckbox v-model="free" class="wide">Change width and height separately</BFormCheckbox>
      <template v-if="single">
        <span>Model-up</span>
        <NumberField
          label="Model-up"
          :disabled="locked.length > 0"
          hide-label
          :value="single.up_angle_deg"
          unit="°"
          @change="place({ up_angle_deg: $event })"
        />
        <BButton
          variant="secondary"
          size="sm"
          title="Turn it so that model-up points to the top of the sheet"
          @click="place({ up_angle_deg: 0 })"
        >
          Upright
        </BButton>
      </template>
      <template v-if="!single || corners.picked.length > 0">
        <span>About</span>
        <ChoiceBar
          v-model="about"
          class="wide"
          label="Turned and scaled about"
          :choices="{ common: 'middle', each: 'each', corner: 'corner' }"
        />
      </template>
      <span>Turn by</span>
      <NumberField
        label="Turn step"
        hide-label
        :value="settings.turn_step_deg"
        unit="°"
        @change="settings.turn_step_deg = $event"
      />
      <span class="turns">
        <BButton
          variant="secondary"
          title="Turn left ( , )"
          aria-label="Turn left"
          @click="transform({ turn_deg: -settings.turn_step_deg })"
        >
          <PhArrowCounterClockwise :size="15" />
        </BButton>
        <BButton
          variant="secondary"
          title="Turn right ( . )"
          aria-label="Turn right"
          @click="transform({ turn_deg: settings.turn_step_deg })"
        >
          <PhArrowClockwise :size="15" />
        </BButton>
      </span>
      <span class="turns all">
        <BButton variant="secondary" title="A quarter to the left ( &lt; )" @click="transform({ turn_deg: -90 })">
          −90°
        </BButton>
        <BButton variant="secondary" title="A quarter to the right ( &gt; )" @click="transform({ turn_deg: 90 })">
          90°
        </BButton>
        <BButton variant="secondary" @click="transform({ turn_deg: 180 })">180°</BButton>
        <BButton
          variant="secondary"
          title="Mirror image in place"
          @click="jobs.operate('reflect_islands', { islands: [...selection.islands] })"
        >
          Reflect
        </BButton>
      </span>
    </div>
  </section>
</template>

<style scoped>
.turns {
  display: flex;
  gap: 6px;
}
.turns.all {
  grid-column: 1 / -1;
}
.turns .btn {
  flex: 1;
  padding: 1px 0;
}
</style>
