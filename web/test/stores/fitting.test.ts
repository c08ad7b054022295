import { createPinia, setActivePinia } from "pinia";
import { beforeEach, describe, expect, it } from "vitest";
import { nextTick } from "vue";
import type { Job } from "@/api/types";
import { useFitting } from "@/stores/fitting";
import { useJob } from "@/stores/job";
import { useSettings } from "@/stores/settings";
import sample from "../../../test/data/api/job.json";

const job = sample as unknown as Job;
const named = (name: string, corners_px: [number, number][], width: number) => ({
  ...job.fit_setup.underlays[0]!.cells[0]!,
  name,
  corners_px,
  width,
  height: width,
});

describe("the fit stage's state", () => {
  beforeEach(() => {
    setActivePinia(createPinia());
    useJob().job = job;
  });

  it("knows the underlay that is shown, and its cells", () => {
    const fitting = useFitting();
    expect(fitting.underlay?.name).toBe("caddy-front.png");
    expect(fitting.cells.map((cell) => cell.name)).toEqual(["front"]);
  });

  it("finds the smallest cell at a place", () => {
    const cells = [
      named(
        "large",
        [
          [0, 0],
          [100, 0],
          [100, 100],
          [0, 100],
        ],
        100,
      ),
      named(
        "small",
        [
          [20, 20],
          [40, 20],
          [40, 40],
          [20, 40],
        ],
        20,
      ),
    ];
    useJob().job = { ...job, fit_setup: { ...job.fit_setup, underlays: [{ ...job.fit_setup.underlays[0]!, cells }] } };
    const fitting = useFitting();
    expect(fitting.cellAt([30, 30])).toBe(1);
    expect(fitting.cellAt([70, 30])).toBe(0);
    expect(fitting.cellAt([170, 30])).toBeNull();
  });

  it("shows art again when the underlay is cleared", async () => {
    const fitting = useFitting();
    const settings = useSettings();
    settings.look = "underlay";
    useJob().job = { ...job, fit_setup: { ...job.fit_setup, shown: null } };
    await nextTick();
    expect(fitting.underlay).toBeNull();
    expect(settings.look).toBe("art");
  });
});
