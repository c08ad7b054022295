<script setup lang="ts">
/** Relaxing before the painter's eyes: started, stopped, and kept or forgotten. */
import { computed, ref } from "vue";
import { counted, usePicks } from "@/stores/picks";
import { useRelaxing } from "@/stores/relaxing";
import ChoiceBar from "@/ui/ChoiceBar.vue";

const props = defineProps<{ islands: number[]; named: string }>();
const picks = usePicks();
const relaxing = useRelaxing();
const border = ref<"free" | "held">("free");

const pins = computed(() => [...picks.sets.corners]);
const last = computed(() => relaxing.steps.at(-1)?.facts);
const change = computed(() => {
  const former = relaxing.steps.at(-2)?.facts;
  if (!last.value || !former) return "";
  const by = last.value.spacing - former.spacing;
  return Math.abs(by) < 0.00005 ? ", at rest" : `, ${by > 0 ? "+" : "−"}${Math.abs(by).toFixed(4)}`;
});
const begin = () => relaxing.start({ islands: [...props.islands], border: border.value, pins: pins.value });
</script>

<template>
  <h3>Relax</h3>
  <ChoiceBar v-model="border" class="w-100" label="Border" :choices="{ free: 'Free border', held: 'Border held' }" />
  <p class="what">
    {{ pins.length === 0 ? "Pick corners to hold them where they are." : `${counted(pins.length, "corners")} held.` }}
  </p>
  <div class="row-of">
    <button v-if="relaxing.running" type="button" class="btn btn-primary" @click="relaxing.stop()">Stop</button>
    <button v-else type="button" class="btn-choose" @click="begin">Relax {{ named }}</button>
  </div>
  <div v-if="last" class="not-taken steps" role="status" aria-label="Relaxing">
    <p class="num">Step {{ last.step }}: spacing off by {{ last.spacing.toFixed(4) }}{{ change }}</p>
    <div v-if="!relaxing.running" class="row-of">
      <button type="button" class="btn btn-primary" @click="relaxing.keep()">Keep it</button>
      <button type="button" class="btn-choose" @click="relaxing.forget()">Leave it</button>
    </div>
  </div>
</template>

<style scoped>
.steps p {
  margin: 0 !important;
}
</style>
