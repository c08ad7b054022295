import { beforeEach, describe, expect, it, vi } from "vitest";
import type { Pair } from "@/api/types";
import { useDrawing } from "@/hand/drawing";
import { useDrawShape } from "@/sheet/tools/useDrawShape";
import { ground, openJob, pointer } from "../../support";

describe("drawing on the sheet", () => {
  let draw: ReturnType<typeof useDrawShape>;
  const drag = async (from: Pair, to: Pair) => {
    const taken = draw.tool.press(from, pointer());
    draw.tool.move!(to, pointer(), true);
    await draw.tool.release!(to, pointer(), 0);
    return taken;
  };

  beforeEach(() => {
    openJob();
    draw = useDrawShape(ground());
  });

  it("takes no press while nothing is to be drawn", () => {
    expect(draw.tool.press([10, 10], pointer())).toBe(false);
    expect(draw.tool.hit([10, 10])).toBeNull();
  });

  it("gives a rectangle in whole px, whichever corner it starts from, once", async () => {
    const done = vi.fn();
    useDrawing().box("a cell", done);
    await drag([30.4, 40], [9.7, 5.2]);
    expect(done).toHaveBeenCalledWith({ left: 10, top: 5, right: 30, bottom: 40 });
    expect(useDrawing().shape).toBeNull();
  });

  it("goes on where a rectangle was only clicked", async () => {
    const done = vi.fn();
    useDrawing().box("a cell", done);
    draw.tool.press([30, 40], pointer());
    await draw.tool.release!([30, 40], pointer(), 1);
    expect(done).not.toHaveBeenCalled();
    expect(useDrawing().shape).toBe("box");
  });

  it("asks for one place after the other", async () => {
    const done = vi.fn();
    useDrawing().places(["the first", "the second"], done);
    expect(useDrawing().purpose).toMatch("the first");
    await drag([1, 2], [1, 2]);
    expect(useDrawing().purpose).toMatch("the second");
    await drag([3, 4], [3, 4]);
    expect(done).toHaveBeenCalledWith([
      [1, 2],
      [3, 4],
    ]);
  });

  it("pulls lines from islands only, as many as are wanted", async () => {
    const done = vi.fn();
    useDrawing().pulls("Pull", done);
    expect(draw.tool.press([1020, 1020], pointer())).toBe(false);
    await drag([100, 100], [200, 90]);
    await drag([400, 100], [200, 90]);
    expect(done.mock.calls.map(([drawn]) => [drawn.island, drawn.from, drawn.to])).toEqual([
      [0, [100, 100], [200, 90]],
      [1, [400, 100], [200, 90]],
    ]);
    expect(useDrawing().leave()).toBe(true);
    expect(useDrawing().leave()).toBe(false);
  });
});
