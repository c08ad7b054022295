<script setup lang="ts">
/** Relaxing before the painter's eyes: started, stopped, and kept or forgotten. */
import { BButton } from "bootstrap-vue-next";
import { computed, ref } from "vue";
import { counted, usePicks } from "@/stores/picks";
import { STILL, useRelaxing } from "@/stages/cut/relaxing";
import ChoiceBar from "@/ui/ChoiceBar.vue";
import FoldSection from "@/ui/FoldSection.vue";
import NoteBox from "@/ui/NoteBox.vue";
import TakeCard from "@/ui/TakeCard.vue";

const props = defineProps<{ islands: number[]; named: string }>();
const picks = usePicks();
const relaxing = useRelaxing();
const border = ref<"free" | "held">("free");

const pins = computed(() => [...picks.sets.corners]);
const last = computed(() => relaxing.last);
const percent = (spacing: number) => `${(100 * (spacing - 1)).toFixed(2)} %`;
/** The last steps changed nothing to speak of. */
const atRest = computed(() => {
  const former = relaxing.steps.at(-2)?.facts;
  return !!last.value && !!former && Math.abs(last.value.spacing - former.spacing) < STILL;
});
const begin = () => relaxing.start({ islands: [...props.islands], border: border.value, pins: pins.value });
</script>

<template>
  <FoldSection title="Relax">
    <ChoiceBar v-model="border" class="w-100" label="Border" :choices="{ free: 'Free border', held: 'Border held' }" />
    <p class="form-text">
      {{ pins.length === 0 ? "Pick corners to hold them where they are." : `${counted(pins.length, "corners")} held.` }}
    </p>
    <div class="row-of">
      <BButton v-if="relaxing.running" variant="secondary" @click="relaxing.stop()">Stop</BButton>
      <BButton v-else variant="secondary" @click="begin">Relax {{ named }}</BButton>
    </div>
    <NoteBox v-if="last && relaxing.still && !relaxing.running" plain class="mt-2">
      {{ named }} is at rest as it lies: spacing is off by {{ percent(last.spacing) }}, and nothing can be evened out.
    </NoteBox>
    <TakeCard
      v-else-if="last"
      aria-label="Relaxing"
      take="Keep it"
      :undecided="!relaxing.running"
      @take="relaxing.keep()"
      @leave="relaxing.forget()"
    >
      <span class="num"
        >Step {{ last.step }}: spacing off by {{ percent(last.spacing_before) }} -> {{ percent(last.spacing)
        }}{{ atRest ? ", at rest" : "" }}</span
      >
    </TakeCard>
  </FoldSection>
</template>
