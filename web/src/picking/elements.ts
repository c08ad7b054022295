import { distanceTo } from "@/composables/useNeighbour";
import type { Surface } from "@/stores/surface";

/** What of the surface lies under the pointer; null where nothing of that kind is near enough to be meant. */
export interface Under {
  /** null where the face has no place on the sheet */
  island: number | null;
  face: number | null;
  edge: number | null;
  corner: number | null;
  /** the face's edge that is nearest, however far it is */
  side: number | null;
  /** the end of the edge, or of the side, that is nearer */
  end: number | null;
}

interface Corner {
  vertex: number;
  at: number[];
}

/** Faces, edges and corners of a surface, found from places on the model or on the sheet. */
export class Elements {
  private readonly faceRows = new Map<number, number[]>();
  private readonly vertexEdges: number[][];

  constructor(readonly surface: Surface) {
    const { triangleFaces, bareFaces, meshEdges, vertices } = surface;
    triangleFaces.forEach((face, row) => this.addRow(face, row));
    bareFaces.forEach((face, row) => this.addRow(face, triangleFaces.length + row));
    this.vertexEdges = Array.from({ length: vertices.length / 3 }, () => []);
    meshEdges.forEach((vertex, i) => this.vertexEdges[vertex]!.push(i >> 1));
  }

  edgeBetween(a: number, b: number): number | null {
    const { meshEdges } = this.surface;
    return this.vertexEdges[a]!.find((edge) => meshEdges[2 * edge] === b || meshEdges[2 * edge + 1] === b) ?? null;
  }

  /** Corners of the triangles of faces, 9 numbers each, model units. */
  faceCorners(faces: Iterable<number>): number[] {
    const corners: number[] = [];
    for (const face of faces) for (const row of this.faceRows.get(face) ?? []) corners.push(...this.positionsOf(row));
    return corners;
  }

  /** Ends of edges one after the other, model units, as line segments are drawn from. */
  edgeLines(edges: Iterable<number>): number[] {
    const lines: number[] = [];
    for (const edge of edges)
      for (const end of [0, 1]) lines.push(...this.place(this.surface.meshEdges[2 * edge + end]!));
    return lines;
  }

  /** Where vertices are, model units. */
  places(vertices: Iterable<number>): number[] {
    return [...vertices].flatMap((vertex) => [...this.place(vertex)]);
  }

  /** On the model, where the pointer meets a face: its nearest edge and corner are meant, however far they are. */
  onModel(face: number, at: number[]): Under {
    const corners = (this.faceRows.get(face) ?? []).flatMap((row) => {
      const places = this.positionsOf(row);
      return this.verticesOf(row).map((vertex, i) => ({ vertex, at: [...places.subarray(3 * i, 3 * i + 3)] }));
    });
    const side = this.nearestSide(corners, at);
    return {
      island: this.islandOf(face),
      face,
      edge: side,
      corner: nearest(corners, at)?.vertex ?? null,
      side,
      end: side === null ? null : this.nearerEnd(side, corners, at),
    };
  }

  /**
   * On the sheet: of faces that lie on each other the last, as it is drawn on top.
   *
   * @param points P x 2, px
   * @param reach how far off an edge or a corner may be, px
   */
  onSheet(points: Float32Array, at: [number, number], reach: number): Under {
    const face = this.faceAt(points, at);
    const corners = face === null ? [] : this.sheetCorners(face, points);
    const side = this.nearestSide(corners, at);
    const row = this.edgeRowAt(points, at, reach);
    const ends = row === null ? [] : [0, 1].map((end) => this.sheetCorner(this.surface.edges[2 * row + end]!, points));
    const point = this.pointAt(points, at, reach);
    return {
      island: face === null ? null : this.islandOf(face),
      face,
      side,
      edge: row === null ? null : this.surface.edgeMeshEdges[row]!,
      corner: point === null ? null : this.surface.pointVertices[point]!,
      end: row !== null ? nearest(ends, at)!.vertex : side === null ? null : this.nearerEnd(side, corners, at),
    };
  }

  /** The islands that faces lie on. */
  islandsOf(faces: Iterable<number>): number[] {
    return [...new Set([...faces].map((face) => this.islandOf(face)))]
      .filter((island) => island !== null)
      .sort((a, b) => a - b);
  }

  private islandOf(face: number): number | null {
    return this.surface.triangleIslands[this.faceRows.get(face)?.[0] ?? -1] ?? null;
  }

  private addRow(face: number, row: number) {
    const rows = this.faceRows.get(face);
    if (rows) rows.push(row);
    else this.faceRows.set(face, [row]);
  }

  private place(vertex: number) {
    return this.surface.vertices.subarray(3 * vertex, 3 * vertex + 3);
  }

