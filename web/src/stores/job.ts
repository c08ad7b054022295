import { defineStore } from "pinia";
import { computed, ref, shallowRef } from "vue";
import { api, ApiError, type Followed } from "@/api/client";
import type { Job, OperationName, Operations, Picture } from "@/api/types";
import { useMessages } from "./messages";
import { inWords, useWork } from "./work";

/** The job on the screen, as the server last told it. Every change goes through operate, undo or redo. */
export const useJob = defineStore("job", () => {
  const messages = useMessages();
  const work = useWork();
  const job = shallowRef<Job | null>(null);
  const pending = ref(0);
  let queue: Promise<unknown> = Promise.resolve();

  const islands = computed(() => job.value?.islands ?? []);
  const layers = computed(() => job.value?.artwork.layers ?? []);
  const saved = computed(() => pending.value === 0);

  async function open(id: string) {
    job.value = late.value = null;
    job.value = await api.job(id);
  }

  function close() {
    job.value = null;
  }

  /** a change that came too late, as another page was quicker: what it was, and the way to do it all the same */
  const late = shallowRef<{ label: string; again: () => Promise<boolean> } | null>(null);

  /** Looks again after a change made elsewhere. */
  async function refresh(revision?: number) {
    if (!job.value || pending.value > 0 || revision === job.value.revision) return;
    await look(job.value);
  }

  async function look(before: Job) {
    try {
      const now = await api.jobSince(before);
      if (now.revision !== before.revision) messages.say(`Another page: ${now.done}`);
      job.value = now;
    } catch (error) {
      messages.fail(error);
    }
  }

  /** Changes are sent one after the other, each on top of the last. Gives false if the server refused. */
  function change(label: string, send: (current: Job, followed: Followed) => Promise<Job>): Promise<boolean> {
    pending.value += 1;
    late.value = null;
    const run = queue.then(async () => {
      if (!job.value) return false;
      const before = job.value;
      try {
        job.value = await work.follow(label, (followed) => send(job.value!, followed));
        messages.say(job.value.done);
        return true;
      } catch (error) {
        const code = error instanceof ApiError ? error.code : "";
        if (code === "conflict") late.value = { label, again: () => change(label, send) };
        if (code === "cancelled") messages.say(`${label} stopped; nothing was changed`);
        else messages.fail(error);
        // Where it was stopped, it may have been done already.
        if (code === "conflict" || code === "cancelled") await look(before);
        return false;
      } finally {
        pending.value -= 1;
      }
    });
    queue = run.catch(() => undefined);
    return run;
  }

  const operate = <N extends OperationName>(name: N, parameters: Operations[N]) =>
    change(inWords(name), (current, followed) => api.operate(current, name, parameters, followed));
  const undo = () => change("Undo", (current) => api.undo(current));
  const redo = () => change("Redo", (current) => api.redo(current));
  const goBack = (revision: number) => change("Go back", (current) => api.goBack(current, revision));
  const rename = (name: string) => change("Rename", (current) => api.renameJob(current.id, name));

  /**
   * Brings a picture into the job, and each of its layers; gives the whole one first, and nothing if the server
   * refused.
   */
  async function bringPictures(file: File): Promise<Picture[]> {
    if (!job.value) return [];
    try {
      const { pictures, notes } = await api.bringPicture(job.value.id, file);
      job.value = await api.job(job.value.id);
      if (notes.length > 0) messages.say(notes.join("; "));
      return pictures;
    } catch (error) {
      messages.fail(error);
      return [];
    }
  }

  return {
    job,
    islands,
    layers,
    saved,
    late,
    open,
    close,
    refresh,
    operate,
    undo,
    redo,
    goBack,
    rename,
    bringPictures,
  };
});
