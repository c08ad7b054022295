import { describe, expect, it, vi } from "vitest";
import { effectScope, ref } from "vue";
import { usePinch } from "@/sheet/tools/usePinch";

const touch = (name: string, pointerId: number, [offsetX, offsetY]: [number, number]) =>
  Object.assign(new Event(name), { pointerId, pointerType: "touch", offsetX, offsetY }) as unknown as PointerEvent;

describe("two fingers on the sheet", () => {
  it("move it with their middle and zoom by how far they are apart; one finger is left to the other tools", () => {
    const canvas = document.createElement("canvas");
    const [pan, zoomAt] = [vi.fn(), vi.fn()];
    const scope = effectScope();
    const tool = scope.run(() => usePinch(ref(canvas), { pan, zoomAt }))!;
    expect(tool.press([10, 10], touch("pointerdown", 1, [10, 10]))).toBe(false);
    canvas.dispatchEvent(touch("pointermove", 1, [20, 10]));
    expect(pan).not.toHaveBeenCalled();
    expect(tool.press([60, 10], touch("pointerdown", 2, [60, 10]))).toBe(true);
    canvas.dispatchEvent(touch("pointermove", 2, [100, 10]));
    expect(pan).toHaveBeenLastCalledWith(20, 0);
    expect(zoomAt).toHaveBeenLastCalledWith(60, 10, 2);
    canvas.dispatchEvent(touch("pointerup", 2, [100, 10]));
    canvas.dispatchEvent(touch("pointermove", 1, [0, 0]));
    expect(zoomAt).toHaveBeenCalledTimes(1);
    scope.stop();
  });
});
