import { createPinia, setActivePinia } from "pinia";
import { beforeEach, describe, expect, it } from "vitest";
import type { Job } from "@/api/types";
import { useCage } from "@/hand/cage";
import { useJob } from "@/stores/job";
import { useSelection } from "@/stores/selection";
import sample from "../../../test/data/api/job.json";

describe("the cage over picked islands", () => {
  beforeEach(() => {
    setActivePinia(createPinia());
    useJob().job = sample as unknown as Job;
    useSelection().islands = [0];
  });

  it("has handles in the corners, along the sides and in the middle, while it is on", () => {
    const cage = useCage();
    expect(cage.handles).toEqual([]);
    cage.on = true;
    const { left, top, right, bottom } = cage.box!;
    expect(cage.handles).toHaveLength(9);
    expect(cage.handles[0]).toEqual([left, top]);
    expect(cage.handles[4]).toEqual([(left + right) / 2, (top + bottom) / 2]);
    expect(cage.at([right + 2, bottom - 2], 8)).toBe(8);
    expect(cage.at([right + 20, bottom], 8)).toBeNull();
  });

  it("bends as the server does: a corner by all of its own shift, the middle of a 3 x 3 cage by a sixteenth of it", () => {
    const cage = useCage();
    cage.on = true;
    cage.held = 0;
    const { left, top, right, bottom } = cage.box!;
    const bend = cage.bend([32, -16]);
    expect(bend(left, top)).toEqual([left + 32, top - 16]);
    expect(bend(right, bottom)).toEqual([right, bottom]);
    // Bernstein polynomials of degree 2 at a half: 1/4 across and 1/4 down.
    expect(bend((left + right) / 2, (top + bottom) / 2)).toEqual([(left + right) / 2 + 2, (top + bottom) / 2 - 1]);
  });
});
