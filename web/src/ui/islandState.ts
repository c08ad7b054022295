import type { Island } from "@/api/types";
import { shown } from "./sums";

/** What stands on an island's card. */
export interface IslandState {
  text: string;
  /** the lower, the more it needs something; NOTHING where it needs nothing */
  rank: number;
}

/** rank of an island that needs nothing */
export const NOTHING = 9;

const turned = ({ up_angle_deg }: Island, over: number) => Math.abs(up_angle_deg) > over;

/** The first of what an island may need that holds. */
export function stateOf(island: Island, overlaps: boolean): IslandState {
  const states: [boolean, string][] = [
    [island.beside_sheet, "off the sheet"],
    [island.off_sheet, "partly off"],
    [overlaps, "overlaps"],
    [island.mirrored, "mirrored"],
    [island.stretch_worst === null, "flat"],
    [island.stretched, `stretch ${shown(island.stretch_worst ?? 1, (island.stretch_worst ?? 1) < 2 ? 2 : 1)}`],
    [island.tag !== "plain" && turned(island, 135), "upside down"],
    [island.tag !== "plain" && turned(island, 45), "sideways"],
  ];
  const rank = states.findIndex(([holds]) => holds);
  if (rank >= 0) return { text: states[rank]![1], rank };
  return { text: island.tag === "plain" ? "plain" : "true shape", rank: NOTHING };
}
