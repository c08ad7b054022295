import { beforeEach, describe, expect, it } from "vitest";
import type { Pair } from "@/api/types";
import { useMoveIslands } from "@/sheet/tools/useMoveIslands";
import { useSelection } from "@/stores/selection";
import { useSettings } from "@/stores/settings";
import { ground, openJob, pointer } from "../../support";

// Front lies at 24, 24 to 344, 504 px, Left at 368, 24 to 568, 504.
describe("moving islands by hand", () => {
  let operate: ReturnType<typeof openJob>["operate"];
  let movable: boolean;
  let islands: ReturnType<typeof useMoveIslands>;

  const drag = async (from: Pair, to: Pair, held: Partial<PointerEvent> = {}) => {
    islands.tool.press(from, pointer(held));
    islands.tool.move!(to, pointer(held), true);
    await islands.tool.release!(to, pointer(held), 0);
  };
  const click = async (at: Pair, held: Partial<PointerEvent> = {}) => {
    const taken = islands.tool.press(at, pointer(held));
    await islands.tool.release!(at, pointer(held), 1);
    return taken;
  };

  beforeEach(() => {
    localStorage.clear();
    ({ operate } = openJob());
    movable = true;
    const selection = useSelection();
    islands = useMoveIslands(ground(), () => movable, selection.pick);
  });

  it("picks the island under a press and moves it as far as the hand goes", async () => {
    await drag([100, 100], [112.34, 90]);
    expect(useSelection().islands).toEqual([0]);
    expect(operate).toHaveBeenCalledWith("transform_islands", {
      islands: [0],
      move_px: [12.3, -10],
      turn_deg: 0,
      scale: [1, 1],
      hold: null,
    });
  });

  it("keeps to one axis with Shift, and has the core hold the box to pixels where that is set", async () => {
    useSelection().islands = [0];
    useSettings().hold = "middles";
    await drag([100, 100], [110, 103], { shiftKey: true });
    expect(operate.mock.calls[0]![1]).toMatchObject({ move_px: [10.5, 0], hold: "middles" });
  });

  it("scales by a corner of the box and turns by the grip above it", async () => {
    useSelection().islands = [0];
    await drag([344, 504], [504, 744]);
    expect(operate.mock.calls[0]![1]).toMatchObject({ scale: [2, 2], hold: null });
  });

  it("adds an island with Shift, and takes it away with a second click", async () => {
    await click([100, 100]);
    await click([400, 100], { shiftKey: true });
    expect(useSelection().islands).toEqual([0, 1]);
    await click([400, 100], { shiftKey: true });
    expect(useSelection().islands).toEqual([0]);
    expect(operate).not.toHaveBeenCalled();
  });

  it("shows where islands go while the drag lasts, and leaves them where they were when it is left", () => {
    useSelection().islands = [0];
    islands.tool.press([100, 100], pointer());
    islands.tool.move!([150, 100], pointer(), true);
    expect(islands.change.value.move_px).toEqual([50, 0]);
    islands.tool.leave!();
    expect(islands.change.value.move_px).toEqual([0, 0]);
  });

  it("goes back at once where the server refuses", async () => {
    operate.mockResolvedValue(false);
    await drag([100, 100], [150, 100]);
    expect(islands.moved.value).toBeNull();
  });

  it("only picks where nothing can be moved, and leaves other buttons and the mat alone", async () => {
    movable = false;
    await drag([100, 100], [150, 100]);
    expect(useSelection().islands).toEqual([0]);
    expect(operate).not.toHaveBeenCalled();
    expect(islands.tool.press([100, 100], pointer({ button: 1 }))).toBe(false);
    expect(islands.tool.press([1020, 1020], pointer())).toBe(false);
  });

  it("tells what the pointer is over, and where on the sheet", () => {
    islands.tool.hover!([400, 100]);
    expect(useSelection().hovered).toBe(1);
    expect(useSelection().pointer).toEqual({ x: 400, y: 100 });
    islands.tool.hover!(null);
    expect(useSelection().hovered).toBeNull();
  });
});
