import { Box3, Color, Vector3 } from "three";
import type { Surface } from "@/stores/surface";
import { HATCHES } from "./hatch";

/** Tints of pieces: told apart by lightness and by their hatching too. */
const TINTS = ["#f2d9a6", "#7fa9a3", "#e0a58c", "#5b7c99", "#d8d2e3", "#8f6d8a", "#c3d3a2", "#a98d62"].map(
  (color) => new Color(color),
);

/** The box round all of a model, faces without a place on the sheet too; model units. */
export const boxOf = ({ positions, barePositions }: Surface) =>
  new Box3().setFromArray(positions).union(new Box3().setFromArray(barePositions));

/** The length from corner to corner of a box. */
export const lengthOf = (box: Box3) => box.getSize(new Vector3()).length();

/** Corners of the triangles of faces, or else of islands, one after the other; model units. */
export function cornersOf(surface: Surface, faces: Set<number> | null, islands: Set<number> | null): number[] {
  const corners: number[] = [];
  surface.triangleFaces.forEach((face, k) => {
    if (faces ? faces.has(face) : islands?.has(surface.triangleIslands[k]!))
      corners.push(...surface.positions.subarray(9 * k, 9 * k + 9));
  });
  surface.bareFaces.forEach((face, k) => {
    if (faces?.has(face)) corners.push(...surface.barePositions.subarray(9 * k, 9 * k + 9));
  });
  return corners;
}

/** The edges that only one of some triangles has, by their places; pairs of places as the corners are given. */
export function rimOf(corners: number[]): number[] {
  const ends = new Map<string, number[] | null>();
  for (let corner = 0; corner < corners.length / 3; corner += 1) {
    const next = corner % 3 === 2 ? corner - 2 : corner + 1;
    const line = [corner, next].map((at) => corners.slice(3 * at, 3 * at + 3));
    const key = line.map(String).sort().join(" ");
    ends.set(key, ends.has(key) ? null : line.flat());
  }
  return [...ends.values()].flatMap((line) => line ?? []);
}

/** A short line out of the middle of each face that is shown; pairs of places, model units. */
export function facingLines(surface: Surface, hidden: Set<number>, length: number): number[] {
  const lines: number[] = [];
  const [a, b, c] = [new Vector3(), new Vector3(), new Vector3()];
  let last = -1;
  surface.triangleFaces.forEach((face, k) => {
    if (face === last || hidden.has(surface.triangleParts[k]!)) return;
    last = face;
    [a, b, c].forEach((corner, i) => corner.fromArray(surface.positions, 9 * k + 3 * i));
    const middle = a.clone().add(b).add(c).divideScalar(3);
    const out = b.sub(a).cross(c.sub(a)).setLength(length).add(middle);
    lines.push(...middle.toArray(), ...out.toArray());
  });
  return lines;
}

/** Edges of islands on parts that are shown; pairs of places, model units. */
export function edgeLines(surface: Surface, hidden: Set<number>, wanted: (edge: number) => boolean): number[] {
  const { trianglePoints, triangleParts, edges, positions } = surface;
  /** of each point a corner of a triangle that is shown */
  const cornerOf = new Int32Array(surface.pointIslands.length).fill(-1);
  for (let corner = 0; corner < trianglePoints.length; corner += 1)
    if (hidden.size === 0 || !hidden.has(triangleParts[Math.floor(corner / 3)]!))
      cornerOf[trianglePoints[corner]!] = corner;
  const lines: number[] = [];
  for (let edge = 0; edge < surface.edgeOutlines.length; edge += 1) {
    if (!wanted(edge)) continue;
    const ends = [cornerOf[edges[2 * edge]!]!, cornerOf[edges[2 * edge + 1]!]!];
    if (ends.includes(-1)) continue;
    for (const corner of ends) lines.push(...positions.subarray(3 * corner, 3 * corner + 3));
  }
  return lines;
}

/** The outlines of islands, as edgeLines gives them. */
export function outlines(surface: Surface, hidden: Set<number>, islands: Set<number>): number[] {
  if (islands.size === 0) return [];
  const of = (edge: number) => surface.pointIslands[surface.edges[2 * edge]!]!;
  return edgeLines(surface, hidden, (edge) => surface.edgeOutlines[edge] === 1 && islands.has(of(edge)));
}

/** A tint and a hatching for each triangle by the number of its piece, pieces of neighbouring numbers apart. */
export function tintsOf(pieces: Int32Array) {
  const colors = new Float32Array(pieces.length * 9);
  const hatch = new Float32Array(pieces.length * 3);
  pieces.forEach((piece, k) => {
    hatch.fill((piece + (piece >> 3)) % HATCHES, 3 * k, 3 * k + 3);
    for (let corner = 0; corner < 3; corner += 1) TINTS[piece % TINTS.length]!.toArray(colors, 9 * k + 3 * corner);
  });
  return { colors, hatch };
}
