<script setup lang="ts">
/** Corners and edges by hand, held to pixels; a cage that bends whole islands. */
import { BFormCheckbox } from "bootstrap-vue-next";
import { onUnmounted } from "vue";
import CornerGroup from "@/hand/CornerGroup.vue";
import { useCage } from "@/hand/cage";
import { useCorners } from "@/hand/corners";
import { useSettings } from "@/stores/settings";
import ChoiceBar from "@/ui/ChoiceBar.vue";

const cage = useCage();
const corners = useCorners();
const settings = useSettings();

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
    <span class="whole">Drags snap to</span>
    <ChoiceBar
      v-model="settings.hold"
      class="whole"
      label="What a drag holds to"
      :choices="{ free: 'none', corners: 'corners', middles: 'middles' }"
    />
  </div>
  <p v-if="corners.on && corners.picked.length === 0" class="form-text mt-2">
    Drag a corner, or an outline for both its ends; the model follows at once. Shift on a click adds; a double click on
    an outline picks its whole row.
  </p>
  <CornerGroup v-if="corners.on" />
</template>
