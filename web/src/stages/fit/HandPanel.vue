<script setup lang="ts">
/** Corners and edges by hand, held to pixels; a cage that bends whole islands. */
import { BFormCheckbox } from "bootstrap-vue-next";
import { computed, onUnmounted } from "vue";
import { useCage } from "@/hand/cage";
import { useCorners } from "@/hand/corners";
import { useJob } from "@/stores/job";
import { counted } from "@/stores/picks";
import { useSettings } from "@/stores/settings";
import ChoiceBar from "@/ui/ChoiceBar.vue";
import NumberField from "@/ui/NumberField.vue";

const jobs = useJob();
const cage = useCage();
const corners = useCorners();
const settings = useSettings();

const place = computed(() => corners.places[0] ?? [0, 0]);
const to = computed(() => settings.pixelHold);
const move = (dx: number, dy: number) =>
  jobs.operate("move_points", { points: [...corners.picked], move_px: [dx, dy], to: to.value });

onUnmounted(() => {
  cage.on = false;
  cage.held = null;
  corners.on = false;
  corners.clear();
});
</script>

<template>
  <h3>Corners and edges by hand</h3>
  <BFormCheckbox v-model="corners.on" class="mt-2" @change="corners.clear()"
    >Drag corners and edges alone</BFormCheckbox
  >
  <BFormCheckbox v-model="cage.on" class="mt-2">A bend grid over picked islands</BFormCheckbox>
  <p v-if="cage.on" class="form-text">
    {{ cage.box ? "Pull a handle of the grid: the island bends smoothly." : "Pick islands to put a grid over them." }}
  </p>
  <div class="fields mt-2">
    <span>Held to</span>
    <ChoiceBar
      v-model="settings.hold"
      class="wide"
      label="What a drag holds to"
      :choices="{ free: 'none', corners: 'corners', middles: 'middles' }"
    />
    <template v-if="corners.picked.length > 0">
      <span>{{ corners.picked.length === 1 ? "Corner" : counted(corners.picked.length, "corners") }}</span>
      <NumberField label="Picked corner x" hide-label :value="place[0]!" @change="move($event - place[0]!, 0)" />
      <NumberField label="Picked corner y" hide-label :value="place[1]!" @change="move(0, $event - place[1]!)" />
    </template>
  </div>
  <p v-if="corners.on && corners.picked.length === 0" class="form-text mt-2">
    Drag a corner, or an outline for both its ends; the model follows at once. Shift keeps to one axis.
  </p>
</template>
