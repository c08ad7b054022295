import { defineStore } from "pinia";
import type { RelaxStep } from "@/api/types";
import { useJob } from "./job";
import { useWatched } from "./watched";

/** Islands that are relaxed step by step. */
export const useRelaxing = defineStore("relaxing", () => {
  const jobs = useJob();
  const { told: steps, start: watch, forget, ...rest } = useWatched<RelaxStep>("relaxations");
  let parameters: object = {};

  function start(chosen: { islands: number[]; border: string; pins: number[] }) {
    parameters = chosen;
    return watch(chosen);
  }

  async function keep() {
    const done = steps.value.at(-1)?.step;
    rest.stop();
    if (done) await jobs.operate("relax", { ...parameters, steps: done });
    forget();
  }

  return { ...rest, steps, start, keep, forget };
});
