import { createPinia, setActivePinia } from "pinia";
import { beforeEach, describe, expect, it } from "vitest";
import { nextTick } from "vue";
import type { Job } from "@/api/types";
import { useFitting } from "@/stages/fit/fitting";
import { useJob } from "@/stores/job";
import { useSettings } from "@/stores/settings";
import sample from "../../../../test/data/api/job.json";

const job = sample as unknown as Job;

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
