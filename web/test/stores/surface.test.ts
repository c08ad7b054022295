import { beforeEach, describe, expect, it, vi } from "vitest";
import { nextTick } from "vue";
import { api } from "@/api/client";
import { useSurface } from "@/stores/surface";
import { job, openJob } from "../support";

const flush = () => new Promise((done) => setTimeout(done));

describe("the arrays of the job on the screen", () => {
  let jobs: ReturnType<typeof openJob>["jobs"];

  beforeEach(() => {
    vi.restoreAllMocks();
    ({ jobs } = openJob());
    vi.spyOn(api, "arrays").mockImplementation((_id, names) =>
      Promise.resolve(
        Object.fromEntries(
          names.map((name) => [
            name,
            (name === "points" ? new Float32Array([1, 2, 3, 4]) : new Int32Array([7])).buffer as ArrayBuffer,
          ]),
        ) as never,
      ),
    );
  });
  const asked = () => vi.mocked(api.arrays).mock.calls.map(([, names]) => names);

  it("are asked for together, and say that they are under way", async () => {
    const surfaces = useSurface();
    expect(surfaces.loading).toBe(true);
    await flush();
    expect(surfaces.loading).toBe(false);
    expect([...surfaces.surface!.triangleIslands]).toEqual([7]);
    expect([...surfaces.points!]).toEqual([1, 2, 3, 4]);
    expect(asked()).toHaveLength(1);
    expect(asked()[0]).toEqual(expect.arrayContaining(["points", "triangle_faces"]));
  });

  it("stay where only the islands' places change: points alone are asked for", async () => {
    const surfaces = useSurface();
    await flush();
    const before = surfaces.surface;
    vi.mocked(api.arrays).mockClear();
    jobs.job = { ...job, revision: 7, placements: "moved" };
    await nextTick();
    expect(surfaces.loading).toBe(false);
    await flush();
    expect(asked()).toEqual([["points"]]);
    expect(surfaces.surface).toBe(before);
  });

  it("are asked for anew where the cut changes, and stay on the screen until they are there", async () => {
    const surfaces = useSurface();
    await flush();
    const before = surfaces.surface;
    jobs.job = { ...job, revision: 7, surface: "cut" };
    await nextTick();
    expect(surfaces.loading).toBe(true);
    expect(surfaces.surface).toBe(before);
    await flush();
    expect(surfaces.surface).not.toBe(before);
  });

  it("go with the job", async () => {
    const surfaces = useSurface();
    await flush();
    jobs.job = null;
    await nextTick();
    expect([surfaces.surface, surfaces.points, surfaces.elements]).toEqual([null, null, null]);
  });

  it("that come too late are dropped", async () => {
    const surfaces = useSurface();
    jobs.job = null;
    await flush();
    expect(surfaces.surface).toBeNull();
  });
});
