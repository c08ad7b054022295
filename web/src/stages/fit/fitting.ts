import { defineStore } from "pinia";
import { computed, ref, watch } from "vue";
import { useJob } from "@/stores/job";
import { useSettings } from "@/stores/settings";

export type FitPage = "picture" | "cells" | "landmarks" | "match";

/** The work of the fit stage: which tools are shown, and the cell that is picked. */
export const useFitting = defineStore("fitting", () => {
  const jobs = useJob();
  const settings = useSettings();
  const page = ref<FitPage>("picture");
  /** the stage is on the screen */
  const active = ref(false);
  /** of the underlay shown */
  const cell = ref<number | null>(null);
  /** of the job's landmarks */
  const landmark = ref<number | null>(null);

  const fit_setup = computed(() => jobs.job?.fit_setup ?? { shown: null, inset_px: 0, underlays: [], landmarks: [] });
  const underlay = computed(() =>
    fit_setup.value.shown === null ? null : fit_setup.value.underlays[fit_setup.value.shown]!,
  );
  const cells = computed(() => underlay.value?.cells ?? []);

  watch([() => jobs.job?.id, () => fit_setup.value.shown, () => cells.value.length], () => (cell.value = null));
  watch(
    () => fit_setup.value.landmarks.length,
    (count) => {
      if (landmark.value !== null && landmark.value >= count) landmark.value = null;
    },
  );
  // A picture that is laid under the islands is what one wants to see; without one, the art.
  watch(
    () => [jobs.job?.id, fit_setup.value.shown] as const,
    ([id, shown], before) => {
      if (shown === null && settings.look === "underlay") settings.look = "art";
      else if (shown !== null && before?.[0] === id && shown !== before?.[1]) settings.look = "underlay";
    },
  );

  return { page, active, cell, landmark, fit_setup, underlay, cells };
});
