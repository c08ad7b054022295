import { beforeEach, describe, expect, it, vi } from "vitest";
import { api } from "@/api/client";
import { usePacking } from "@/stages/layout/packing";
import { job, openJob } from "../../support";

const attempt = (number: number, share_used: number, best: boolean) => ({
  sheet: job.sheet,
  lines: [],
  facts: { attempt: number, share_used, best, density_px_per_mm: 4 },
});

describe("packing before the painter's eyes", () => {
  let operate: ReturnType<typeof openJob>["operate"];
  let jobs: ReturnType<typeof openJob>["jobs"];
  let signal: AbortSignal;
  let go: () => void;

  beforeEach(() => {
    ({ jobs, operate } = openJob());
    vi.spyOn(api, "watch").mockImplementation(async function* (_id, _revision, _name, _parameters, given) {
      signal = given.signal!;
      yield attempt(0, 0.6, true) as never;
      yield attempt(1, 0.5, false) as never;
      await new Promise<void>((done) => (go = done));
      yield attempt(2, 0.7, true) as never;
    });
  });
  const flush = () => new Promise((done) => setTimeout(done));

  it("shows the best so far, as the core says, until another is picked", async () => {
    const packing = usePacking();
    void packing.start({ turn: "free" });
    await flush();
    expect([packing.running, packing.attempts.length, packing.shown?.facts.attempt]).toEqual([true, 2, 0]);
    packing.picked = 1;
    expect(packing.shown?.facts.attempt).toBe(1);
    go();
    await flush();
    expect([packing.running, packing.best?.facts.attempt, packing.shown?.facts.attempt]).toEqual([false, 2, 1]);
  });

  it("takes the one that is shown, with what it was started with, and ends the work", async () => {
    const packing = usePacking();
    void packing.start({ turn: "free" });
    await flush();
    packing.picked = 1;
    await packing.take();
    expect(operate).toHaveBeenCalledWith("pack", { turn: "free", attempt: 1 });
    expect(signal.aborted).toBe(true);
    expect(packing.attempts).toEqual([]);
  });

  it("is stopped first by Escape, then forgotten", async () => {
    const packing = usePacking();
    void packing.start({});
    await flush();
    expect(packing.leave()).toBe(true);
    expect([packing.running, packing.attempts.length]).toEqual([false, 2]);
    expect(packing.leave()).toBe(true);
    expect(packing.attempts.length).toBe(0);
    expect(packing.leave()).toBe(false);
  });

  it("goes when the job changes under it", async () => {
    const packing = usePacking();
    void packing.start({});
    await flush();
    jobs.job = { ...job, revision: 7 };
    await flush();
    expect([packing.running, packing.attempts.length]).toEqual([false, 0]);
  });
});
