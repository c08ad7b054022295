import type { Surface } from "@/stores/surface";

/** One island's lines and faces, in px of the sheet. */
export interface IslandShape {
  faces: Path2D;
  edges: Path2D;
  outline: Path2D;
}

/** Builds the paths of all islands. */
export function islandShapes(surface: Surface, points: Float32Array, count: number): IslandShape[] {
  const shapes = Array.from({ length: count }, () => ({ faces: new Path2D(), edges: new Path2D(), outline: new Path2D() }));
  const { trianglePoints, triangleIslands, edges, edgeOutlines, pointIslands } = surface;
  const at = (point: number): [number, number] => [points[2 * point]!, points[2 * point + 1]!];
  for (let k = 0; k < triangleIslands.length; k += 1) {
    const path = shapes[triangleIslands[k]!]?.faces;
    if (!path) continue;
    path.moveTo(...at(trianglePoints[3 * k]!));
    path.lineTo(...at(trianglePoints[3 * k + 1]!));
    path.lineTo(...at(trianglePoints[3 * k + 2]!));
    path.closePath();
  }
  for (let e = 0; e < edgeOutlines.length; e += 1) {
    const from = edges[2 * e]!;
    const shape = shapes[pointIslands[from]!];
    if (!shape) continue;
    const path = edgeOutlines[e] ? shape.outline : shape.edges;
    path.moveTo(...at(from));
    path.lineTo(...at(edges[2 * e + 1]!));
  }
  return shapes;
}
