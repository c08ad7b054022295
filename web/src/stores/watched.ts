import { ref, shallowRef, watch } from "vue";
import { api } from "@/api/client";
import { useJob } from "./job";
import { useMessages } from "./messages";

/** Work that the server does step by step before the painter's eyes. Nothing is changed until what is seen is kept. */
export function useWatched<Told extends object>(work: "relaxations" | "packings") {
  const jobs = useJob();
  const messages = useMessages();
  const running = ref(false);
  const told = shallowRef<Told[]>([]);
  let control: AbortController | null = null;

  async function start(parameters: object) {
    const job = jobs.job;
    if (!job) return;
    forget();
    const mine = (control = new AbortController());
    running.value = true;
    try {
      await api.watch<Told>(job.id, job.revision, work, parameters, (one) => mine === control && (told.value = [...told.value, one]), mine.signal);
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
    told.value = [];
  }

  /** Escape: stops first, and then forgets. Gives false where there is nothing to leave. */
  function leave() {
    if (running.value) stop();
    else if (told.value.length > 0) forget();
    else return false;
    return true;
  }

  watch(() => jobs.job?.revision, forget);

  return { running, told, start, stop, forget, leave };
}
