import type { Pair } from "@/api/types";
import type { Surface } from "@/stores/surface";
import type { Box } from "./handles";

/** One island's lines and faces, in px of the sheet. */
export interface IslandShape {
  faces: Path2D;
  edges: Path2D;
  outline: Path2D;
  /** of inner edges: how many, and as long as they are together, px */
  edgeCount: number;
  edgeLength: number;
}

/** Faces as one path, and the box round them; null where none of them lies on the sheet. */
export function facesShape(
  surface: Surface,
  points: Float32Array,
  faces: Iterable<number>,
): { path: Path2D; box: Box } | null {
  const wanted = new Set(faces);
  const path = new Path2D();
  const box = { left: Infinity, top: Infinity, right: -Infinity, bottom: -Infinity };
  surface.triangleFaces.forEach((face, k) => {
    if (!wanted.has(face)) return;
    for (let corner = 0; corner < 3; corner += 1) {
      const point = surface.trianglePoints[3 * k + corner]!;
      const [x, y] = [points[2 * point]!, points[2 * point + 1]!];
      if (corner === 0) path.moveTo(x, y);
      else path.lineTo(x, y);
      box.left = Math.min(box.left, x);
      box.top = Math.min(box.top, y);
      box.right = Math.max(box.right, x);
      box.bottom = Math.max(box.bottom, y);
    }
    path.closePath();
  });
  return box.left > box.right ? null : { path, box };
}

/**
 * Builds the paths of islands, or takes those of before.
 *
 * @param former the paths of as many islands, and which of them lie elsewhere now
 */
export function islandShapes(
  surface: Surface,
  points: Float32Array,
  count: number,
  former: { shapes: IslandShape[]; moved: Set<number> } | null = null,
): IslandShape[] {
  const moved = former?.moved;
  const shapes = Array.from(
    { length: count },
    (_, island) =>
      (!moved?.has(island) && former?.shapes[island]) || {
        faces: new Path2D(),
        edges: new Path2D(),
        outline: new Path2D(),
        edgeCount: 0,
        edgeLength: 0,
      },
  );
  if (moved?.size === 0) return shapes;
  const { trianglePoints, triangleIslands, edges, edgeOutlines, pointIslands } = surface;
  const at = (point: number): [number, number] => [points[2 * point]!, points[2 * point + 1]!];
  for (let k = 0; k < triangleIslands.length; k += 1) {
    const island = triangleIslands[k]!;
    if (moved && !moved.has(island)) continue;
    const shape = shapes[island];
    if (!shape) continue;
    const path = shape.faces;
    // Filled only, which closes it; to close each triangle by itself takes far longer.
    path.moveTo(...at(trianglePoints[3 * k]!));
    path.lineTo(...at(trianglePoints[3 * k + 1]!));
    path.lineTo(...at(trianglePoints[3 * k + 2]!));
  }
  for (let e = 0; e < edgeOutlines.length; e += 1) {
    const from = edges[2 * e]!;
    const island = pointIslands[from]!;
    if (moved && !moved.has(island)) continue;
    const shape = shapes[island];
    if (!shape) continue;
    const path = edgeOutlines[e] ? shape.outline : shape.edges;
    const [start, end] = [at(from), at(edges[2 * e + 1]!)];
    path.moveTo(...start);
    path.lineTo(...end);
    if (edgeOutlines[e]) continue;
    shape.edgeCount += 1;
    shape.edgeLength += Math.hypot(end[0] - start[0], end[1] - start[1]);
  }
  return shapes;
}

/** Islands of which a point lies elsewhere. */
export function movedIslands({ pointIslands }: Surface, before: Float32Array, now: Float32Array): Set<number> {
  const moved = new Set<number>();
  for (let point = 0; point < pointIslands.length; point += 1)
    if (before[2 * point] !== now[2 * point] || before[2 * point + 1] !== now[2 * point + 1])
      moved.add(pointIslands[point]!);
  return moved;
}

/** Edges of the model wherever they lie on the sheet: a seam's edge lies there twice. */
export function edgesShape(surface: Surface, points: Float32Array, edges: Iterable<number>): Path2D {
  const wanted = new Set(edges);
  const path = new Path2D();
  if (wanted.size === 0) return path;
  surface.edgeMeshEdges.forEach((edge, row) => {
    if (!wanted.has(edge)) return;
    const [a, b] = [2 * surface.edges[2 * row]!, 2 * surface.edges[2 * row + 1]!];
    path.moveTo(points[a]!, points[a + 1]!);
    path.lineTo(points[b]!, points[b + 1]!);
  });
  return path;
}

/** Where vertices lie on the sheet, px. */
export function vertexPlaces(surface: Surface, points: Float32Array, vertices: Iterable<number>): Pair[] {
  const wanted = new Set(vertices);
  const places: Pair[] = [];
  if (wanted.size === 0) return places;
  surface.pointVertices.forEach((vertex, point) => {
    if (wanted.has(vertex)) places.push([points[2 * point]!, points[2 * point + 1]!]);
  });
  return places;
}

/** @param lines x and y of both ends, one after the other, in hundredths of a px */
export function linesShape(lines: number[]): Path2D {
  const path = new Path2D();
  for (let i = 0; i < lines.length; i += 4) {
    path.moveTo(lines[i]! / 100, lines[i + 1]! / 100);
    path.lineTo(lines[i + 2]! / 100, lines[i + 3]! / 100);
  }
  return path;
}
