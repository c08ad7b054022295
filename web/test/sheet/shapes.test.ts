import { beforeEach, describe, expect, it, vi } from "vitest";
import { islandShapes, movedIslands } from "@/sheet/shapes";
import type { Surface } from "@/stores/surface";

/** Writes down where it goes. */
class Path {
  readonly steps: string[] = [];
  moveTo(x: number, y: number) {
    this.steps.push(`M${x},${y}`);
  }
  lineTo(x: number, y: number) {
    this.steps.push(`L${x},${y}`);
  }
}

/** Two islands of one triangle each, all of their edges outlines but one. */
const surface = {
  trianglePoints: new Int32Array([0, 1, 2, 3, 4, 5]),
  triangleIslands: new Int32Array([0, 1]),
  edges: new Int32Array([0, 1, 1, 2, 3, 4]),
  edgeOutlines: new Int32Array([1, 0, 1]),
  pointIslands: new Int32Array([0, 0, 0, 1, 1, 1]),
} as unknown as Surface;
const points = () => new Float32Array([0, 0, 4, 0, 0, 4, 10, 0, 14, 0, 10, 4]);
const steps = (path: Path2D) => (path as unknown as Path).steps.join(" ");

describe("the shapes of islands", () => {
  beforeEach(() => vi.stubGlobal("Path2D", Path));

  it("are their triangles, outlines and inner edges in px", () => {
    const [first, second] = islandShapes(surface, points(), 2);
    expect(steps(first!.faces)).toBe("M0,0 L4,0 L0,4");
    expect(steps(first!.outline)).toBe("M0,0 L4,0");
    expect(steps(first!.edges)).toBe("M4,0 L0,4");
    expect(steps(second!.outline)).toBe("M10,0 L14,0");
  });

  it("are built anew only for islands that lie elsewhere", () => {
    const before = islandShapes(surface, points(), 2);
    const now = points();
    now[6] = 20;
    const moved = movedIslands(surface, points(), now);
    expect([...moved]).toEqual([1]);
    const shapes = islandShapes(surface, now, 2, { shapes: before, moved });
    expect(shapes[0]).toBe(before[0]);
    expect(steps(shapes[1]!.faces)).toBe("M20,0 L14,0 L10,4");
    expect(islandShapes(surface, points(), 2, { shapes: before, moved: new Set() })).toEqual(before);
  });
});
