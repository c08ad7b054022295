import { defineStore } from "pinia";
import { computed, reactive, ref } from "vue";
import type { Operations } from "@/api/types";
import { useJob } from "@/stores/job";
import { useWatched } from "@/composables/useWatched";

/** Attempts at packing, of which one is looked at on the sheet and taken. */
export const usePacking = defineStore("packing", () => {
  const jobs = useJob();
  const { steps, start: watch, ...rest } = useWatched("pack");
  /** Those that came out alike are shown once. */
  const attempts = computed(() => {
    const seen = new Set<string>();
    return steps.value.filter(({ facts: { share_used, density_px_per_mm } }) => {
      const figures = `${share_used.toFixed(4)} ${density_px_per_mm.toFixed(3)}`;
      return !seen.has(figures) && seen.add(figures);
    });
  });
  const picked = ref<number | null>(null);
  let parameters: Operations["pack"] = {};

  /** what packing keeps to; it stays as it was chosen */
  const choices = reactive({
    turn: "quarter" as "none" | "quarter" | "free",
    /** islands with art are not turned; null: as goes with the turns */
    upright: null as boolean | null,
    keep_scale: false,
    in_order: false,
  });

  const best = computed(() => attempts.value.findLast(({ facts }) => facts.best) ?? null);
  /** the picked one, or else the best so far */
  const shown = computed(() => attempts.value.find(({ facts }) => facts.attempt === picked.value) ?? best.value);

  function start(chosen: Operations["pack"]) {
    picked.value = null;
    parameters = chosen;
    return watch(chosen);
  }

  async function take() {
    const attempt = shown.value?.facts.attempt;
    rest.stop();
    if (attempt !== undefined) await jobs.operate("pack", { ...parameters, attempt });
    rest.forget();
  }

  return { ...rest, attempts, choices, picked, best, shown, start, take };
});
