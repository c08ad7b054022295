import { computed, type Ref } from "vue";
import { useClearance } from "@/composables/useClearance";
import { useJob } from "@/stores/job";
import { useSelection } from "@/stores/selection";
import { useSettings } from "@/stores/settings";
import type { Box, Change } from "./handles";

const shortly = (value: number) => String(Math.round(value * 100) / 100);

/** Whether what is dragged comes to lie well, and what is said of it. */
export interface ChangeText {
  text: string;
  /** off the sheet, or over another island */
  wrong: boolean;
}

/**
 * What a drag of islands does, with what it comes to: the nearest island, the density, and whether it is held to
 * pixels. Null while nothing is dragged.
 */
export function useChangeText(change: Ref<Change>, moved: Ref<DOMMatrix | null>, frame: Ref<Box | null>) {
  const jobs = useJob();
  const selection = useSelection();
  const settings = useSettings();
  const clearance = useClearance({ islands: () => selection.islands, moved: () => moved.value });

  const gap = computed(() => {
    const { over = [], nearest = null, gap_px = null } = clearance.value ?? {};
    const name = (index: number) => jobs.islands[index]?.name ?? "";
    if (over.length > 0) return `, over ${name(over[0]!)}${over.length > 1 ? ` and ${over.length - 1} more` : ""}`;
    return nearest === null || gap_px === null ? "" : `, ${gap_px.toFixed(1)} px to ${name(nearest)}`;
  });
  const density = computed(() => {
    const [least, most] = clearance.value?.density_px_per_mm ?? [0, 0];
    if (most === 0) return "";
    return `, ${least.toFixed(2)}${most - least > 0.005 ? ` to ${most.toFixed(2)}` : ""} px/mm`;
  });
  const held = (doing: string) => (settings.hold === "free" ? "" : `, not held while ${doing}`);

  const off = computed(() => {
    const [matrix, box, sheet] = [moved.value, frame.value, jobs.job?.sheet];
    if (!matrix || !box || !sheet) return false;
    return [box.left, box.right].some((x) =>
      [box.top, box.bottom].some((y) => {
        const at = matrix.transformPoint(new DOMPoint(x, y));
        return at.x < 0 || at.y < 0 || at.x > sheet.width_px || at.y > sheet.height_px;
      }),
    );
  });

  const text = computed(() => {
    const { move_px, turn_deg, scale } = change.value;
    if (!moved.value) return "";
    if (turn_deg) return `${turn_deg.toFixed(1)}°${gap.value}${held("turning")}`;
    if (scale[0] !== 1 || scale[1] !== 1) {
      const percent =
        scale[0] === scale[1]
          ? `${(scale[0] * 100).toFixed(1)} %`
          : `${(scale[0] * 100).toFixed(1)} x ${(scale[1] * 100).toFixed(1)} %`;
      return `${percent}${density.value}${gap.value}${held("scaling")}`;
    }
    const holds =
      settings.hold === "free" ? "" : `, held to ${settings.hold === "gutter" ? "gutter" : `pixel ${settings.hold}`}`;
    return `${move_px.map(shortly).join(", ")} px${gap.value}${holds}`;
  });

  return computed((): ChangeText | null => {
    if (!text.value) return null;
    const over = (clearance.value?.over.length ?? 0) > 0;
    return { text: off.value ? `${text.value}, off the sheet` : text.value, wrong: off.value || over };
  });
}
