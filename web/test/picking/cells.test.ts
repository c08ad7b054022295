import { describe, expect, it } from "vitest";
import { cellAt } from "@/picking/cells";
import type { Pair } from "@/api/types";

const box = (left: number, top: number, right: number, bottom: number): { corners_px: Pair[] } => ({
  corners_px: [
    [left, top],
    [right, top],
    [right, bottom],
    [left, bottom],
  ],
});
const cells = [box(0, 0, 100, 100), box(20, 20, 40, 40)];

describe("the cell at a place", () => {
  it("is the smallest one there, in whatever order they stand", () => {
    expect(cellAt(cells, [30, 30])).toBe(1);
    expect(cellAt([...cells].reverse(), [30, 30])).toBe(0);
    expect(cellAt(cells, [70, 30])).toBe(0);
  });

  it("is none beside all of them", () => {
    expect(cellAt(cells, [170, 30])).toBeNull();
    expect(cellAt([], [0, 0])).toBeNull();
  });

  it("counts its border in", () => {
    expect(cellAt(cells, [100, 100])).toBe(0);
  });
});
