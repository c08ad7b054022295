import { beforeEach, describe, expect, it } from "vitest";
import { useFirstSteps } from "@/stores/firstSteps";
import { job, openJob } from "../support";

describe("the path through a first job", () => {
  beforeEach(() => localStorage.clear());

  it("goes on from step to step, in any order", () => {
    openJob();
    const steps = useFirstSteps();
    expect(steps.shown).toBe(false);
    steps.begin(job.id);
    expect(steps.next?.by).toBe("lay_flat");
    steps.tick("lay_flat");
    steps.tick("lay_flat");
    expect(steps.next?.by).toBe("pack");
    steps.tick("trace");
    expect(steps.ticked).toEqual(["lay_flat", "trace"]);
    steps.leave();
    expect(steps.shown).toBe(false);
  });

  it("leaves other jobs alone", () => {
    openJob();
    const steps = useFirstSteps();
    steps.begin("another");
    steps.tick("trace");
    expect(steps.ticked).toEqual([]);
  });
});
