<script setup lang="ts">
/** What the look of sheet and model says: sizes of the chart, bands of a map, and its worst faces to step through. */
import { BButton } from "bootstrap-vue-next";
import { computed, onMounted, ref, watch } from "vue";
import { api } from "@/api/client";
import type { Legends, MeasureKind, WorstFace } from "@/api/types";
import { useAnswer } from "@/composables/useAnswer";
import { useJob } from "@/stores/job";
import { useSelection } from "@/stores/selection";
import { useSettings } from "@/stores/settings";

const jobs = useJob();
const settings = useSettings();
const selection = useSelection();
const at = ref(-1);

const kind = computed<MeasureKind | null>(() =>
  settings.look === "stretch" || settings.look === "density" ? settings.look : null,
);
const { value: legends, ask: askLegends } = useAnswer<Legends>({ goodFor: () => null });
const { value: faces, ask } = useAnswer<WorstFace[]>({ goodFor: () => `${kind.value} ${jobs.job?.revision}` });
const worst = computed(() => faces.value ?? []);
const bands = computed(() => {
  const list = kind.value ? (legends.value?.[kind.value] ?? []) : [];
  const number = (value: number) => (kind.value === "density" ? `${Math.round((value - 1) * 100)} %` : String(value));
  return list.map((band, i) => ({
    ...band,
    text: band.upto === null ? `over ${number(list[i - 1]!.upto!)}` : `to ${number(band.upto)}`,
  }));
});
const current = computed(() => worst.value[at.value]);

onMounted(() => askLegends(() => api.legends()));

watch(
  [kind, () => jobs.job?.revision],
  ([now]) => {
    at.value = -1;
    if (now) void ask((id, revision) => api.worstFaces(id, revision, now));
  },
  { immediate: true },
);

function step(by: number) {
  at.value = at.value < 0 ? 0 : (at.value + by + worst.value.length) % worst.value.length;
  const face = current.value;
  if (face) selection.lookAt({ faces: [face.face], islands: [face.island] });
}

function figure(face: WorstFace) {
  if (face.value === null) return "endless";
  return kind.value === "density"
    ? `${face.value > 1 ? "+" : ""}${((face.value - 1) * 100).toFixed(1)} %`
    : face.value.toFixed(3);
}

/** The hatching of a band, as on the sheet. */
function swatch(band: { color: string; period_px: number }) {
  const lines =
    band.period_px > 0
      ? `repeating-linear-gradient(135deg, #0005 0 1.5px, transparent 1.5px ${band.period_px}px), `
      : "";
  return { background: `${lines}${band.color}` };
}
</script>

<template>
  <div v-if="kind || settings.look === 'chart' || settings.look === 'checker'">
    <template v-if="kind">
      <ul class="d-flex flex-wrap column-gap-3 mb-1 list-unstyled">
        <li v-for="band in bands" :key="band.text" class="d-flex align-items-center gap-1 text-nowrap">
          <i :style="swatch(band)"></i><span class="num">{{ band.text }}</span>
        </li>
      </ul>
      <div class="d-flex flex-wrap align-items-center column-gap-2">
        <span class="w-100">{{
          kind === "stretch" ? "Ratio of the two principal stretches" : "Density beside the median of the islands"
        }}</span>
        <template v-if="worst.length > 0">
          <BButton variant="secondary" size="sm" aria-label="Face before" @click="step(-1)">‹</BButton>
          <span class="num">{{
            current ? `face ${at + 1} of ${worst.length}: ${figure(current)}` : "worst faces"
          }}</span>
          <BButton variant="secondary" size="sm" aria-label="Next worst face" @click="step(1)">›</BButton>
        </template>
      </div>
    </template>
    <template v-else-if="jobs.job">
      A square is {{ jobs.job.chart_square_mm }} mm at {{ jobs.job.density_px_per_mm.toFixed(2) }} px/mm.
      {{
        settings.look === "chart"
          ? "Oblongs are stretched, turned letters lie turned, backward letters are mirrored."
          : "Oblongs are stretched, unequal squares differ in density."
      }}
    </template>
  </div>
</template>

<style scoped>
i {
  width: 26px;
  height: 15px;
  border: 1px solid var(--rule-strong);
  border-radius: 2px;
}
</style>
