import { flushPromises } from "@vue/test-utils";
import { createPinia, setActivePinia } from "pinia";
import { beforeEach, describe, expect, it, vi } from "vitest";
import type { Job } from "@/api/types";
import { useSheetImage } from "@/stores/image";
import { useJob } from "@/stores/job";
import { usePreflight } from "@/stores/preflight";
import { useSelection } from "@/stores/selection";
import sample from "../../../test/data/api/job.json";
import report from "../../../test/data/api/preflight.json";

const job = sample as unknown as Job;

describe("the preflight store", () => {
  beforeEach(() => {
    setActivePinia(createPinia());
    vi.useFakeTimers();
  });

  it("asks once the hand rests, and knows when the report is of an older revision", async () => {
    const asked: string[] = [];
    vi.stubGlobal("fetch", (path: string) => {
      if (path.includes("preflight")) asked.push(path);
      return Promise.resolve(
        new Response(
          JSON.stringify(path.includes("preflight") ? report : { ...job, revision: job.revision + asked.length }),
        ),
      );
    });
    const jobs = useJob();
    const preflight = usePreflight();
    await jobs.open(job.id);
    await jobs.operate("set_unit", { unit_mm: 1 });
    await jobs.operate("set_unit", { unit_mm: 2 });
    expect(preflight.checking).toBe(true);
    await vi.advanceTimersByTimeAsync(400);
    await flushPromises();
    expect(asked).toHaveLength(1);
    expect(preflight.checking).toBe(false);
    expect(preflight.findings.map((finding) => finding.code)).toEqual(["not_upright"]);
  });

  it("waits as long as the hand holds something that is drawn where it is", async () => {
    const asked: AbortSignal[] = [];
    vi.stubGlobal("fetch", (path: string, { signal }: { signal: AbortSignal }) => {
      if (!path.includes("preflight")) return Promise.resolve(new Response(JSON.stringify(job)));
      asked.push(signal);
      return new Promise<Response>(() => {});
    });
    const images = useSheetImage();
    await useJob().open(job.id);
    usePreflight();
    images.foresee({ name: "set_unit", parameters: { unit_mm: 1 } });
    await vi.advanceTimersByTimeAsync(400);
    expect(asked).toHaveLength(0);
    images.foresee(null);
    await vi.advanceTimersByTimeAsync(400);
    expect(asked.map((signal) => signal.aborted)).toEqual([false]);
    images.foresee({ name: "set_unit", parameters: { unit_mm: 2 } });
    await flushPromises();
    expect(asked.map((signal) => signal.aborted)).toEqual([true]);
  });
});

describe("the selection", () => {
  it("lights a place until something else is picked", () => {
    setActivePinia(createPinia());
    const selection = useSelection();
    selection.lookAt({ faces: [4], islands: [1, 2] });
    expect([selection.islands, selection.spot?.faces]).toEqual([[1, 2], [4]]);
    selection.pick(0);
    expect([selection.islands, selection.spot]).toEqual([[0], null]);
    selection.pick(3, true);
    selection.pick(0, true);
    expect(selection.islands).toEqual([3]);
  });
});
