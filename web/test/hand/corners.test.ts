import { beforeEach, describe, expect, it, vi } from "vitest";
import { useCorners } from "@/hand/corners";
import { useSelection } from "@/stores/selection";
import { useSurface } from "@/stores/surface";
import { openJob } from "../support";

// Points at 0, 0; 10, 0; 10, 10 and 50, 50 px; the outline runs from the first to the second, an inner edge on to the
// third.
const surface = {
  pointIslands: new Int32Array([0, 0, 0, 1]),
  edges: new Int32Array([0, 1, 1, 2]),
  edgeOutlines: new Int32Array([1, 0]),
};

describe("corners of islands", () => {
  let corners: ReturnType<typeof useCorners>;

  beforeEach(() => {
    openJob();
    const surfaces = useSurface();
    vi.spyOn(surfaces, "surface", "get").mockReturnValue(surface as never);
    vi.spyOn(surfaces, "points", "get").mockReturnValue(new Float32Array([0, 0, 10, 0, 10, 10, 50, 50]));
    corners = useCorners();
  });

  it("are found near a place, the nearest first", () => {
    expect(corners.at([9, 1], 8)).toBe(1);
    expect(corners.at([30, 30], 8)).toBeNull();
    expect(corners.islandOf(3)).toBe(1);
  });

  it("are picked both where the edge of an outline is meant, but not an inner edge", () => {
    corners.pickAt([5, 1], 3, false);
    expect(corners.picked).toEqual([0, 1]);
    expect(corners.edgeAt([10, 5], 3)).toBeNull();
  });

  it("are picked one, or more with Shift: the first stays the first", () => {
    corners.pick(3, false);
    corners.pick(1, true);
    corners.pick(2, true);
    expect(corners.picked).toEqual([3, 1, 2]);
    expect(corners.places[0]).toEqual([50, 50]);
    corners.pick(1, true);
    expect(corners.picked).toEqual([3, 2]);
    expect([corners.clear(), corners.clear()]).toEqual([true, false]);
  });

  it("are picked in a box, those of the picked island alone where one is", () => {
    corners.pickIn({ left: -1, top: -1, right: 60, bottom: 60 });
    expect(corners.picked).toEqual([0, 1, 2, 3]);
    useSelection().pick(1);
    corners.pickIn({ left: -1, top: -1, right: 60, bottom: 60 });
    expect(corners.picked).toEqual([3]);
  });

  it("of the picked island win over nearer ones of others", () => {
    useSelection().pick(1);
    expect(corners.at([30, 30], 40)).toBe(3);
    expect(corners.at([9, 1], 8)).toBe(1);
  });
});

describe("a row of a border", () => {
  // A border that runs 0 - 1 - 2 straight on, nearly, and then turns down to 3.
  it("is picked as far as it runs straight on", () => {
    openJob();
    const surfaces = useSurface();
    const row = {
      pointIslands: new Int32Array([0, 0, 0, 0]),
      edges: new Int32Array([0, 1, 1, 2, 2, 3]),
      edgeOutlines: new Int32Array([1, 1, 1]),
    };
    vi.spyOn(surfaces, "surface", "get").mockReturnValue(row as never);
    vi.spyOn(surfaces, "points", "get").mockReturnValue(new Float32Array([0, 0, 10, 1, 20, 0, 20, 10]));
    const corners = useCorners();
    corners.pickRow([4, 0], 3, false);
    expect([...corners.picked].sort()).toEqual([0, 1, 2]);
  });
});
