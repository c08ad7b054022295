import { defineStore } from "pinia";
import { computed, ref, watch } from "vue";
import { useJob } from "./job";
import { useSettings } from "./settings";

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

  /** The smallest cell that a place of the sheet lies in. */
  function cellAt([x, y]: [number, number]): number | null {
    let best: number | null = null;
    let least = Infinity;
    cells.value.forEach((one, index) => {
      const across = one.corners_px.map((corner) => corner[0]);
      const down = one.corners_px.map((corner) => corner[1]);
      const inside =
        x >= Math.min(...across) && x <= Math.max(...across) && y >= Math.min(...down) && y <= Math.max(...down);
      if (inside && one.width * one.height < least) [best, least] = [index, one.width * one.height];
    });
    return best;
  }

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

  return { page, active, cell, landmark, fit_setup, underlay, cells, cellAt };
});
