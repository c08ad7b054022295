<script setup lang="ts">
/** Relaxing before the painter's eyes: started, stopped, and kept or forgotten. */
import { BButton } from "bootstrap-vue-next";
import { computed, ref } from "vue";
import { counted, usePicks } from "@/stores/picks";
import { useRelaxing } from "@/stages/cut/relaxing";
import ChoiceBar from "@/ui/ChoiceBar.vue";
import TakeCard from "@/ui/TakeCard.vue";

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
  <p class="form-text">
    {{ pins.length === 0 ? "Pick corners to hold them where they are." : `${counted(pins.length, "corners")} held.` }}
  </p>
  <div class="row-of">
    <BButton v-if="relaxing.running" variant="primary" @click="relaxing.stop()">Stop</BButton>
    <BButton v-else variant="secondary" @click="begin">Relax {{ named }}</BButton>
  </div>
  <TakeCard
    v-if="last"
    aria-label="Relaxing"
    take="Keep it"
    :undecided="!relaxing.running"
    @take="relaxing.keep()"
    @leave="relaxing.forget()"
  >
    <span class="num">Step {{ last.step }}: spacing off by {{ last.spacing.toFixed(4) }}{{ change }}</span>
  </TakeCard>
</template>
