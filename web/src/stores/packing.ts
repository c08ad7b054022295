import { defineStore } from "pinia";
import { computed, ref } from "vue";
import type { Packing } from "@/api/types";
import { useJob } from "./job";
import { useWatched } from "./watched";

/** Attempts at packing, of which one is looked at on the sheet and taken. */
export const usePacking = defineStore("packing", () => {
  const jobs = useJob();
  const { told: attempts, start: watch, ...rest } = useWatched<Packing>("packings");
  const picked = ref<number | null>(null);
  let parameters: object = {};

  const best = computed(() => attempts.value.reduce<Packing | null>((one, other) => (one && one.density_px_per_mm >= other.density_px_per_mm ? one : other), null));
  /** the picked one, or else the best so far */
  const shown = computed(() => attempts.value.find((one) => one.attempt === picked.value) ?? best.value);

  function start(chosen: object) {
    picked.value = null;
    parameters = chosen;
    return watch(chosen);
  }

  async function take() {
    const attempt = shown.value?.attempt;
    rest.stop();
    if (attempt !== undefined) await jobs.operate("pack", { ...parameters, attempt });
    rest.forget();
  }

  return { ...rest, attempts, picked, best, shown, start, take };
});
