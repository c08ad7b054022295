import { defineStore } from "pinia";
import { computed, ref, shallowRef } from "vue";
import { api, ApiError } from "@/api/client";
import type { Job, OperationName, Operations, Picture } from "@/api/types";
import { useMessages } from "./messages";

/** The job on the screen, as the server last told it. Every change goes through operate, undo or redo. */
export const useJob = defineStore("job", () => {
  const messages = useMessages();
  const job = shallowRef<Job | null>(null);
  const pending = ref(0);
  let queue: Promise<unknown> = Promise.resolve();

  const islands = computed(() => job.value?.islands ?? []);
  const layers = computed(() => job.value?.artwork.layers ?? []);
  const saved = computed(() => pending.value === 0);

  async function open(id: string) {
    job.value = null;
    job.value = await api.job(id);
  }

  function close() {
    job.value = null;
  }

  /** Looks again after a change made elsewhere. */
  async function refresh(revision?: number) {
    if (!job.value || pending.value > 0 || revision === job.value.revision) return;
    await look(job.value.id);
  }

  async function look(id: string) {
    try {
      job.value = await api.job(id);
    } catch (error) {
      messages.fail(error);
    }
  }

  /** Changes are sent one after the other, each on top of the last. Gives false if the server refused. */
  function change(send: (current: Job) => Promise<Job>): Promise<boolean> {
    pending.value += 1;
    const run = queue.then(async () => {
      if (!job.value) return false;
      try {
        job.value = await send(job.value);
        messages.say(job.value.done);
        return true;
      } catch (error) {
        messages.fail(error);
        if (error instanceof ApiError && error.status === 409) await look(job.value.id);
        return false;
      } finally {
        pending.value -= 1;
      }
    });
    queue = run.catch(() => undefined);
    return run;
  }

  const operate = <N extends OperationName>(name: N, parameters: Operations[N]) =>
    change((current) => api.operate(current.id, current.revision, name, parameters));
  const undo = () => change((current) => api.undo(current.id));
  const redo = () => change((current) => api.redo(current.id));
  const rename = (name: string) => change((current) => api.renameJob(current.id, name));

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

  return { job, islands, layers, saved, open, close, refresh, operate, undo, redo, rename, bringPictures };
});
