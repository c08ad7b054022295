import type { Pair } from "@/api/types";
import type { Tool } from "@/hand/tool";
import { useJob } from "@/stores/job";
import { useSelection } from "@/stores/selection";
import type { Hit } from "../hits";

/** What lies under a place of the view, the nearest first. */
export type HitsAt = (at: Pair) => Hit[];

/**
 * Lights and picks islands on the model; clicked again, the one behind in the same place. A drag is the model's own: it
 * turns.
 */
export function usePickIsland(hitsAt: HitsAt): Tool {
  const jobs = useJob();
  const selection = useSelection();
  /** what lies in one place under the pointer, and which of it was picked last */
  let pile = { key: "", at: 0 };

  function look(at: Pair) {
    const hits = hitsAt(at);
    const key = hits.map((hit) => hit.face).join();
    if (key !== pile.key) pile = { key, at: 0 };
    selection.hovered = hits[pile.at]?.island ?? null;
    selection.touched = hits[pile.at]?.point ?? null;
    const names = hits.map((hit) => (hit.part === null ? "" : (jobs.job?.parts[hit.part]?.name ?? "")));
    if (names.join() !== selection.stacked.join()) selection.stacked = names;
  }

  return {
    hit: () => null,
    hover(at) {
      if (at) look(at);
      else {
        selection.hovered = selection.touched = null;
        selection.stacked = [];
      }
    },
    press(at) {
      look(at);
      return true;
    },
    release(at, event, clicks) {
      if (!clicks) return;
      const hits = hitsAt(at);
      const hit = hits[pile.at] ?? null;
      selection.pick(hit?.island ?? null, event.shiftKey);
      if (hits.length < 2) return;
      selection.spot = { faces: [hit!.face], islands: [] };
      pile.at = (pile.at + 1) % hits.length;
    },
  };
}
