import { createPinia, setActivePinia } from "pinia";
import { vi } from "vitest";
import { ref } from "vue";
import type { Job, Pair } from "@/api/types";
import type { SheetGround } from "@/sheet/ground";
import { useJob } from "@/stores/job";
import sample from "../../test/data/api/job.json";

/** The job that the server's own tests are checked against. */
export const job = sample as unknown as Job;

/** Opens the job on fresh stores; what is sent to the server is only written down, and nothing is answered. */
export function openJob(changes: Partial<Job> = {}) {
  vi.stubGlobal("fetch", () => new Promise(() => undefined));
  setActivePinia(createPinia());
  const jobs = useJob();
  jobs.job = { ...job, ...changes };
  const operate = vi.spyOn(jobs, "operate").mockResolvedValue(true);
  return { jobs, operate };
}

/** A pointer's event with what a tool looks at. */
export const pointer = (held: Partial<PointerEvent> = {}) =>
  ({
    button: 0,
    shiftKey: false,
    ctrlKey: false,
    altKey: false,
    metaKey: false,
    ...held,
  }) as PointerEvent;

/** A sheet that lies in the view px by px; islands are found by their boxes. */
export const ground = (scale = 1): SheetGround => ({
  view: ref({ scale, x: 0, y: 0 }),
  px: ([x, y]: Pair): Pair => [x / scale, y / scale],
  reach: () => 8 / scale,
  islandAt: ([x, y]: Pair) =>
    useJob().islands.find(
      ({ box_px: [left, top, right, bottom] }) =>
        x / scale >= left && x / scale <= right && y / scale >= top && y / scale <= bottom,
    )?.index ?? null,
});