  private positionsOf(row: number) {
    const { positions, barePositions, triangleFaces } = this.surface;
    const bare = row - triangleFaces.length;
    return bare < 0 ? positions.subarray(9 * row, 9 * row + 9) : barePositions.subarray(9 * bare, 9 * bare + 9);
  }

  private verticesOf(row: number): number[] {
    const { trianglePoints, pointVertices, bareVertices, triangleFaces } = this.surface;
    const bare = row - triangleFaces.length;
    return [0, 1, 2].map((i) =>
      bare < 0 ? pointVertices[trianglePoints[3 * row + i]!]! : bareVertices[3 * bare + i]!,
    );
  }

  private sheetCorner(point: number, points: Float32Array): Corner {
    return { vertex: this.surface.pointVertices[point]!, at: [points[2 * point]!, points[2 * point + 1]!] };
  }

  private sheetCorners(face: number, points: Float32Array): Corner[] {
    const { trianglePoints } = this.surface;
    return this.faceRows
      .get(face)!
      .flatMap((row) => [0, 1, 2].map((i) => this.sheetCorner(trianglePoints[3 * row + i]!, points)));
  }

  private nearestSide(corners: Corner[], at: number[]): number | null {
    const own = corners.filter((corner, i) => corners.findIndex((other) => other.vertex === corner.vertex) === i);
    let best: number | null = null;
    let least = Infinity;
    own.forEach((a, i) => {
      for (const b of own.slice(i + 1)) {
        const edge = this.edgeBetween(a.vertex, b.vertex);
        const distance = edge === null ? Infinity : distanceTo(at, a.at, b.at);
        if (distance < least) [best, least] = [edge, distance];
      }
    });
    return best;
  }

  private nearerEnd(edge: number, corners: Corner[], at: number[]): number | null {
    const ends = this.surface.meshEdges.subarray(2 * edge, 2 * edge + 2);
    return (
      nearest(
        corners.filter((corner) => ends.includes(corner.vertex)),
        at,
      )?.vertex ?? null
    );
  }

  private faceAt(points: Float32Array, [x, y]: [number, number]): number | null {
    const { trianglePoints, triangleFaces } = this.surface;
    for (let row = triangleFaces.length - 1; row >= 0; row -= 1) {
      const [a, b, c] = [
        2 * trianglePoints[3 * row]!,
        2 * trianglePoints[3 * row + 1]!,
        2 * trianglePoints[3 * row + 2]!,
      ];
      const [ax, ay, bx, by, cx, cy] = [
        points[a]! - x,
        points[a + 1]! - y,
        points[b]! - x,
        points[b + 1]! - y,
        points[c]! - x,
        points[c + 1]! - y,
      ];
      const sides = [ax * by - ay * bx, bx * cy - by * cx, cx * ay - cy * ax];
      if (sides.every((side) => side >= 0) || sides.every((side) => side <= 0)) return triangleFaces[row]!;
    }
    return null;
  }

  private edgeRowAt(points: Float32Array, at: [number, number], reach: number): number | null {
    const { edges } = this.surface;
    let best: number | null = null;
    let least = reach;
    for (let row = 0; row < edges.length / 2; row += 1) {
      const [a, b] = [2 * edges[2 * row]!, 2 * edges[2 * row + 1]!];
      const [ax, ay, bx, by] = [points[a]!, points[a + 1]!, points[b]!, points[b + 1]!];
      // Most are far away: a look at their boxes is enough.
      if (
        at[0] < Math.min(ax, bx) - least ||
        at[0] > Math.max(ax, bx) + least ||
        at[1] < Math.min(ay, by) - least ||
        at[1] > Math.max(ay, by) + least
      )
        continue;
      const distance = distanceTo(at, [ax, ay], [bx, by]);
      if (distance < least) [best, least] = [row, distance];
    }
    return best;
  }

  private pointAt(points: Float32Array, [x, y]: [number, number], reach: number): number | null {
    let best: number | null = null;
    let least = reach * reach;
    for (let point = 0; point < points.length / 2; point += 1) {
      const distance = (points[2 * point]! - x) ** 2 + (points[2 * point + 1]! - y) ** 2;
      if (distance < least) [best, least] = [point, distance];
    }
    return best;
  }
}

function nearest(corners: Corner[], at: number[]): Corner | null {
  const far = corners.map((corner) => Math.hypot(...corner.at.map((value, i) => value - at[i]!)));
  return corners[far.indexOf(Math.min(...far))] ?? null;
}

/** Whether indices of faces, edges and vertices mean the same on both. */
export function sameNet(a: Surface, b: Surface): boolean {
  const faces = (surface: Surface) => surface.triangleFaces.length + surface.bareFaces.length;
  return (
    faces(a) === faces(b) &&
    a.meshEdges.length === b.meshEdges.length &&
    a.meshEdges.every((vertex, i) => vertex === b.meshEdges[i])
  );
}
