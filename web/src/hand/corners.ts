import { defineStore } from "pinia";
import { computed, ref, shallowRef, watch } from "vue";
import type { Pair } from "@/api/types";
import { useSurface } from "@/stores/surface";

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
    else if (picked.value.includes(point)) picked.value = picked.value.filter((other) => other !== point);
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

  /** Both ends of the outline that is nearest to a place. */
  function edgeAt([x, y]: Pair, reach: number): [number, number] | null {
    const { points, surface } = surfaces;
    if (!points || !surface) return null;
    let best: [number, number] | null = null;
    let least = reach;
    surface.edgeOutlines.forEach((outline, row) => {
      if (!outline) return;
      const [a, b] = [surface.edges[2 * row]!, surface.edges[2 * row + 1]!];
      const [ax, ay, dx, dy] = [
        points[2 * a]!,
        points[2 * a + 1]!,
        points[2 * b]! - points[2 * a]!,
        points[2 * b + 1]! - points[2 * a + 1]!,
      ];
      const share = Math.min(Math.max(((x - ax) * dx + (y - ay) * dy) / Math.max(dx * dx + dy * dy, 1e-12), 0), 1);
      const far = Math.hypot(x - ax - dx * share, y - ay - dy * share);
      if (far < least) [best, least] = [[a, b], far];
    });
    return best;
  }

  /** Picks the corner at a place, or else both ends of the edge there. */
  function pickAt(place: Pair, reach: number, extend: boolean) {
    const point = at(place, reach);
    if (point !== null) {
      if (extend || !picked.value.includes(point)) pick(point, extend);
      return;
    }
    const edge = edgeAt(place, reach);
    if (edge && !edge.every((end) => picked.value.includes(end))) picked.value = edge;
  }

  function clear() {
    const was = picked.value.length > 0;
    picked.value = [];
    return was;
  }

  watch(() => surfaces.surface, clear);

  return { on, picked, places, islandOf, pick, pickAt, at, edgeAt, clear };
});
