import { useStorage } from "@vueuse/core";
import { defineStore } from "pinia";
import { computed, ref } from "vue";

export type View = "sheet" | "proof";

/** windows that are lower than this have the strip folded until it is opened, px */
const LOW = 600;
/** share of the width that either view keeps */
const LEAST_SHARE = 0.15;

/** How the bench is divided among its views, kept in the browser. */
export const useBench = defineStore("bench", () => {
  /** of the width of both views, the sheet's */
  const share = useStorage("sheet-trace-sheet-share", 0.6);
  // What the window's height says is not remembered for another window.
  const strip = useStorage("sheet-trace-strip", window.innerHeight >= LOW, localStorage, { writeDefaults: false });
  const inspector = useStorage("sheet-trace-inspector", true);
  /** in the strip, islands that need something come first */
  const needyFirst = useStorage("sheet-trace-needy-first", false);
  /** sections of inspectors, where the painter has folded or opened them */
  const unfolded = useStorage<Record<string, boolean>>("sheet-trace-sections", {});
  /** the view that has the whole width for a while */
  const alone = ref<View | null>(null);

  const columns = computed(() => {
    const views =
      alone.value === null ? `minmax(0, ${share.value}fr) 7px minmax(0, ${1 - share.value}fr)` : "minmax(0, 1fr)";
    return `var(--rail) ${views} ${inspector.value ? "var(--inspector)" : "var(--handle)"}`;
  });

  function unfold(section: string) {
    unfolded.value = { ...unfolded.value, [section]: true };
  }

  function divide(at: number) {
    share.value = Math.min(Math.max(at, LEAST_SHARE), 1 - LEAST_SHARE);
  }

  /** Gives a view the whole width, or takes it back. */
  function enlarge(view: View) {
    alone.value = alone.value === view ? null : view;
  }

  return { share, strip, inspector, needyFirst, unfolded, unfold, alone, columns, divide, enlarge };
});
