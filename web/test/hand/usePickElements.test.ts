import { beforeEach, describe, expect, it, vi } from "vitest";
import type { Pair } from "@/api/types";
import { usePickElements } from "@/hand/usePickElements";
import type { Under } from "@/picking/elements";
import { usePicks } from "@/stores/picks";
import { openJob, pointer } from "../support";

/** Every ten px across lies another face. */
const under = ([x]: Pair): Under =>
  ({ island: 0, face: Math.floor(x / 10), edge: null, side: 5, corner: null, end: null }) as Under;

describe("picking elements by hand", () => {
  let on: boolean;
  let hand: ReturnType<typeof usePickElements>;
  let picks: ReturnType<typeof usePicks>;
  const pan = vi.fn();

  const drag = async (from: Pair, to: Pair, held: Partial<PointerEvent> = {}) => {
    const taken = hand.tool.press(from, pointer(held));
    hand.tool.move!(to, pointer(held), true);
    await hand.tool.release!(to, pointer(held), 0);
    return taken;
  };
  const click = async (at: Pair, clicks = 1) => {
    hand.tool.press(at, pointer());
    await hand.tool.release!(at, pointer(), clicks);
  };

  beforeEach(() => {
    openJob();
    pan.mockClear();
    on = true;
    picks = usePicks();
    picks.kind = "faces";
    hand = usePickElements({
      on: () => on,
      underAt: under,
      boxFrom: (from, to) => ({ corners: [...from, ...to] }) as never,
      pan,
    });
  });

  it("picks what a click is on, and lets it go with a second click", async () => {
    await click([35, 0]);
    expect([...picks.sets.faces]).toEqual([3]);
    await click([35, 0]);
    expect([...picks.sets.faces]).toEqual([]);
  });

  it("tells the core of a second click soon after the first as a double click", async () => {
    const told = vi.spyOn(picks, "click").mockResolvedValue();
    await click([35, 0]);
    await click([36, 0], 2);
    await click([36, 0], 3);
    expect(told.mock.calls.map(([, held]) => held.again)).toEqual([false, true, false]);
  });

  it("passes over all that lies between two places of a stroke, though the pointer jumps", async () => {
    picks.gesture = "stroke";
    await drag([5, 0], [45, 0]);
    expect([...picks.sets.faces].sort()).toEqual([0, 1, 2, 3, 4]);
    await drag([5, 0], [25, 0], { ctrlKey: true });
    expect([...picks.sets.faces].sort()).toEqual([3, 4]);
  });

  it("asks for what lies in a box, and shows the box while it is pulled", async () => {
    const asked = vi.spyOn(picks, "box").mockResolvedValue();
    hand.tool.press([40, 30], pointer({ altKey: true }));
    hand.tool.move!([10, 50], pointer(), true);
    expect(hand.box.value).toEqual({ left: "10px", top: "30px", width: "30px", height: "20px" });
    expect(hand.pulling.value).toBe(true);
    await hand.tool.release!([10, 50], pointer(), 0);
    expect(asked).toHaveBeenCalledWith({ corners: [40, 30, 10, 50] }, "add");
    expect(hand.box.value).toBeNull();
  });

  it("pans on a drag that is neither", async () => {
    expect(await drag([5, 0], [25, 4])).toBe(true);
    expect(pan).toHaveBeenCalledWith(20, 4);
    expect(picks.sets.faces.size).toBe(0);
  });

  it("picks nothing of a stroke that is left", async () => {
    picks.gesture = "stroke";
    hand.tool.press([5, 0], pointer());
    hand.tool.leave!();
    await hand.tool.release!([45, 0], pointer(), 0);
    expect(picks.sets.faces.size).toBe(0);
    expect(picks.passed.size).toBe(0);
  });

  it("leaves islands and other stages to others", () => {
    picks.kind = "islands";
    expect(hand.tool.press([5, 0], pointer())).toBe(false);
    expect(hand.tool.hit([5, 0])).toBeNull();
    picks.kind = "faces";
    on = false;
    expect(hand.tool.press([5, 0], pointer())).toBe(false);
  });

  it("says what is under the pointer", () => {
    hand.tool.hover!([25, 0]);
    expect(picks.hovered).toBe(2);
    hand.tool.hover!(null);
    expect(picks.hovered).toBeNull();
  });
});
