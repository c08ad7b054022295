import { describe, expect, it } from "vitest";
import { boxOf, cornersOf, edgeLines, facingLines, lengthOf, outlines, rimOf, tintsOf } from "@/proof/geometry";
import type { Surface } from "@/stores/surface";

/** Two triangles of one square in the plane z = 0, two parts, and one face above that lies nowhere on the sheet. */
const surface = {
  positions: new Float32Array([0, 0, 0, 2, 0, 0, 2, 2, 0, 0, 0, 0, 2, 2, 0, 0, 2, 0]),
  barePositions: new Float32Array([0, 0, 3, 1, 0, 3, 0, 1, 3]),
  bareFaces: new Int32Array([7]),
  trianglePoints: new Int32Array([0, 1, 2, 0, 2, 3]),
  triangleIslands: new Int32Array([0, 1]),
  triangleFaces: new Int32Array([4, 5]),
  triangleParts: new Int32Array([0, 1]),
  pointIslands: new Int32Array([0, 0, 1, 1]),
  edges: new Int32Array([0, 1, 2, 3, 0, 2]),
  edgeOutlines: new Int32Array([1, 1, 0]),
} as unknown as Surface;
const none = new Set<number>();

describe("what the proof draws", () => {
  it("has a box round the whole model, faces beside the sheet too", () => {
    const box = boxOf(surface);
    expect([box.min.toArray(), box.max.toArray()]).toEqual([
      [0, 0, 0],
      [2, 2, 3],
    ]);
    expect(lengthOf(box)).toBeCloseTo(Math.sqrt(17));
  });

  it("goes round faces without the edge between them", () => {
    const lines = rimOf(cornersOf(surface, new Set([4, 5]), null));
    expect(lines).toHaveLength(4 * 6);
    // the square's sides, and not its diagonal from (0, 0) to (2, 2)
    const ends = [0, 6, 12, 18].map((at) => [lines.slice(at, at + 2), lines.slice(at + 3, at + 5)]);
    expect(ends.every(([a, b]) => a![0] === b![0] || a![1] === b![1])).toBe(true);
  });

  it("gives the triangles of faces, wherever they lie, or else of islands", () => {
    expect(cornersOf(surface, new Set([7]), null)).toEqual([0, 0, 3, 1, 0, 3, 0, 1, 3]);
    expect(cornersOf(surface, null, new Set([1]))).toEqual([0, 0, 0, 2, 2, 0, 0, 2, 0]);
    expect(cornersOf(surface, new Set([99]), null)).toEqual([]);
  });

  it("draws a line out of each face, of the length asked for, and none of hidden parts", () => {
    const [x, y, z, ...to] = facingLines(surface, new Set([1]), 0.5);
    expect([x, y, z].map((value) => value!.toFixed(3))).toEqual(["1.333", "0.667", "0.000"]);
    expect(to[2]).toBeCloseTo(0.5);
    expect(facingLines(surface, new Set([0, 1]), 0.5)).toEqual([]);
  });

  it("draws outlines of islands, not their inner edges", () => {
    expect(outlines(surface, none, new Set([0]))).toEqual([0, 0, 0, 2, 0, 0]);
    expect(outlines(surface, none, none)).toEqual([]);
    expect(edgeLines(surface, none, () => true)).toHaveLength(3 * 6);
    expect(edgeLines(surface, new Set([1]), () => true)).toHaveLength(2 * 6);
  });

  it("tints pieces of neighbouring numbers apart, all corners of a triangle alike", () => {
    const { colors, hatch } = tintsOf(new Int32Array([0, 1, 8]));
    expect([...colors.subarray(0, 3)]).toEqual([...colors.subarray(6, 9)]);
    expect([...colors.subarray(0, 3)]).not.toEqual([...colors.subarray(9, 12)]);
    // The ninth piece has the first one's tint, and is hatched another way.
    expect([...colors.subarray(18, 21)]).toEqual([...colors.subarray(0, 3)]);
    expect(hatch[6]).not.toBe(hatch[0]);
  });
});
