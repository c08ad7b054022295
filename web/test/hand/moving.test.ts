import { describe, expect, it } from "vitest";
import { placeWhile, type Moving } from "@/hand/moving";

const moving: Moving = { islands: new Set([1]), place: (x, y) => [x * 2, y + 5], points: new Set([7]), shift: [3, -1] };

describe("places while a hand moves things", () => {
  it("go along with their island, or by themselves, or stay", () => {
    expect(placeWhile(moving, 10, 20, 0, 1)).toEqual([20, 25]);
    expect(placeWhile(moving, 10, 20, 7, 1)).toEqual([13, 19]);
    expect(placeWhile(moving, 10, 20, 0, 0)).toEqual([10, 20]);
    expect(placeWhile(null, 10, 20, 7, 1)).toEqual([10, 20]);
  });
});
