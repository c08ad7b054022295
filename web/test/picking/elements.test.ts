import { describe, expect, it } from "vitest";
import { Elements, sameNet } from "@/picking/elements";
import type { Surface } from "@/stores/surface";

/**
 * Two squares of side 10 beside each other on the model, faces 0 and 1, joined along the edge from vertex 1 to vertex
 * 2; on the sheet they lie apart. Face 2 is a triangle on the model that has no UVs.
 *
 *   3---2---5       vertices; edges 0: 0-1, 1: 1-2, 2: 2-3, 3: 3-0, 4: 1-4, 5: 4-5, 6: 5-2, 7: 4-6, 8: 6-5
 *   |   |   | 6
 *   0---1---4
 */
function squares(): Surface {
  const vertices = [
    [0, 0, 0],
    [10, 0, 0],
    [10, 10, 0],
    [0, 10, 0],
    [20, 0, 0],
    [20, 10, 0],
    [30, 5, 0],
  ];
  const points = [0, 1, 2, 3, 1, 4, 5, 2]; // the vertex of each
  const triangles = [
    [0, 1, 2],
    [0, 2, 3],
    [4, 5, 6],
    [4, 6, 7],
  ];
  const corners = (list: number[][]) => new Float32Array(list.flat().flatMap((vertex) => vertices[vertex]!));
  return {
    positions: corners(triangles.map((own) => own.map((point) => points[point]!))),
    barePositions: corners([[4, 6, 5]]),
    bareFaces: new Int32Array([2]),
    bareVertices: new Int32Array([4, 6, 5]),
    normals: new Float32Array(),
    trianglePoints: new Int32Array(triangles.flat()),
    triangleIslands: new Int32Array([0, 0, 1, 1]),
    triangleFaces: new Int32Array([0, 0, 1, 1]),
    triangleParts: new Int32Array(4),
    pointIslands: new Int32Array([0, 0, 0, 0, 1, 1, 1, 1]),
    edges: new Int32Array([0, 1, 1, 2, 2, 3, 3, 0, 4, 5, 5, 6, 6, 7, 7, 4]),
    edgeOutlines: new Int32Array(8).fill(1),
    edgeNeighbours: new Int32Array(8).fill(-1),
    edgeMeshEdges: new Int32Array([0, 1, 2, 3, 4, 5, 6, 1]),
    pointVertices: new Int32Array(points),
    vertices: new Float32Array(vertices.flat()),
    meshEdges: new Int32Array([0, 1, 1, 2, 2, 3, 3, 0, 1, 4, 4, 5, 5, 2, 4, 6, 6, 5]),
  };
}
/** px on the sheet: the second square lies 100 px to the right, and both are 10 times as large */
const onSheet = new Float32Array([0, 0, 100, 0, 100, 100, 0, 100, 200, 0, 300, 0, 300, 100, 200, 100]);

describe("elements under the pointer", () => {
  const elements = new Elements(squares());

  it("finds edge, corner and nearer end on the model, however far they are, and never the diagonal of a face", () => {
    expect(elements.onModel(0, [6, 5.5, 0])).toEqual({ island: 0, face: 0, edge: 1, corner: 2, side: 1, end: 2 });
    expect(elements.onModel(1, [15, 4, 0])).toMatchObject({ edge: 4, side: 4 });
  });

  it("finds them on faces that have no UVs too", () => {
    expect(elements.onModel(2, [27, 3, 0])).toMatchObject({ face: 2, edge: 7, corner: 6 });
  });

  it("finds edges and corners on the sheet within reach only, the face's nearest side from everywhere", () => {
    expect(elements.onSheet(onSheet, [95, 30], 8)).toEqual({
      island: 0,
      face: 0,
      edge: 1,
      corner: null,
      side: 1,
      end: 1,
    });
    expect(elements.onSheet(onSheet, [60, 45], 8)).toEqual({
      island: 0,
      face: 0,
      edge: null,
      corner: null,
      side: 1,
      end: 1,
    });
    expect(elements.onSheet(onSheet, [202, 96], 8)).toMatchObject({ face: 1, edge: 1, corner: 2 });
  });

  it("finds an edge from outside of its island, and nothing far from all", () => {
    expect(elements.onSheet(onSheet, [104, 60], 8)).toMatchObject({ face: null, edge: 1, side: null, end: 2 });
    expect(elements.onSheet(onSheet, [150, 50], 8)).toEqual({
      island: null,
      face: null,
      edge: null,
      corner: null,
      side: null,
      end: null,
    });
  });

  it("gives what is drawn: triangles of faces, ends of edges, places of vertices", () => {
    expect(elements.faceCorners([1])).toHaveLength(18);
    expect(elements.edgeLines([1])).toEqual([10, 0, 0, 10, 10, 0]);
    expect(elements.places([6])).toEqual([30, 5, 0]);
    expect(elements.islandsOf([2, 1, 0])).toEqual([0, 1]);
  });

  it("knows whether indices mean the same on another surface", () => {
    expect(sameNet(squares(), squares())).toBe(true);
    expect(
      sameNet(squares(), {
        ...squares(),
        meshEdges: new Int32Array([0, 2, 1, 2, 2, 3, 3, 0, 1, 4, 4, 5, 5, 2, 4, 6, 6, 5]),
      }),
    ).toBe(false);
  });
});
