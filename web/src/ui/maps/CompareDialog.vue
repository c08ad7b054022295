<script setup lang="ts">
/** A kept map beside the present one, with the figures of both. */
import { BModal, BTable } from "bootstrap-vue-next";
import { computed, watch } from "vue";
import { api } from "@/api/client";
import type { ComparedFigures, IslandChange, KeptSheetMap, SheetMap, Summary } from "@/api/types";
import { useAnswer } from "@/composables/useAnswer";
import { useJob } from "@/stores/job";
import { useCutting } from "@/stages/cut/cutting";
import MapModel from "./MapModel.vue";
import MapPicture from "./MapPicture.vue";

/** the kept map by its number; null closes the dialog */
const index = defineModel<number | null>({ required: true });
const cutting = useCutting();
const jobs = useJob();
const MOST = 8;
const { value: maps, ask, forget } = useAnswer<[KeptSheetMap, SheetMap]>();

const open = computed({
  get: () => index.value !== null && maps.value !== null,
  set: (on) => !on && (index.value = null),
});
const figure = (value: number | null, decimals: number) => (value === null ? "endless" : value.toFixed(decimals));
/** What it is, its figures on both, and whether the kept or the present one is better, as the server says. */
const rows = computed(() => {
  if (!maps.value) return [];
  const [kept, present] = maps.value;
  const row = (text: string, shown: (summary: Summary) => string, figure?: keyof ComparedFigures) => ({
    text,
    shown: [shown(kept.summary), shown(present.summary)],
    better: figure ? [kept.compared[figure] > 0, kept.compared[figure] < 0] : [false, false],
  });
  return [
    row("Islands", ({ islands }) => String(islands)),
    row("Mean stretch", ({ stretch_mean }) => figure(stretch_mean, 3), "stretch_mean"),
    row("Worst stretch", ({ stretch_worst }) => figure(stretch_worst, 3), "stretch_worst"),
    row(
      "Density, px/mm",
      ({ density_px_per_mm }) => density_px_per_mm.map((value) => value.toFixed(2)).join(" to "),
      "density_px_per_mm",
    ),
    row("Sheet used", ({ used }) => `${(100 * used).toFixed(1)} %`, "used"),
    row("Reading mirrored", ({ turned }) => String(turned), "turned"),
  ];
});

/** what lies on the sheet of the kept map, or of the present one */
const picture = (side: number) => api.urls.worn(jobs.job!.id, jobs.job!.revision, side === 0 ? index.value : null);

/** the kept map and the present one */
const SIDES = ["kept", "present"] as const;
const fields = computed(() => [
  { key: "text", label: "Figure", isRowHeader: true },
  ...SIDES.map((key, i) => ({ key, label: maps.value?.[i]!.name ?? "", class: "text-end" })),
]);

/** What was done to an island since, in words. */
function since(change: IslandChange): string {
  if (change.cut_anew) return "cut anew";
  const words = [];
  if (change.moved_px! >= 0.01) words.push(`moved ${change.moved_px!.toFixed(1)} px`);
  if (Math.abs(change.turn_deg!) >= 0.01) words.push(`turned ${change.turn_deg!.toFixed(1)}°`);
  if (Math.abs(change.scale! - 1) >= 0.0001) words.push(`scaled to ${(100 * change.scale!).toFixed(1)} %`);
  if (change.reflected) words.push("reflected");
  return words.join(", ");
}

watch(index, async (now) => {
  forget();
  if (
    now !== null &&
    !(await ask((id, revision) => Promise.all([api.keptMap(id, revision, now), api.map(id, revision)])))
  )
    index.value = null;
});

async function goBack() {
  const chosen = index.value;
  index.value = null;
  if (chosen !== null) await cutting.run("take_kept_map", { index: chosen });
}
</script>

<template>
  <BModal
    v-model="open"
    :title="`${maps?.[0].name ?? ''} and the map as it is now`"
    size="xl"
    ok-title="Go back to it"
    ok-variant="secondary"
    cancel-title="Stay with the present one"
    @ok="goBack"
  >
    <div v-if="maps" class="pair">
      <figure v-for="(map, i) in maps" :key="map.name" class="mb-0">
        <figcaption class="mb-1 fw-bold">{{ map.name }}</figcaption>
        <div class="side">
          <MapPicture :map="map" :picture="picture(i)" />
          <MapModel :map="map" :kept="i === 0 ? index : null" :picture="picture(i)" />
        </div>
      </figure>
    </div>
    <BTable v-if="maps" class="mt-3" :items="rows" :fields="fields" small>
      <template v-for="(key, i) in SIDES" :key="key" #[`cell(${key})`]="{ item }">
        <span class="num" :class="{ better: item.better[i] }">{{ item.shown[i] }}{{ item.better[i] ? " ✓" : "" }}</span>
      </template>
    </BTable>
    <div v-if="maps">
      <strong>Since then:</strong>
      <template v-if="maps[0].changes.length === 0"> every island lies where it lay.</template>
      <ul v-else class="d-flex flex-wrap column-gap-4 mb-0 list-unstyled">
        <li v-for="change in maps[0].changes.slice(0, MOST)" :key="change.name">
          {{ change.name }} {{ since(change) }}
        </li>
        <li v-if="maps[0].changes.length > MOST">and {{ maps[0].changes.length - MOST }} more</li>
      </ul>
    </div>
  </BModal>
</template>

<style scoped>
.pair {
  display: grid;
  gap: 18px;
  grid-template-columns: 1fr 1fr;
}
.side {
  display: grid;
  align-items: center;
  gap: 8px;
  grid-template-columns: 1fr 1fr;
}
.better {
  color: var(--bs-success-text-emphasis);
  font-weight: 650;
}
</style>
