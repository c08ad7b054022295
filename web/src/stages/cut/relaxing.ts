import { defineStore } from "pinia";
import { computed } from "vue";
import type { Operations } from "@/api/types";
import { useJob } from "@/stores/job";
import { useWatched } from "@/composables/useWatched";

/** less than this is no change of the spacing that a painter could see, as a share */
export const STILL = 0.00005;

/** Islands that are relaxed step by step. */
export const useRelaxing = defineStore("relaxing", () => {
  const jobs = useJob();
  const { steps, start: watch, forget, ...rest } = useWatched("relax");
  let parameters: Operations["relax"] = { islands: [] };

  function start(chosen: Operations["relax"]) {
    parameters = chosen;
    return watch(chosen);
  }

  const last = computed(() => steps.value.at(-1)?.facts ?? null);
  /** nothing was there to even out, so that there is nothing to keep */
  const still = computed(() => !!last.value && last.value.spacing_before - last.value.spacing < STILL);

  async function keep() {
    const done = last.value?.step;
    rest.stop();
    if (done) await jobs.operate("relax", { ...parameters, steps: done });
    forget();
  }

  return { ...rest, steps, last, still, start, keep, forget };
});
