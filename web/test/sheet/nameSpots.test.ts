import { describe, expect, it } from "vitest";
import { nameSpots } from "@/sheet/nameSpots";
import type { Surface } from "@/stores/surface";

/** A net: a panel of 40 x 20 px at the right of a strip of 10 x 4 px, both quadrilaterals of two triangles. */
const points = new Float32Array([10, 8, 20, 8, 20, 12, 10, 12, 20, 0, 60, 0, 60, 20, 20, 20]);
const surface = {
  trianglePoints: new Int32Array([0, 1, 2, 0, 2, 3, 4, 5, 6, 4, 6, 7]),
  triangleIslands: new Int32Array([0, 0, 0, 0]),
  edges: new Int32Array([0, 1, 2, 3, 3, 0, 4, 5, 5, 6, 6, 7, 7, 2, 1, 4]),
  edgeOutlines: new Int32Array([1, 1, 1, 1, 1, 1, 1, 1]),
  pointIslands: new Int32Array(8),
} as unknown as Surface;

describe("where names go", () => {
  it("is the middle of the largest panel, with the free width there", () => {
    const [spot] = nameSpots(surface, points, 1);
    expect([spot!.x, spot!.y]).toEqual([40, 10]);
    expect(spot!.half).toBe(20);
    expect([spot!.top, spot!.topHalf]).toEqual([0, 20]);
  });

  it("is where it was on islands that lie as they did", () => {
    const before = nameSpots(surface, points, 1);
    const right = points.map((place, i) => (i % 2 === 0 ? place + 5 : place));
    expect(nameSpots(surface, right, 1, { spots: before, moved: new Set() })).toEqual(before);
    const [spot] = nameSpots(surface, right, 1, { spots: before, moved: new Set([0]) });
    expect([spot!.x, spot!.y, spot!.half]).toEqual([45, 10, 20]);
  });

  it("is nowhere on an island without triangles", () => {
    expect(nameSpots(surface, points, 2)[1]).toBeNull();
  });
});
