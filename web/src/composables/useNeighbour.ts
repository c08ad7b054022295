import { computed } from "vue";
import { useSelection } from "@/stores/selection";
import { useSurface } from "@/stores/surface";

/** The island across the seam that is nearest to the pointer on the sheet; null where there is none. */
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

  return computed<number | null>(() => {
    const { surface, points } = surfaces;
    const at = selection.pointer;
    if (!surface || !points || !at || selection.hovered === null) return null;
    let best: number | null = null;
    let least = Infinity;
    for (const edge of seams.value.get(selection.hovered) ?? []) {
      const a = 2 * surface.edges[2 * edge]!;
      const b = 2 * surface.edges[2 * edge + 1]!;
      const distance = distanceTo(at.x, at.y, points[a]!, points[a + 1]!, points[b]!, points[b + 1]!);
      if (distance < least) {
        least = distance;
        best = surface.edgeNeighbours[edge]!;
      }
    }
    return best;
  });
}

/** From a point to a line between two others. */
function distanceTo(x: number, y: number, ax: number, ay: number, bx: number, by: number): number {
  const length = (bx - ax) ** 2 + (by - ay) ** 2;
  const share = length === 0 ? 0 : Math.min(Math.max(((x - ax) * (bx - ax) + (y - ay) * (by - ay)) / length, 0), 1);
  return Math.hypot(x - ax - share * (bx - ax), y - ay - share * (by - ay));
}
