import { createPinia, setActivePinia } from "pinia";
import { beforeEach, describe, expect, it, vi } from "vitest";
import type { Job } from "@/api/types";
import { useJob } from "@/stores/job";
import { useShapes } from "@/stores/shapes";
import type { Surface } from "@/stores/surface";

class Path {
  moveTo() {}
  lineTo() {}
}

/** Two islands of one triangle each. */
const surface = {
  trianglePoints: new Int32Array([0, 1, 2, 3, 4, 5]),
  triangleIslands: new Int32Array([0, 1]),
  edges: new Int32Array([0, 1, 1, 2, 3, 4]),
  edgeOutlines: new Int32Array([1, 1, 1]),
  pointIslands: new Int32Array([0, 0, 0, 1, 1, 1]),
} as unknown as Surface;
const points = () => new Float32Array([0, 0, 4, 0, 0, 4, 10, 0, 14, 0, 10, 4]);

const jobOf = (islands: number) =>
  ({ sheet: { width_px: 64, height_px: 64 }, islands: Array.from({ length: islands }) }) as unknown as Job;

describe("the shapes store", () => {
  beforeEach(() => {
    setActivePinia(createPinia());
    vi.stubGlobal("Path2D", Path);
    vi.stubGlobal("fetch", () => new Promise(() => undefined));
    useJob().job = jobOf(2);
  });

  it("keeps the shapes of islands that lie as they did, and all where none was moved", () => {
    const shapes = useShapes();
    const before = shapes.build(surface, points())!;
    expect(shapes.build(surface, points())).toBe(before);
    const now = points();
    now[6] = 20;
    const after = shapes.build(surface, now)!;
    expect(after.shapes[0]).toBe(before.shapes[0]);
    expect(after.shapes[1]).not.toBe(before.shapes[1]);
  });

  it("builds all anew for another surface, and for an island that is new", () => {
    const shapes = useShapes();
    const [first] = shapes.build(surface, points())!.shapes;
    expect(shapes.build({ ...surface }, points())!.shapes[0]).not.toBe(first);
    useJob().job = jobOf(3);
    expect(shapes.build(surface, points())!.shapes).toHaveLength(3);
    expect(shapes.build(null, null)).toBeNull();
  });
});
