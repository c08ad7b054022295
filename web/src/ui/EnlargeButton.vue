<script setup lang="ts">
/** Gives a view the whole width, and takes it back. */
import { PhCornersIn, PhCornersOut } from "@/ui/icons";
import { BButton } from "bootstrap-vue-next";
import { computed } from "vue";
import { useBench, type View } from "@/stores/bench";

const { view } = defineProps<{ view: View }>();
const bench = useBench();
const on = computed(() => bench.alone === view);
const text = computed(() => (on.value ? "Sheet and proof side by side" : `Show the ${view} alone`));
</script>

<template>
  <BButton
    variant="outline-secondary"
    size="sm"
    :title="`${text} ( ${view[0]} )`"
    :aria-label="text"
    @click="bench.enlarge(view)"
  >
    <component :is="on ? PhCornersIn : PhCornersOut" :size="14" aria-hidden="true" />
  </BButton>
</template>
