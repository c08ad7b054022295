import { describe, expect, it } from "vitest";
import { fitted, roundStep, toPx, zoomedAt, LARGEST_SCALE } from "@/sheet/viewport";

describe("the sheet's viewport", () => {
  it("keeps what is under the pointer in place while zooming, and comes back", () => {
    const start = fitted({ width_px: 1024, height_px: 512 }, 600, 500);
    const before = toPx(start, 200, 150);
    const near = zoomedAt(start, 200, 150, 20);
    const after = toPx(near, 200, 150);
    expect([after.x, after.y]).toEqual([expect.closeTo(before.x, 9), expect.closeTo(before.y, 9)]);
    const back = zoomedAt(near, 200, 150, 1 / 20);
    expect([back.x, back.y, back.scale]).toEqual([
      expect.closeTo(start.x, 9),
      expect.closeTo(start.y, 9),
      expect.closeTo(start.scale, 12),
    ]);
  });

  it("shows single pixels at the most", () => {
    expect(zoomedAt({ scale: 1, x: 0, y: 0 }, 0, 0, 1e9).scale).toBe(LARGEST_SCALE);
  });

  it("rules in 1, 2 or 5 times a power of ten", () => {
    expect([roundStep(1, 56), roundStep(10, 56), roundStep(0.5, 56), roundStep(64, 56)]).toEqual([100, 10, 200, 1]);
  });
});
