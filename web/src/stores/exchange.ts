import { useDocumentVisibility, useIntervalFn } from "@vueuse/core";
import { defineStore } from "pinia";
import { computed, shallowRef, watch } from "vue";
import { api } from "@/api/client";
import type { Exchange } from "@/api/types";
import { useJob } from "./job";
import { useMessages } from "./messages";

/** How often what came into the folder is asked for. */
const EVERY_MS = 1500;
const NONE: Exchange = { folder: null, gone: false, files: [] };

/** The job's exchange folder: what is saved in it by any program shows on the model. */
export const useExchange = defineStore("exchange", () => {
  const jobs = useJob();
  const messages = useMessages();
  const visible = useDocumentVisibility();
  const state = shallowRef<Exchange>(NONE);

  const folder = computed(() => state.value.folder);
  const gone = computed(() => state.value.gone);
  const files = computed(() => state.value.files);

  async function run(what: (id: string) => Promise<Exchange>, quiet = false) {
    const id = jobs.job?.id;
    if (!id) return;
    try {
      const now = await what(id);
      if (jobs.job?.id === id) state.value = now;
    } catch (error) {
      if (!quiet) messages.fail(error);
    }
  }
  const look = () => run(api.exchange, true);

  watch(
    () => jobs.job?.id,
    () => {
      state.value = NONE;
      void look();
    },
    { immediate: true },
  );
  useIntervalFn(() => folder.value && visible.value === "visible" && void look(), EVERY_MS);

  /** Writes what an address gives into the folder. */
  async function write(url: string): Promise<boolean> {
    try {
      messages.say(await api.intoFolder(url));
      await look();
      return true;
    } catch (error) {
      messages.fail(error);
      return false;
    }
  }

  return { folder, gone, files, open: () => run(api.openExchange), close: () => run(api.closeExchange), write };
});
