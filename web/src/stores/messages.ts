import { defineStore } from "pinia";
import { ref } from "vue";

/** What the last action did, and what went wrong. */
export const useMessages = defineStore("messages", () => {
  const done = ref("");
  const failure = ref("");

  function say(text: string) {
    done.value = text;
    failure.value = "";
  }

  function fail(error: unknown) {
    failure.value = error instanceof Error ? error.message : String(error);
  }

  /** A preview was open while the job changed. */
  function stale() {
    say(`${done.value ? `${done.value}; what` : "What"} was shown is of the state before, so ask for it again`);
  }

  function dismiss() {
    failure.value = "";
  }

  return { done, failure, say, fail, stale, dismiss };
});
