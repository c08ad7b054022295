import { beforeEach, describe, expect, it } from "vitest";
import type { Pair } from "@/api/types";
import { useMoveLabel } from "@/sheet/tools/useMoveLabel";
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
    expect(await drag([100, 600], [120, 592])).toBe(true);
    expect(operate).toHaveBeenCalledWith("change_layer", { id: "layer-2", place: { x_mm: 2, y_mm: -5 } });
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
    label.tool.move!([150, 600], pointer(), true);
    expect(label.change.value.shift_px).toEqual([50, 0]);
    label.tool.leave!();
    await label.tool.release!([150, 600], pointer(), 0);
    expect(operate).not.toHaveBeenCalled();
  });
});
