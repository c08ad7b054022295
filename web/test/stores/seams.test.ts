import { beforeEach, describe, expect, it, vi } from "vitest";
import { nextTick } from "vue";
import { api } from "@/api/client";
import { useSeams } from "@/stores/seams";
import { job, openJob } from "../support";

const flush = () => new Promise((done) => setTimeout(done));

describe("the seams", () => {
  let jobs: ReturnType<typeof openJob>["jobs"];
  let operate: ReturnType<typeof openJob>["operate"];

  beforeEach(() => {
    vi.restoreAllMocks();
    ({ jobs, operate } = openJob({ seams: "drawn" }));
    const sent = { seams: new Int32Array([1, 2]).buffer, triangle_pieces: new Int32Array([0, 1]).buffer };
    vi.spyOn(api, "arrays").mockResolvedValue(sent as never);
    vi.spyOn(api, "pieces").mockResolvedValue({ count: 2, pieces: [], open_ends: [] });
    vi.spyOn(api, "symmetry").mockResolvedValue({ plane: "x = 0", error_mm: 0, tolerance_mm: 0.01 } as never);
  });

  it("are asked for only while a stage shows them, and let go of after", async () => {
    const seams = useSeams();
    await flush();
    expect(api.arrays).not.toHaveBeenCalled();
    seams.active = true;
    await flush();
    expect([...seams.cut]).toEqual([1, 2]);
    expect([...seams.tints!]).toEqual([0, 1]);
    expect(seams.pieces?.count).toBe(2);
    seams.active = false;
    await nextTick();
    expect([seams.cut.length, seams.tints, seams.pieces, seams.symmetry]).toEqual([0, null, null, null]);
  });

  it("that are the map's own part nothing yet, so that nothing is tinted", async () => {
    jobs.job = { ...job, seams: null };
    const seams = useSeams();
    seams.active = true;
    await flush();
    expect(seams.tints).toBeNull();
    expect(vi.mocked(api.arrays).mock.calls.map(([, names]) => names)).toEqual([["seams"]]);
  });

  it("stay on the screen until those of another revision are there, and are not asked for anew by a mere move", async () => {
    const seams = useSeams();
    seams.active = true;
    await flush();
    jobs.job = { ...job, seams: "drawn", revision: 7 };
    await flush();
    expect(api.pieces).toHaveBeenCalledTimes(1);
    jobs.job = { ...job, seams: "others", revision: 8 };
    await nextTick();
    expect([...seams.cut]).toEqual([1, 2]);
    await flush();
    expect(api.pieces).toHaveBeenCalledTimes(2);
  });

  it("show a cut at once, without waiting for the server to tell of it, and none that is refused", async () => {
    const seams = useSeams();
    seams.active = true;
    await flush();
    await seams.mark([2, 5], true);
    expect([...seams.cut].sort()).toEqual([1, 2, 5]);
    await seams.mark([1], false);
    expect([...seams.cut].sort()).toEqual([2, 5]);
    operate.mockResolvedValue(false);
    await seams.mark([9], true);
    expect([...seams.cut].sort()).toEqual([2, 5]);
  });

  it("are cut on both sides where the model is symmetric and that is wanted", async () => {
    const seams = useSeams();
    seams.active = seams.mirrored = true;
    expect(seams.bothSides).toBe(false);
    await flush();
    await seams.mark([3], true);
    expect(operate).toHaveBeenLastCalledWith("mark_seams", { edges: [3], cut: true, mirrored: true });
  });
});
