import { beforeEach, describe, expect, it, vi } from "vitest";
import { useCorners } from "@/hand/corners";
import { usePullHandles } from "@/sheet/tools/usePullHandles";
import { useFitting } from "@/stages/fit/fitting";
import { useSurface } from "@/stores/surface";
import { ground, openJob, pointer } from "../../support";

// A border that runs 0 - 1 - 2 straight on and then turns down to 3.
const surface = {
  pointIslands: new Int32Array([0, 0, 0, 0]),
  edges: new Int32Array([0, 1, 1, 2, 2, 3]),
  edgeOutlines: new Int32Array([1, 1, 1]),
};

describe("picking a border by hand", () => {
  let corners: ReturnType<typeof useCorners>;
  let tool: ReturnType<typeof usePullHandles>["tool"];

  const click = async (clicks: number, shiftKey = false) => {
    // Before it is known how manieth it is, a press says nothing of its count.
    expect(tool.press([50, 0], pointer({ shiftKey, detail: 0 }))).toBe(true);
    await tool.release!([50, 0], pointer({ shiftKey }), clicks);
  };

  beforeEach(() => {
    openJob();
    const surfaces = useSurface();
    vi.spyOn(surfaces, "surface", "get").mockReturnValue(surface as never);
    vi.spyOn(surfaces, "points", "get").mockReturnValue(new Float32Array([0, 0, 100, 0, 200, 0, 200, 100]));
    corners = useCorners();
    corners.on = true;
    useFitting().active = true;
    tool = usePullHandles(ground()).tool;
  });

  it("takes its whole row by the second of two quick clicks, whatever the first one picked", async () => {
    corners.picked = [0, 1];
    await click(2);
    expect([...corners.picked].sort()).toEqual([0, 1, 2]);
  });

  it("adds the row with Shift, and takes none by one click", async () => {
    corners.picked = [3];
    await click(1);
    expect(corners.picked).toEqual([0, 1]);
    corners.picked = [3, 0, 1];
    await click(2, true);
    expect(corners.picked).toEqual([3, 0, 1, 2]);
  });
});
