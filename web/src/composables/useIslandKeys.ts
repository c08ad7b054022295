import type { Operations } from "@/api/types";
import { useJob } from "@/stores/job";
import { useSelection } from "@/stores/selection";
import { useSettings } from "@/stores/settings";
import { useKeys } from "./useKeys";

/** Nudging and turning the picked islands by keys, in a stage where they can be moved. */
export function useIslandKeys(movable: () => boolean) {
  const jobs = useJob();
  const selection = useSelection();
  const settings = useSettings();

  function transform(parameters: Partial<Operations["transform_islands"]>): boolean {
    if (!movable() || selection.islands.length === 0) return false;
    void jobs.operate("transform_islands", { islands: [...selection.islands], ...parameters });
    return true;
  }

  const nudge = (dx: number, dy: number) => ({
    "": () => transform({ move_px: [dx, dy] }),
    "Shift+": () => transform({ move_px: [10 * dx, 10 * dy] }),
    "Alt+": () => transform({ move_px: [dx / 10, dy / 10] }),
  });
  const arrows = { ArrowLeft: nudge(-1, 0), ArrowRight: nudge(1, 0), ArrowUp: nudge(0, -1), ArrowDown: nudge(0, 1) };
  const actions = Object.entries(arrows).flatMap(([key, held]) =>
    Object.entries(held).map(([prefix, action]) => [prefix + key, action] as const),
  );

  useKeys({
    ...Object.fromEntries(actions),
    ",": () => transform({ turn_deg: -settings.turn_step_deg }),
    ".": () => transform({ turn_deg: settings.turn_step_deg }),
    "<": () => transform({ turn_deg: -90 }),
    ">": () => transform({ turn_deg: 90 }),
  });
}
