import type { PickKind, Picks } from "@/api/types";
import type { usePicks } from "@/stores/picks";

/** A way to find more of a kind from what is picked. */
export interface Way {
  text: string;
  way: keyof Picks;
  /** what it starts from: picked elements of the same kind, picked ones of another, picked islands, or nothing */
  from: "picked" | PickKind | "islands" | "nothing";
  /** degrees at first, where it has a limit */
  angle_deg?: number;
}

export const WAYS: Record<PickKind, Way[]> = {
  faces: [
    { text: "up to the seams", way: "piece", from: "picked" },
    { text: "of picked islands", way: "islands", from: "islands" },
    { text: "of the same part", way: "part", from: "picked" },
    { text: "of the same material", way: "material", from: "picked" },
    { text: "facing the same way", way: "facing", from: "picked", angle_deg: 30 },
    { text: "going on flat", way: "flat", from: "picked", angle_deg: 5 },
    { text: "between picked edges", way: "carry", from: "edges" },
    { text: "between picked corners", way: "carry", from: "corners" },
  ],
  edges: [
    { text: "that bend more than", way: "angle", from: "nothing", angle_deg: 60 },
    { text: "round picked faces", way: "rim", from: "faces" },
    { text: "of picked faces", way: "carry", from: "faces" },
    { text: "between picked corners", way: "carry", from: "corners" },
    { text: "of picked islands", way: "islands", from: "islands" },
    { text: "of seams as drawn", way: "seams", from: "nothing" },
    { text: "of seams of the map", way: "map_seams", from: "nothing" },
  ],
  corners: [
    { text: "of picked edges", way: "carry", from: "edges" },
    { text: "of picked faces", way: "carry", from: "faces" },
    { text: "of picked islands", way: "islands", from: "islands" },
    { text: "up to the seams", way: "piece", from: "picked" },
  ],
};

/** What a way starts from, and how many there are of it; without any it finds nothing. */
export function start(
  way: Way,
  kind: PickKind,
  picks: ReturnType<typeof usePicks>,
  islands: number[],
): { count: number; from: Picks[keyof Picks] } {
  const angle = (way.angle_deg === undefined ? {} : { angle_deg: way.angle_deg }) as { angle_deg: number };
  if (way.from === "nothing") return { count: 1, from: angle };
  if (way.from === "islands") return { count: islands.length, from: { islands } };
  const picked = [...picks.sets[way.from === "picked" ? kind : way.from]];
  if (way.way === "rim") return { count: picked.length, from: { faces: picked } };
  return {
    count: picked.length,
    from: way.way === "carry" ? { of: way.from as PickKind, picked } : { picked, ...angle },
  };
}
