import { ref, shallowRef, watch } from "vue";
import { api, type Followed } from "@/api/client";
import type { OperationFacts, Operations, Watched } from "@/api/types";
import { useJob } from "@/stores/job";
import { useMessages } from "@/stores/messages";
import { inWords, useWork } from "@/stores/work";

type Watchable = "pack" | "relax";
export type Step<N extends Watchable> = Omit<Watched, "facts"> & { facts: OperationFacts[N] };

/**
 * An operation that the server does step by step before the painter's eyes. Nothing is changed until what is seen is
 * kept.
 */
export function useWatched<N extends Watchable>(name: N) {
  const jobs = useJob();
  const messages = useMessages();
  const work = useWork();
  const running = ref(false);
  const steps = shallowRef<Step<N>[]>([]);
  let control: AbortController | null = null;

  async function start(parameters: Operations[N]) {
    const job = jobs.job;
    if (!job) return;
    forget();
    const mine = (control = new AbortController());
    running.value = true;
    try {
      const watching = async (followed: Followed) => {
        for await (const step of api.watch(job.id, job.revision, name, parameters, followed))
          if (mine === control) steps.value = [...steps.value, step as Step<N>];
      };
      await work.follow(inWords(name), watching, mine.signal);
    } catch (error) {
      // Stopped here, or by the button of all work; what was seen stays.
      const stopped = mine.signal.aborted || (error as Error).name === "AbortError";
      if (!stopped) messages.fail(error);
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

  watch(
    () => jobs.job?.revision,
    () => {
      if (steps.value.length > 0) messages.stale();
      forget();
    },
    { flush: "sync" },
  );

  return { running, steps, start, stop, forget, leave };
}
