import { defineStore } from "pinia";
import type { Operations } from "@/api/types";
import { useJob } from "@/stores/job";
import { useWatched } from "@/composables/useWatched";

/** Islands that are relaxed step by step. */
export const useRelaxing = defineStore("relaxing", () => {
  const jobs = useJob();
  const { steps, start: watch, forget, ...rest } = useWatched("relax");
  let parameters: Operations["relax"] = { islands: [] };

  function start(chosen: Operations["relax"]) {
    parameters = chosen;
    return watch(chosen);
  }

  async function keep() {
    const done = steps.value.at(-1)?.facts.step;
    rest.stop();
    if (done) await jobs.operate("relax", { ...parameters, steps: done });
    forget();
  }

  return { ...rest, steps, start, keep, forget };
});
