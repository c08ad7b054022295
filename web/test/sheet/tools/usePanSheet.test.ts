import { afterEach, beforeEach, describe, expect, it, vi } from "vitest";
import { effectScope, ref, type EffectScope } from "vue";
import type { Tool } from "@/hand/tool";
import { useLetGo } from "@/sheet/tools/useLetGo";
import { usePanSheet } from "@/sheet/tools/usePanSheet";
import { pointer } from "../../support";

describe("panning the sheet", () => {
  const pan = vi.fn();
  const zoomAt = vi.fn();
  let canvas: HTMLElement;
  let scope: EffectScope;
  let tool: Tool;

  const key = (type: string) => {
    const event = new KeyboardEvent(type, { key: " ", bubbles: true, cancelable: true });
    canvas.dispatchEvent(event);
    return event;
  };

  beforeEach(() => {
    vi.clearAllMocks();
    canvas = document.createElement("canvas");
    document.body.append(canvas);
    scope = effectScope();
    scope.run(() => (tool = usePanSheet(ref(canvas), { pan, zoomAt })));
  });
  afterEach(() => {
    scope.stop();
    canvas.remove();
  });

  it("pans with the middle or right button, by what the hand moves each time", () => {
    expect(tool.press([10, 10], pointer({ button: 1 }))).toBe(true);
    tool.move!([15, 8], pointer(), true);
    tool.move!([16, 8], pointer(), true);
    expect(pan.mock.calls).toEqual([
      [5, -2],
      [1, 0],
    ]);
  });

  it("pans with the first button only while the space bar is held over the sheet", () => {
    expect(tool.press([10, 10], pointer())).toBe(false);
    expect(key("keydown").defaultPrevented).toBe(true);
    expect(tool.hit([0, 0])).toBe("grab");
    expect(tool.press([10, 10], pointer())).toBe(true);
    key("keyup");
    expect(tool.press([10, 10], pointer())).toBe(false);
  });

  it("zooms in where the wheel goes up, and out where it goes down, by lines or px", () => {
    const wheel = (deltaY: number, deltaMode: number) =>
      canvas.dispatchEvent(new WheelEvent("wheel", { deltaY, deltaMode, cancelable: true }));
    wheel(-100, 0);
    wheel(3, 1);
    expect(zoomAt.mock.calls[0]![2]).toBeCloseTo(Math.exp(0.18));
    expect(zoomAt.mock.calls[1]![2]).toBeCloseTo(Math.exp(-0.15));
  });

  it("lets go of what is picked on a click beside all, and pans on a drag", async () => {
    const letGo = vi.fn();
    const last = useLetGo(pan, letGo);
    last.press([10, 10], pointer());
    await last.release!([10, 10], pointer({ shiftKey: true }), 1);
    expect(letGo).toHaveBeenCalledWith(true);
    last.press([10, 10], pointer());
    last.move!([30, 10], pointer(), true);
    await last.release!([30, 10], pointer(), 0);
    expect(pan).toHaveBeenCalledWith(20, 0);
    expect(letGo).toHaveBeenCalledTimes(1);
  });
});
