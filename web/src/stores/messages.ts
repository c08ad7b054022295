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

  function dismiss() {
    failure.value = "";
  }

  return { done, failure, say, fail, dismiss };
});
