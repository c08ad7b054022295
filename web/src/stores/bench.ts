import { useStorage } from "@vueuse/core";
import { defineStore } from "pinia";
import { computed, ref } from "vue";

export type View = "sheet" | "proof";

/** share of the width that either view keeps */
const LEAST_SHARE = 0.15;

/** How the bench is divided among its views, kept in the browser. */
export const useBench = defineStore("bench", () => {
  /** of the width of both views, the sheet's */
  const share = useStorage("sheet-trace-sheet-share", 0.6);
  const strip = useStorage("sheet-trace-strip", true);
  const inspector = useStorage("sheet-trace-inspector", true);
  /** the view that has the whole width for a while */
  const alone = ref<View | null>(null);

  const columns = computed(() => {
    const views =
      alone.value === null ? `minmax(0, ${share.value}fr) 7px minmax(0, ${1 - share.value}fr)` : "minmax(0, 1fr)";
    return `84px ${views}${inspector.value ? " 266px" : ""}`;
  });

  function divide(at: number) {
    share.value = Math.min(Math.max(at, LEAST_SHARE), 1 - LEAST_SHARE);
  }

  /** Gives a view the whole width, or takes it back. */
  function enlarge(view: View) {
    alone.value = alone.value === view ? null : view;
  }

  return { share, strip, inspector, alone, columns, divide, enlarge };
});
