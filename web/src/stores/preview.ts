import { defineStore } from "pinia";
import { watch } from "vue";
import { api } from "@/api/client";
import type { OperationName, Operations, Preview } from "@/api/types";
import { useAnswer } from "@/composables/useAnswer";
import { useJob } from "./job";
import { useMessages } from "./messages";

/** A change that is shown on the sheet before it is taken. */
export const usePreview = defineStore("preview", () => {
  const jobs = useJob();
  const messages = useMessages();
  const {
    value: shown,
    asking: looking,
    ask,
    forget: leave,
  } = useAnswer<Preview & { take: () => Promise<boolean> }>({ label: "Preview" });

  // Before the answer itself is dropped.
  watch(
    () => jobs.job?.revision,
    () => shown.value && messages.stale(),
    { flush: "sync" },
  );

  /** @param take what taking it does, where that is more than the change itself */
  const show = <N extends OperationName>(
    name: N,
    parameters: Operations[N],
    take: () => Promise<boolean> = () => jobs.operate(name, parameters),
  ) =>
    ask(async (id, revision, followed) => ({
      ...(await api.preview(id, revision, name, parameters, followed)),
      take,
    }));

  async function take() {
    const preview = shown.value;
    leave();
    return preview !== null && preview.take();
  }

  return { shown, looking, show, take, leave };
});
