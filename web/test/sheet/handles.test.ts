import { besideMove, heldMove } from "@/sheet/handles";
import { describe, expect, it } from "vitest";
import { boxAround, gripAt, gripChange, grips, UNCHANGED } from "@/sheet/handles";
import sample from "../../../test/data/api/job.json";
import type { Job } from "@/api/types";

const job = sample as unknown as Job;
const box = { left: 0, top: 0, right: 100, bottom: 50 };

describe("grips of the picked islands", () => {
  it("has eight to scale and one to turn, each found where it is drawn", () => {
    const all = grips(box);
    expect(all).toHaveLength(9);
    for (const { grip, at } of all) expect(gripAt(box, at[0], at[1])).toEqual(grip);
    expect(gripAt(box, 50, 25)).toBeNull();
  });

  it("scales evenly by a corner and along one axis by a side", () => {
    expect(gripChange({ kind: "scale", across: 1, down: 1 }, box, [100, 50], [150, 75], false).scale).toEqual([2, 2]);
    expect(gripChange({ kind: "scale", across: 1, down: 0 }, box, [100, 25], [75, 40], false).scale).toEqual([0.5, 1]);
  });

  it("turns clockwise, in steps of 5 degrees with Shift", () => {
    const turned = gripChange({ kind: "turn" }, box, [150, 25], [50, 126], false);
    expect(turned).toEqual({ ...UNCHANGED, turn_deg: 90 });
    expect(gripChange({ kind: "turn" }, box, [150, 25], [149, 38], true).turn_deg).toBe(5);
  });

  it("never turns an island inside out", () => {
    expect(gripChange({ kind: "scale", across: 1, down: 1 }, box, [100, 50], [-400, -300], false).scale).toEqual([
      0.01, 0.01,
    ]);
  });

  it("stands round the picked islands together", () => {
    const [front, left] = job.islands;
    expect(boxAround([front!, left!])).toEqual({ left: 24, top: 24, right: left!.box_px[2], bottom: 504 });
    expect(boxAround([])).toBeNull();
  });
});

describe("a drag", () => {
  const box = { left: 10.3, top: 20.6, right: 40, bottom: 50 };

  it("goes by tenths of a px, or holds the box's corner to corners or middles of pixels", () => {
    expect(heldMove([1.234, -2.26], box, "free")).toEqual([1.2, -2.3]);
    expect(heldMove([1.4, 0], box, "corners").map((by, i) => (i ? box.top : box.left) + by)).toEqual([12, 21]);
    expect(heldMove([1.4, 0], box, "middles").map((by, i) => (i ? box.top : box.left) + by)).toEqual([11.5, 20.5]);
  });
});

describe("a move beside neighbours", () => {
  const box = { left: 0, top: 0, right: 100, bottom: 50 };
  const beside = {
    boxes: [{ left: 300, top: 0, right: 400, bottom: 80 }],
    gutter: 8,
    room: { left: 4, top: 4, right: 1020, bottom: 1020 },
    reach: 5,
  };

  it("stops a gutter away from a neighbour, and at the margin", () => {
    expect(besideMove([190, 300], box, beside)).toEqual([190, 300]);
    expect(besideMove([190, 3], box, beside)).toEqual([192, 4]);
    expect(besideMove([923, 200], box, beside)).toEqual([920, 200]);
  });

  it("comes in line with a neighbour", () => {
    expect(besideMove([302, 300], box, beside)).toEqual([300, 300]);
    expect(besideMove([298, 86], box, beside)).toEqual([300, 88]);
  });
});
