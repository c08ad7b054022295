import { describe, expect, it } from "vitest";
import { distanceTo } from "@/composables/useNeighbour";

describe("distanceTo", () => {
  it("measures to the nearest place of a line, in the plane and in space", () => {
    expect(distanceTo([3, 4], [0, 0], [10, 0])).toBe(4);
    expect(distanceTo([13, 4], [0, 0], [10, 0])).toBe(5);
    expect(distanceTo([1, 2, 2], [0, 0, 0], [0, 0, 0])).toBe(3);
  });
});
