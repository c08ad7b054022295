import { defineStore } from "pinia";
import { computed } from "vue";
import { useRelaxing } from "@/stages/cut/relaxing";
import { usePacking } from "@/stages/layout/packing";
import { usePreview } from "./preview";

interface Begun {
  /** what it is, in words */
  what: string;
  take: () => Promise<unknown>;
  leave: () => unknown;
}

/** What is shown and neither taken nor left. */
export const useBegun = defineStore("begun", () => {
  const previews = usePreview();
  const packing = usePacking();
  const relaxing = useRelaxing();

  const now = computed((): Begun | null => {
    if (previews.shown) return { what: previews.shown.sentence, take: previews.take, leave: previews.leave };
    if (packing.shown)
      return { what: "The packing that is shown on the sheet", take: packing.take, leave: packing.forget };
    if (relaxing.last && !relaxing.still)
      return { what: `Relaxing, at step ${relaxing.last.step}`, take: relaxing.keep, leave: relaxing.forget };
    return null;
  });

  return { now };
});
