<script setup lang="ts">
/** The axis and apex of the cylinder or cone that fits, shown on the model and corrected by typing. */
import { BButton } from "bootstrap-vue-next";
import { computed } from "vue";
import { api } from "@/api/client";
import type { Triple } from "@/api/types";
import { useBand } from "@/stages/cut/band";
import { useCutting } from "@/stages/cut/cutting";
import { useJob } from "@/stores/job";
import { useMessages } from "@/stores/messages";
import NumberField from "@/ui/NumberField.vue";

const AXES = ["x", "y", "z"];
const jobs = useJob();
const cutting = useCutting();
const bands = useBand();
const messages = useMessages();
const band = computed(() => bands.shown);
const words = computed(() => {
  if (!band.value || !jobs.job) return "";
  const size =
    band.value.radius === null
      ? `half angle ${band.value.half_angle_deg.toFixed(2)}°`
      : `radius ${(band.value.radius * jobs.job.unit_mm).toFixed(2)} mm`;
  return `A ${band.value.kind}, ${size}; the surface lies within ${(band.value.error * 100).toPrecision(2)} % of it.`;
});

async function show() {
  const job = jobs.job!;
  const { faces, islands } = cutting.target;
  try {
    const all = jobs.islands.map((island) => island.index);
    await bands.show(faces ?? (await api.pick(job.id, job.revision, "islands", "faces", { islands: islands ?? all })));
  } catch (error) {
    messages.fail(error);
  }
}

const changed = (values: Triple, axis: number, value: number): Triple =>
  values.map((old, i) => (i === axis ? value : old)) as Triple;
</script>

<template>
  <div class="band mt-2">
    <BButton variant="secondary" size="sm" :disabled="bands.looking" @click="show">
      {{ band ? "Fit anew" : "Show axis" }}
    </BButton>
    <template v-if="band">
      <p class="form-text">{{ words }}</p>
      <div class="triples mb-2">
        <span>Axis</span>
        <NumberField
          v-for="(name, i) in AXES"
          :key="name"
          :label="`Axis ${name}`"
          hide-label
          :value="band.axis[i]!"
          :decimals="4"
          @change="bands.correct({ axis: changed(band.axis, i, $event) })"
        />
        <span>{{ band.kind === "cone" ? "Apex" : "Through" }}</span>
        <NumberField
          v-for="(name, i) in AXES"
          :key="name"
          :label="`Place on the axis ${name}`"
          hide-label
          :value="band.origin[i]!"
          :decimals="3"
          @change="bands.correct({ origin: changed(band.origin, i, $event) })"
        />
      </div>
      <BButton variant="secondary" size="sm" @click="bands.leave()">Remove axis</BButton>
    </template>
  </div>
</template>

<style scoped>
.triples {
  display: grid;
  align-items: center;
  gap: 5px;
  grid-template-columns: 52px repeat(3, minmax(0, 1fr));
}
</style>
