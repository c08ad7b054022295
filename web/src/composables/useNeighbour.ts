import { computed } from "vue";
import { useSelection } from "@/stores/selection";
import { useSurface } from "@/stores/surface";

/**
 * The island across the seam that is nearest to the pointer, on the sheet or on the model; null where there is none.
 */
export function useNeighbour() {
  const selection = useSelection();
  const surfaces = useSurface();

  /** rows of the outlines of each island that have a neighbour */
  const seams = computed(() => {
    const surface = surfaces.surface;
    const rows = new Map<number, number[]>();
    surface?.edgeNeighbours.forEach((neighbour, edge) => {
      if (neighbour < 0) return;
      const island = surface.pointIslands[surface.edges[2 * edge]!]!;
      const list = rows.get(island);
      if (list) list.push(edge);
      else rows.set(island, [edge]);
    });
    return rows;
  });

  /** a corner of the model that each point of the sheet stands for */
  const corners = computed(() => {
    const place = new Map<number, number>();
    surfaces.surface?.trianglePoints.forEach((point, corner) => place.set(point, corner));
    return place;
  });

  function placeOf(point: number): number[] {
    if (selection.touched) {
      const corner = corners.value.get(point)!;
      return [...surfaces.surface!.positions.subarray(3 * corner, 3 * corner + 3)];
    }
    return [surfaces.points![2 * point]!, surfaces.points![2 * point + 1]!];
  }

  return computed<number | null>(() => {
    const { surface, points } = surfaces;
    const at = selection.touched ?? (selection.pointer && [selection.pointer.x, selection.pointer.y]);
    if (!surface || !points || !at || selection.hovered === null) return null;
    let best: number | null = null;
    let least = Infinity;
    for (const edge of seams.value.get(selection.hovered) ?? []) {
      const distance = distanceTo(at, placeOf(surface.edges[2 * edge]!), placeOf(surface.edges[2 * edge + 1]!));
      if (distance < least) {
        least = distance;
        best = surface.edgeNeighbours[edge]!;
      }
    }
    return best;
  });
}

/** From a point to a line between two others, in the plane or in space. */
export function distanceTo(at: number[], a: number[], b: number[]): number {
  const along = a.map((value, i) => b[i]! - value);
  const length = along.reduce((sum, value) => sum + value * value, 0);
  const dot = along.reduce((sum, value, i) => sum + value * (at[i]! - a[i]!), 0);
  const share = length === 0 ? 0 : Math.min(Math.max(dot / length, 0), 1);
  return Math.hypot(...a.map((value, i) => at[i]! - value - share * along[i]!));
}
