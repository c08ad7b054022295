<script setup lang="ts">
/** Corners and edges by hand, held to pixels; a cage that bends whole islands. */
import { computed, onUnmounted } from "vue";
import { useCage } from "@/stores/cage";
import { useCorners } from "@/stores/corners";
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
const to = computed(() => (settings.hold === "free" ? null : settings.hold));
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
  <label class="mode"
    ><input v-model="corners.on" type="checkbox" class="form-check-input" @change="corners.clear()" /> Drag corners and
    edges alone</label
  >
  <label class="mode"
    ><input v-model="cage.on" type="checkbox" class="form-check-input" /> A cage over picked islands</label
  >
  <p v-if="cage.on" class="what">
    {{ cage.box ? "Pull a handle of the cage: the island bends smoothly." : "Pick islands to put a cage over them." }}
  </p>
  <div class="fields">
    <span class="align-self-center">Held to</span>
    <ChoiceBar
      v-model="settings.hold"
      class="wide"
      label="What a drag holds to"
      :choices="{ free: 'none', corners: 'corners', middles: 'middles' }"
    />
    <template v-if="corners.picked.length > 0">
      <span class="align-self-center">{{
        corners.picked.length === 1 ? "Corner" : counted(corners.picked.length, "corners")
      }}</span>
      <NumberField label="Picked corner x" hide-label :value="place[0]!" @change="move($event - place[0]!, 0)" />
      <NumberField label="Picked corner y" hide-label :value="place[1]!" @change="move(0, $event - place[1]!)" />
    </template>
  </div>
  <p v-if="corners.on && corners.picked.length === 0" class="what mt-2">
    Drag a corner, or an outline for both its ends; the model follows at once. Shift keeps to one axis.
  </p>
</template>
