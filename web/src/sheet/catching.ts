import type { Layer, OnIsland, Pair } from "@/api/types";

/** A line of an island that what is moved lies on now. */
export interface Caught {
  axis: 0 | 1;
  at_mm: number;
  name: string;
}

interface Line {
  at_mm: number;
  name: string;
}

const ends = (lines: Line[]): Pair => [
  Math.min(...lines.map((line) => line.at_mm)),
  Math.max(...lines.map((line) => line.at_mm)),
];

/** The middle of what lies on an island and its edges, each way, mm from the island's middle. */
function features(place: OnIsland): [Line[], Line[]] {
  const [low, high] = ends(place.upright_lines);
  const [bottom, top] = ends(place.level_lines);
  const [left, right, above, below] = place.edges_mm;
  return [
    [
      { at_mm: place.x_mm, name: "middle" },
      { at_mm: low + left!, name: "left edge" },
      { at_mm: high - right!, name: "right edge" },
    ],
    [
      { at_mm: place.y_mm, name: "middle" },
      { at_mm: bottom + below!, name: "lower edge" },
      { at_mm: top - above!, name: "upper edge" },
    ],
  ];
}

/** How far the lines of an island go, mm: from left to right, and from bottom to top. */
export const extent = (place: OnIsland): [Pair, Pair] => [ends(place.upright_lines), ends(place.level_lines)];

/**
 * Moves on to where the middle or an edge of what is moved lies on a line of its island, or in line with another layer
 * there: each direction by itself, where that is within reach.
 */
export function caughtMove(
  place: OnIsland,
  others: Layer[],
  by_mm: Pair,
  reach_mm: number,
): { by_mm: Pair; caught: Caught[] } {
  const beside = others.flatMap(({ name, place: other }) =>
    other.kind === "island" && other.island === place.island
      ? [features(other).map((lines) => lines.map((line) => ({ ...line, name: `${line.name} of ${name}` })))]
      : [],
  );
  const own = features(place);
  const caught: Caught[] = [];
  const moved = by_mm.map((by, axis) => {
    const lines = [
      ...(axis === 0 ? place.upright_lines : place.level_lines),
      ...beside.flatMap((both) => both[axis] ?? []),
    ];
    let best: { off: number; line: Line } | null = null;
    for (const { at_mm } of own[axis]!)
      for (const line of lines) {
        const off = line.at_mm - at_mm - by;
        if (Math.abs(off) <= Math.min(reach_mm, best ? Math.abs(best.off) - 1e-6 : Infinity)) best = { off, line };
      }
    if (!best) return by;
    caught.push({ axis: axis as 0 | 1, at_mm: best.line.at_mm, name: best.line.name });
    return by + best.off;
  });
  return { by_mm: moved as Pair, caught };
}
