import { defineStore } from "pinia";
import { computed, ref, shallowRef, watch } from "vue";
import type { Pair } from "@/api/types";
import { useSurface } from "./surface";

const MOST = 2;

/** Corners of islands that are picked on the sheet to be placed exactly: points of the map, the first one first. */
export const useCorners = defineStore("corners", () => {
  const surfaces = useSurface();
  const on = ref(false);
  const picked = shallowRef<number[]>([]);

  const places = computed<Pair[]>(() => {
    const { points } = surfaces;
    return points ? picked.value.map((point) => [points[2 * point]!, points[2 * point + 1]!]) : [];
  });

  /** The island that a point is of. */
  const islandOf = (point: number) => surfaces.surface?.pointIslands[point] ?? null;

  /** Picks one; with extend a second one, or lets it go. */
  function pick(point: number, extend: boolean) {
    if (!extend) picked.value = [point];
    else if (picked.value.includes(point)) picked.value = picked.value.filter((one) => one !== point);
    else picked.value = [...picked.value.slice(-(MOST - 1)), point];
  }

  /** The point of the map nearest to a place. */
  function at(place: Pair, reach: number): number | null {
    const { points } = surfaces;
    let best: number | null = null;
    let least = reach;
    for (let point = 0; points && point < points.length / 2; point += 1) {
      const far = Math.hypot(points[2 * point]! - place[0], points[2 * point + 1]! - place[1]);
      if (far < least) [best, least] = [point, far];
    }
    return best;
  }

  function clear() {
    const was = picked.value.length > 0;
    picked.value = [];
    return was;
  }

  watch(() => surfaces.surface, clear);

  return { on, picked, places, islandOf, pick, at, clear };
});
