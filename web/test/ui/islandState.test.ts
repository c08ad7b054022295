import { describe, expect, it } from "vitest";
import type { Island } from "@/api/types";
import { NOTHING, stateOf } from "@/ui/islandState";

const fine = {
  beside_sheet: false,
  off_sheet: false,
  mirrored: false,
  stretched: false,
  stretch_worst: 1,
  up_angle_deg: 0,
  tag: "art",
} as Island;

describe("what an island's card says", () => {
  // Each beside all that comes after it.
  const needs: [string, Partial<Island>, boolean][] = [
    ["off the sheet", { beside_sheet: true }, false],
    ["partly off", { off_sheet: true }, false],
    ["overlaps", {}, true],
    ["mirrored", { mirrored: true }, false],
    ["stretch 1.4", { stretched: true, stretch_worst: 1.4 }, false],
    ["upside down", { up_angle_deg: -180 }, false],
    ["sideways", { up_angle_deg: 90 }, false],
  ];
  needs.forEach(([text], first) => {
    it(`is ${text} before what comes after it`, () => {
      const rest = needs.slice(first).reverse();
      const island = Object.assign({}, fine, ...rest.map(([, state]) => state)) as Island;
      const overlaps = rest.some(([, , lies]) => lies);
      expect(stateOf(island, overlaps).text).toBe(text);
    });
  });

  it("is true shape where nothing is needed, and plain where no art is meant, however it is turned", () => {
    expect(stateOf(fine, false)).toEqual({ text: "true shape", rank: NOTHING });
    expect(stateOf({ ...fine, tag: "plain", up_angle_deg: 180 }, false)).toEqual({ text: "plain", rank: NOTHING });
  });
});
