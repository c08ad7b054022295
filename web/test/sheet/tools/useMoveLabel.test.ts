import { beforeEach, describe, expect, it, vi } from "vitest";
import type { Pair } from "@/api/types";
import { usePulling } from "@/hand/pulling";
import { useMoveLabel } from "@/sheet/tools/useMoveLabel";
import { useSheetImage } from "@/stores/image";
import { useSelection } from "@/stores/selection";
import { ground, openJob, pointer } from "../../support";

// layer-2 is on an island that lies turned: its frame goes from 24, 528 to 504, 848 px; right on the sheet is down on
// the label, 4 px to a mm.
describe("moving a label by hand", () => {
  let operate: ReturnType<typeof openJob>["operate"];
  let label: ReturnType<typeof useMoveLabel>;

  const drag = async (from: Pair, to: Pair) => {
    const taken = label.tool.press(from, pointer());
    label.tool.move!(to, pointer(), true);
    await label.tool.release!(to, pointer(), 0);
    return taken;
  };

  beforeEach(() => {
    ({ operate } = openJob());
    label = useMoveLabel(ground(), () => true);
    useSelection().layer = "layer-2";
  });

  it("moves it over the surface by mm, the way the island lies", async () => {
    expect(await drag([100, 600], [200, 540])).toBe(true);
    expect(operate).toHaveBeenCalledWith("change_layer", { id: "layer-2", place: { x_mm: 15, y_mm: -25 } });
  });

  it("has it worked out where the hand rests, and forgets that where the drag is left", () => {
    const foresee = vi.spyOn(useSheetImage(), "foresee");
    label.tool.press([100, 600], pointer());
    label.tool.move!([200, 540], pointer(), true);
    const parameters = { id: "layer-2", place: { x_mm: 15, y_mm: -25 } };
    expect(foresee).toHaveBeenLastCalledWith({ name: "change_layer", parameters });
    label.tool.leave!();
    expect(foresee).toHaveBeenLastCalledWith(null);
  });

  it("catches on lines of the island, each way by itself, and says which; not with Alt", async () => {
    // 80 mm wide on an island of 80: 1.5 mm to the right its middle is still at the island's.
    label.tool.press([100, 600], pointer());
    label.tool.move!([200, 594], pointer(), true);
    expect(label.change.value.shift_px.map((px) => Math.round(px) + 0)).toEqual([100, 0]);
    expect(label.change.value.caught).toEqual([{ axis: 0, at_mm: 0, name: "middle of the island" }]);
    label.tool.move!([200, 594], pointer({ altKey: true }), true);
    expect(label.change.value).toMatchObject({ shift_px: [100, -6], caught: [] });
  });

  it("pulls one corner by itself where corners are pulled", async () => {
    usePulling().on = true;
    await drag([24, 528], [64, 568]);
    // Down on the sheet is to the left on the label, right is down: its top right corner by 10 mm each of 80 and 120.
    expect(operate).toHaveBeenCalledWith("change_layer", {
      id: "layer-2",
      place: { corners: [0, 0, -0.125, expect.closeTo(1 / 12), 0, 0, 0, 0] },
    });
  });

  it("sizes it by its corner, about its middle", async () => {
    // The corner lies 240, 160 from the middle; twice as far makes 80 mm 160.
    await drag([504, 528], [744, 368]);
    expect(operate).toHaveBeenCalledWith("change_layer", { id: "layer-2", place: { width_mm: 160 } });
  });

  it("leaves a press beside it, on a layer over the whole sheet and with another button to others", () => {
    expect(label.tool.press([900, 900], pointer())).toBe(false);
    expect(label.tool.press([100, 600], pointer({ button: 2 }))).toBe(false);
    useSelection().layer = "layer-1";
    expect(label.tool.press([100, 600], pointer())).toBe(false);
  });

  it("is as before when the drag is left", async () => {
    label.tool.press([100, 600], pointer());
    label.tool.move!([180, 600], pointer(), true);
    expect(label.change.value.shift_px.map((px) => Math.round(px) + 0)).toEqual([80, 0]);
    label.tool.leave!();
    await label.tool.release!([150, 600], pointer(), 0);
    expect(operate).not.toHaveBeenCalled();
  });
});
