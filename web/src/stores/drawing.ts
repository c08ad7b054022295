import { defineStore } from "pinia";
import { shallowRef } from "vue";
import type { Box } from "@/sheet/handles";

/** A rectangle that is to be drawn on the sheet next, and what takes it, in whole px. */
export const useDrawing = defineStore("drawing", () => {
  const taker = shallowRef<((box: Box) => unknown) | null>(null);
  const purpose = shallowRef("");

  function ask(what: string, done: (box: Box) => unknown) {
    purpose.value = what;
    taker.value = done;
  }

  function take(box: Box) {
    const done = taker.value;
    taker.value = null;
    done?.(box);
  }

  /** Gives false where nothing was to be drawn. */
  function leave() {
    if (!taker.value) return false;
    taker.value = null;
    return true;
  }

  return { taker, purpose, ask, take, leave };
});
