import { defineStore } from "pinia";
import { computed, ref, shallowRef, watch } from "vue";
import type { Pair } from "@/api/types";
import type { Box } from "@/sheet/handles";
import { useSelection } from "@/stores/selection";
import { useSurface, type Surface } from "@/stores/surface";

/** A border goes on in a row where it turns by no more than this. */
const STRAIGHT = Math.cos(Math.PI / 6);

/** Corners of islands that are picked on the sheet to be placed exactly: points of the map, the first one first. */
export const useCorners = defineStore("corners", () => {
  const surfaces = useSurface();
  const selection = useSelection();
  const on = ref(false);
  const picked = shallowRef<number[]>([]);

  const places = computed<Pair[]>(() => {
    const { points } = surfaces;
    return points ? picked.value.map((point) => [points[2 * point]!, points[2 * point + 1]!]) : [];
  });

  /** The island that a point is of. */
  const islandOf = (point: number) => surfaces.surface?.pointIslands[point] ?? null;

  /** Picks one; with extend another one, or lets it go. */
  function pick(point: number, extend: boolean) {
    if (!extend) picked.value = [point];
    else if (picked.value.includes(point)) picked.value = picked.value.filter((other) => other !== point);
    else picked.value = [...picked.value, point];
  }

  /** The point of the map nearest to a place; those of picked islands before others. */
  function at(place: Pair, reach: number): number | null {
    const { points, surface } = surfaces;
    const wanted = new Set(selection.islands);
    let best: number | null = null;
    let least = [1, reach] as [number, number];
    for (let point = 0; points && point < points.length / 2; point += 1) {
      const far = Math.hypot(points[2 * point]! - place[0], points[2 * point + 1]! - place[1]);
      const other = wanted.has(surface?.pointIslands[point] ?? -1) ? 0 : 1;
      if (far < reach && (other < least[0] || (other === least[0] && far < least[1])))
        [best, least] = [point, [other, far]];
    }
    return best;
  }

  /** Picks all corners of a border in a row, both ways on from the edge at a place, as far as it runs straight on. */
  function pickRow(place: Pair, reach: number, extend: boolean) {
    const [edge, { surface, points }] = [edgeAt(place, reach), surfaces];
    if (!edge || !surface || !points) return;
    const beside = neighbours(surface);
    const way = (a: number, b: number) => {
      const [x, y] = [points[2 * b]! - points[2 * a]!, points[2 * b + 1]! - points[2 * a + 1]!];
      const length = Math.hypot(x, y) || 1;
      return [x / length, y / length] as Pair;
    };
    const row = new Set<number>(edge);
    for (let [from, at] of [edge, [edge[1], edge[0]]] as [number, number][])
      for (;;) {
        const [x, y] = way(from, at);
        const next = beside.get(at)?.find((point) => {
          const [dx, dy] = way(at, point);
          return !row.has(point) && x * dx + y * dy >= STRAIGHT;
        });
        if (next === undefined) break;
        row.add(next);
        [from, at] = [at, next];
      }
    picked.value = extend ? [...new Set([...picked.value, ...row])] : [...row];
  }

  /** Picks all corners in a box, of picked islands where some are picked. */
  function pickIn({ left, top, right, bottom }: Box) {
    const { points, surface } = surfaces;
    if (!points || !surface) return;
    const wanted = new Set(selection.islands);
    const found: number[] = [];
    for (let point = 0; point < points.length / 2; point += 1) {
      const [x, y] = [points[2 * point]!, points[2 * point + 1]!];
      const inside = x >= left && x <= right && y >= top && y <= bottom;
      if (inside && (wanted.size === 0 || wanted.has(surface.pointIslands[point]!))) found.push(point);
    }
    picked.value = found;
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

  // What was put somewhere stays picked, though each change of the map numbers its points anew.
  watch(
    () => surfaces.surface,
    (now, before) => {
      picked.value = now && before ? samePoints(picked.value, before, now) : [];
    },
  );

  return { on, picked, places, islandOf, pick, pickAt, pickRow, pickIn, at, edgeAt, clear };
});

/** By point, those that an outline joins it with. */
function neighbours({ edges, edgeOutlines }: Surface): Map<number, number[]> {
  const beside = new Map<number, number[]>();
  const join = (a: number, b: number) => beside.set(a, [...(beside.get(a) ?? []), b]);
  edgeOutlines.forEach((outline, row) => {
    if (!outline) return;
    const [a, b] = [edges[2 * row]!, edges[2 * row + 1]!];
    join(a, b);
    join(b, a);
  });
  return beside;
}

/** Points of one surface as another one numbers them: the same vertices of the same islands. */
function samePoints(points: number[], before: Surface, now: Surface): number[] {
  const key = ({ pointIslands, pointVertices }: Surface, point: number) =>
    `${pointIslands[point]} ${pointVertices[point]}`;
  const numbers = new Map<string, number[]>();
  if (points.length > 0)
    now.pointVertices.forEach((_vertex, point) =>
      numbers.set(key(now, point), [...(numbers.get(key(now, point)) ?? []), point]),
    );
  return points.flatMap((point) => numbers.get(key(before, point))?.shift() ?? []);
}
