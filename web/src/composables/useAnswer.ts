import { ref, shallowRef, watch } from "vue";
import type { ShallowRef, Ref } from "vue";
import { ApiError, type Followed } from "@/api/client";
import { useJob } from "@/stores/job";
import { useMessages } from "@/stores/messages";
import { useWork } from "@/stores/work";

interface Options {
  /** what the answer is good for once it is there: it is forgotten when this changes; the revision if it is not said */
  goodFor?: () => unknown;
  /** a hint only: what goes wrong is not told */
  quiet?: boolean;
  /** what is shown where it takes long */
  label?: string;
  /** the former answer stays until the next one is there */
  keep?: boolean;
}

export interface Answer<T> {
  /** the last answer that still holds; null before there is one */
  value: ShallowRef<T | null>;
  asking: Ref<boolean>;
  /** Asks about the revision on the screen; gives null where the server refused, or what came is no longer wanted. */
  ask: (question: (id: string, revision: number, followed: Followed) => Promise<T>) => Promise<T | null>;
  /** Drops the question, if one is open; the answer stays. */
  stop: () => void;
  /** Drops the answer, and the question if one is open; gives whether there was one. */
  forget: () => boolean;
}

/**
 * Questions that each stand for themselves: null where the server refused, or the job is another by the time it
 * answers.
 */
export function useQuestions(goodFor?: () => unknown) {
  const jobs = useJob();
  const messages = useMessages();
  const subject = goodFor ?? (() => jobs.job?.revision);
  return async <T>(question: (id: string, revision: number) => Promise<T>): Promise<T | null> => {
    const job = jobs.job;
    if (!job) return null;
    const about = subject();
    try {
      const found = await question(job.id, job.revision);
      return subject() === about ? found : null;
    } catch (error) {
      messages.fail(error);
      return null;
    }
  };
}

/**
 * One question to the server about the revision on the screen, and its answer. A later question replaces an earlier
 * one; what comes too late is dropped.
 */
export function useAnswer<T>({ goodFor, quiet = false, keep = false, label = "Looking" }: Options = {}): Answer<T> {
  const jobs = useJob();
  const work = useWork();
  const messages = useMessages();
  const value = shallowRef<T | null>(null);
  const asking = ref(false);
  const subject = goodFor ?? (() => jobs.job?.revision);
  let control: AbortController | null = null;

  async function ask(question: (id: string, revision: number, followed: Followed) => Promise<T>) {
    const job = jobs.job;
    if (!job) return null;
    control?.abort();
    const mine = (control = new AbortController());
    const about = subject();
    asking.value = true;
    try {
      const found = await work.follow(label, (followed) => question(job.id, job.revision, followed), mine.signal);
      const moved = subject() !== about || (!keep && jobs.job?.revision !== job.revision);
      if (mine !== control || moved) return null;
      return (value.value = found);
    } catch (error) {
      const left = mine.signal.aborted || (error instanceof ApiError && error.code === "cancelled");
      if (!left && !quiet && subject() === about) messages.fail(error);
      return null;
    } finally {
      if (mine === control) asking.value = false;
    }
  }

  function stop() {
    control?.abort();
    control = null;
    asking.value = false;
  }

  function forget() {
    const was = value.value !== null || asking.value;
    stop();
    value.value = null;
    return was;
  }

  if (!keep) watch(subject, forget);

  return { value, asking, ask, stop, forget };
}
