import { defineStore } from "pinia";
import { ref, shallowRef, watch } from "vue";
import { api } from "@/api/client";
import type { RelaxStep } from "@/api/types";
import { useJob } from "./job";
import { useMessages } from "./messages";

/** Islands that are relaxed step by step before the painter's eyes; nothing is changed until what is seen is kept. */
export const useRelaxing = defineStore("relaxing", () => {
  const jobs = useJob();
  const messages = useMessages();
  const running = ref(false);
  const steps = shallowRef<RelaxStep[]>([]);
  let parameters: object = {};
  let control: AbortController | null = null;

  async function start(chosen: { islands: number[]; border: string; pins: number[] }) {
    const job = jobs.job;
    if (!job) return;
    forget();
    parameters = chosen;
    const mine = (control = new AbortController());
    running.value = true;
    try {
      await api.relax(job.id, job.revision, chosen, (step) => mine === control && (steps.value = [...steps.value, step]), mine.signal);
    } catch (error) {
      if (!mine.signal.aborted) messages.fail(error);
    } finally {
      if (mine === control) running.value = false;
    }
  }

  /** Ends the work; what is seen stays on the screen. */
  function stop() {
    control?.abort();
    running.value = false;
  }

  function forget() {
    stop();
    control = null;
    steps.value = [];
  }

  /** Escape: stops first, and then forgets. Gives false where there is nothing to leave. */
  function leave() {
    if (running.value) stop();
    else if (steps.value.length > 0) forget();
    else return false;
    return true;
  }

  async function keep() {
    const done = steps.value.at(-1)?.step;
    stop();
    if (done) await jobs.operate("relax", { ...parameters, steps: done });
    forget();
  }

  watch(() => jobs.job?.revision, forget);

  return { running, steps, start, stop, keep, forget, leave };
});
