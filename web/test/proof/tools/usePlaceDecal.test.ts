import { beforeEach, describe, expect, it, vi } from "vitest";
import type { Pair } from "@/api/types";
import { usePlaceDecal } from "@/proof/tools/usePlaceDecal";
import { usePlacing } from "@/stages/art/placing";
import { useJob } from "@/stores/job";
import { openJob, pointer } from "../../support";

describe("putting decals on the model", () => {
  let placing: ReturnType<typeof usePlacing>;
  let hand: ReturnType<typeof usePlaceDecal>;
  const operate = vi.fn().mockResolvedValue(true);
  /** the model lies left of 100 px across */
  const hitsAt = ([x]: Pair) =>
    x < 100 ? [{ face: 3, island: 0, part: 0, point: [x, 0, 0] as never, normal: [0, 0, 1] as never }] : [];

  beforeEach(() => {
    openJob();
    operate.mockClear();
    useJob().operate = operate;
    placing = usePlacing();
    hand = usePlaceDecal(hitsAt);
  });

  it("shows what is chosen under the pointer, and puts it where the model is clicked", async () => {
    placing.next = { content: { kind: "picture", picture: "abc" }, aspect: 2, as: "surface" };
    hand.tool.hover!([40, 5]);
    expect(placing.shown).toMatchObject({ at: [40, 0, 0], picture: expect.stringContaining("abc") });
    expect(placing.shown!.width).toBeCloseTo(2 * placing.shown!.height);
    hand.tool.hover!([140, 5]);
    expect(placing.shown).toBeNull();
    expect(hand.tool.press([140, 5], pointer())).toBe(false);
    expect(hand.tool.press([40, 5], pointer())).toBe(true);
    await hand.tool.release!([40, 5], pointer(), 1);
    expect(operate).toHaveBeenCalledWith("add_layer", {
      content: { kind: "picture", picture: "abc" },
      place: expect.objectContaining({ kind: "surface", face: 3, at: [40, 0, 0] }),
    });
    expect(placing.next).toBeNull();
  });

  it("leaves a press that is on no decal to the model", () => {
    expect(hand.tool.press([40, 5], pointer())).toBe(false);
    expect(hand.tool.hit([40, 5])).toBeNull();
  });
});
