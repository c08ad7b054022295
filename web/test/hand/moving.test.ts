import { describe, expect, it } from "vitest";
import { placeWhile, previewed, type Moving } from "@/hand/moving";

const moving: Moving = { islands: new Set([1]), place: (x, y) => [x * 2, y + 5], points: new Set([7]), shift: [3, -1] };

describe("places while a hand moves things", () => {
  it("go along with their island, or by themselves, or stay", () => {
    expect(placeWhile(moving, 10, 20, 0, 1)).toEqual([20, 25]);
    expect(placeWhile(moving, 10, 20, 7, 1)).toEqual([13, 19]);
    expect(placeWhile(moving, 10, 20, 0, 0)).toEqual([10, 20]);
    expect(placeWhile(null, 10, 20, 7, 1)).toEqual([10, 20]);
  });
});

describe("places of a preview", () => {
  it("go along with the islands that are only moved", () => {
    const shown = previewed([
      { index: 1, move_px: [0, -1, 30, 1, 0, 5] },
      { index: 2, move_px: null },
    ]);
    expect(placeWhile(shown, 10, 20, 0, 1)).toEqual([10, 15]);
    expect(placeWhile(shown, 10, 20, 0, 2)).toEqual([10, 20]);
  });

  it("are none where all is cut anew", () => {
    expect(previewed([{ index: 0, move_px: null }])).toBeNull();
  });
});
