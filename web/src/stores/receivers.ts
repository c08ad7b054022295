import { useStorage } from "@vueuse/core";
import { defineStore } from "pinia";
import { shallowRef } from "vue";
import { api } from "@/api/client";
import type { Receiver } from "@/api/types";
import { useMessages } from "./messages";

/** Those who are sent textures and models, kept by the server for all jobs. */
export const useReceivers = defineStore("receivers", () => {
  const messages = useMessages();
  const list = shallowRef<Receiver[]>([]);
  /** what was kept in the browser before the server did */
  const former = useStorage<Receiver[]>("sheet-trace-receivers", []);

  async function run(what: () => Promise<Receiver[]>): Promise<boolean> {
    try {
      list.value = await what();
      return true;
    } catch (error) {
      messages.fail(error);
      return false;
    }
  }
  const keep = (receiver: Receiver) => run(() => api.keepReceiver(receiver));

  async function open() {
    for (const receiver of [...former.value]) {
      if (await keep(receiver)) former.value = former.value.filter(({ name }) => name !== receiver.name);
    }
    await run(api.receivers);
  }

  return {
    list,
    open,
    keep,
    remove: (name: string) => run(() => api.removeReceiver(name)),
    load: (file: File) => run(() => api.loadReceivers(file)),
  };
});
