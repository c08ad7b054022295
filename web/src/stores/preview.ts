import { defineStore } from "pinia";
import { api } from "@/api/client";
import type { OperationName, Operations, Preview } from "@/api/types";
import { useAnswer } from "@/composables/useAnswer";
import { useJob } from "./job";

/** A change that is shown on the sheet before it is taken. */
export const usePreview = defineStore("preview", () => {
  const jobs = useJob();
  const { value: shown, asking: looking, ask, forget: leave } = useAnswer<Preview & { take: () => Promise<boolean> }>();

  const show = <N extends OperationName>(name: N, parameters: Operations[N]) =>
    ask(async (id, revision) => ({
      ...(await api.preview(id, revision, name, parameters)),
      take: () => jobs.operate(name, parameters),
    }));

  async function take() {
    const preview = shown.value;
    leave();
    return preview !== null && preview.take();
  }

  return { shown, looking, show, take, leave };
});
