<script setup lang="ts">
/** The sheet's zoom, and ways to change it. */
import { BButton, BButtonGroup } from "bootstrap-vue-next";
import { useMediaQuery } from "@vueuse/core";
import { useSelection } from "@/stores/selection";
import EnlargeButton from "@/ui/EnlargeButton.vue";

defineProps<{
  percent: number;
  /** a touch picks islands; what else is picked is added anyway */
  islands: boolean;
}>();
const emit = defineEmits<{ zoom: [factor: number]; fit: []; actual: [] }>();
const selection = useSelection();
const byTouch = useMediaQuery("(any-pointer: coarse)");
</script>

<template>
  <BButton
    v-if="byTouch && islands"
    variant="outline-secondary"
    size="sm"
    class="adding"
    :pressed="selection.adding"
    title="Every island that is touched is added to the pick, or let go"
    @click="selection.adding = !selection.adding"
    >Add to pick</BButton
  >
  <BButtonGroup class="zoom-tools" size="sm" aria-label="Zoom">
    <BButton variant="outline-secondary" title="Zoom out ( - )" aria-label="Zoom out" @click="emit('zoom', 0.8)"
      >−</BButton
    >
    <output class="num btn btn-outline-secondary" aria-label="Zoom">{{ percent }} %</output>
    <BButton variant="outline-secondary" title="Zoom in ( + )" aria-label="Zoom in" @click="emit('zoom', 1.25)"
      >+</BButton
    >
    <BButton variant="outline-secondary" title="Whole sheet ( 0 )" @click="emit('fit')">Whole</BButton>
    <BButton variant="outline-secondary" title="One sheet px to one screen px" @click="emit('actual')">1:1</BButton>
    <EnlargeButton view="sheet" />
  </BButtonGroup>
</template>

<style scoped>
.adding {
  position: absolute;
  bottom: 12px;
  left: 34px;
}
.zoom-tools {
  position: absolute;
  right: 12px;
  bottom: 12px;
}
output {
  min-width: 58px;
  pointer-events: none;
}
</style>
