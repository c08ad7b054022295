import { describe, expect, it } from "vitest";
import { edgeLines, nearestEdge } from "@/proof/edges";

const net = { vertices: new Float32Array([0, 0, 0, 10, 0, 0, 10, 10, 0]), edges: new Int32Array([0, 1, 1, 2, 0, 2]) };

describe("edges on the model", () => {
  it("finds the edge nearest to a place on the surface", () => {
    expect(nearestEdge(net, [5, 1, 0])).toBe(0);
    expect(nearestEdge(net, [9, 5, 0])).toBe(1);
    expect(nearestEdge(net, [4, 5, 0])).toBe(2);
  });

  it("lists ends one after the other", () => {
    expect(edgeLines(net, [1])).toEqual([10, 0, 0, 10, 10, 0]);
    expect(edgeLines(null, [1])).toEqual([]);
  });
});
