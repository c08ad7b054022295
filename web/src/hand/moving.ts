import { defineStore } from "pinia";
import { shallowRef } from "vue";
import type { Pair, PreviewedIsland } from "@/api/types";

/**
 * What a hand moves on the sheet at the moment, so that the proof shows it at once: where places of islands go, and
 * points of the map by px.
 */
export interface Moving {
  islands: Pick<Set<number>, "has">;
  place: (x: number, y: number, island: number) => Pair;
  points: Set<number>;
  shift: Pair;
}

/** What is shown as a preview, for the proof to wear: the islands that are only moved. */
export function previewed(islands: Pick<PreviewedIsland, "index" | "move_px">[]): Moving | null {
  const moves = new Map(islands.flatMap(({ index, move_px }) => (move_px ? [[index, move_px] as const] : [])));
  if (moves.size === 0) return null;
  const place = (x: number, y: number, island: number): Pair => {
    const [a = 1, b = 0, c = 0, d = 0, e = 1, f = 0] = moves.get(island) ?? [];
    return [a * x + b * y + c, d * x + e * y + f];
  };
  return { islands: moves, place, points: new Set(), shift: [0, 0] };
}

export const useMoving = defineStore("moving", () => {
  const now = shallowRef<Moving | null>(null);
  return { now };
});

/** A place of the sheet as it is while things are moved. */
export function placeWhile(moving: Moving | null, x: number, y: number, point: number, island: number): Pair {
  if (!moving) return [x, y];
  if (moving.points.has(point)) return [x + moving.shift[0], y + moving.shift[1]];
  return moving.islands.has(island) ? moving.place(x, y, island) : [x, y];
}

export function byMatrix({ a, b, c, d, e, f }: DOMMatrix): Moving["place"] {
  return (x, y) => [a * x + c * y + e, b * x + d * y + f];
}
