import { defineStore } from "pinia";
import { ref, shallowRef, watch } from "vue";
import { api } from "@/api/client";
import type { Preview } from "@/api/types";
import { useJob } from "./job";
import { useMessages } from "./messages";

/** A change that is shown on the sheet before it is taken. */
export const usePreview = defineStore("preview", () => {
  const jobs = useJob();
  const messages = useMessages();
  const shown = shallowRef<(Preview & { name: string; parameters: object }) | null>(null);
  const looking = ref(false);

  async function show(name: string, parameters: object) {
    const job = jobs.job;
    if (!job) return;
    looking.value = true;
    try {
      const preview = await api.preview(job.id, job.revision, name, parameters);
      if (jobs.job?.revision === job.revision) shown.value = { ...preview, name, parameters };
    } catch (error) {
      messages.fail(error);
    } finally {
      looking.value = false;
    }
  }

  function leave() {
    const was = shown.value !== null;
    shown.value = null;
    return was;
  }

  async function take() {
    const preview = shown.value;
    leave();
    return preview !== null && jobs.operate(preview.name, preview.parameters);
  }

  watch(() => jobs.job?.revision, leave);

  return { shown, looking, show, take, leave };
});
