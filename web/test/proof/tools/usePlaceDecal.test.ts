import { beforeEach, describe, expect, it, vi } from "vitest";
import type { Pair } from "@/api/types";
import { usePlaceDecal } from "@/proof/tools/usePlaceDecal";
import { usePlacing } from "@/stages/art/placing";
import { useSheetImage } from "@/stores/image";
import { useJob } from "@/stores/job";
import { useSelection } from "@/stores/selection";
import { openJob, pointer } from "../../support";

describe("putting decals on the model", () => {
  let placing: ReturnType<typeof usePlacing>;
  let hand: ReturnType<typeof usePlaceDecal>;
  const operate = vi.fn().mockResolvedValue(true);
  /** the model lies left of 100 px across */
  const hitsAt = ([x]: Pair) =>
    x < 100 ? [{ face: 3, island: 0, part: 0, point: [x, 0, 0] as never, normal: [0, 0, 1] as never }] : [];

  const decal = { kind: "surface", face: 3, at: [40, 0, 0], width_mm: 30, height_mm: 20, turn_deg: 0 } as never;

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

  it("has what is dragged worked out where the hand rests, and forgets it where the drag is left", async () => {
    const images = useSheetImage();
    const [foresee, letGo] = [vi.spyOn(images, "foresee"), vi.spyOn(images, "letGo")];
    const layer = { ...useJob().layers[0]!, locked: false, place: decal };
    useJob().job = { ...useJob().job!, artwork: { ...useJob().job!.artwork, layers: [layer] } };
    useSelection().layer = layer.id;
    placing.open = true;
    const moved = (x: number) => ({
      name: "change_layer",
      parameters: { id: layer.id, place: { face: 3, at: [x, 0, 0] } },
    });
    expect(hand.tool.press([40, 5], pointer())).toBe(true);
    hand.tool.move!([45, 5], pointer(), true);
    expect(foresee).toHaveBeenLastCalledWith(moved(45));
    await hand.tool.release!([45, 5], pointer(), 0);
    expect(letGo).toHaveBeenCalledWith(moved(45));
    expect(operate).toHaveBeenCalledWith("change_layer", moved(45).parameters);
    hand.tool.move!([50, 5], pointer(), true);
    hand.tool.leave!();
    expect(foresee).toHaveBeenLastCalledWith(null);
    expect(placing.shown).toBeNull();
  });
});
