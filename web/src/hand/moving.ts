import { defineStore } from "pinia";
import { shallowRef } from "vue";
import type { Pair } from "@/api/types";

/**
 * What a hand moves on the sheet at the moment, so that the proof shows it at once: where places of islands go, and
 * points of the map by px.
 */
export interface Moving {
  islands: Set<number>;
  place: (x: number, y: number) => Pair;
  points: Set<number>;
  shift: Pair;
}

export const useMoving = defineStore("moving", () => {
  const now = shallowRef<Moving | null>(null);
  return { now };
});

/** A place of the sheet as it is while things are moved. */
export function placeWhile(moving: Moving | null, x: number, y: number, point: number, island: number): Pair {
  if (!moving) return [x, y];
  if (moving.points.has(point)) return [x + moving.shift[0], y + moving.shift[1]];
  return moving.islands.has(island) ? moving.place(x, y) : [x, y];
}

export function byMatrix({ a, b, c, d, e, f }: DOMMatrix): Moving["place"] {
  return (x, y) => [a * x + c * y + e, b * x + d * y + f];
}
