import { createPinia, setActivePinia } from "pinia";
import { beforeEach, describe, expect, it, vi } from "vitest";
import { nextTick } from "vue";
import { api, ApiError } from "@/api/client";
import type { Job } from "@/api/types";
import { useJob } from "@/stores/job";
import { useMessages } from "@/stores/messages";
import { usePreview } from "@/stores/preview";
import refusal from "../../../test/data/api/error.json";
import sample from "../../../test/data/api/job.json";

const job = sample as unknown as Job;
const answer = (status: number, body: unknown) => Promise.resolve(new Response(JSON.stringify(body), { status }));

describe("the job store", () => {
  beforeEach(() => setActivePinia(createPinia()));

  it("sends each change on top of the last one's result", async () => {
    const store = useJob();
    const asked: number[] = [];
    vi.stubGlobal("fetch", (path: string, { body }: RequestInit) => {
      if (path.endsWith("/operations"))
        asked.push((JSON.parse(String(body)) as { base_revision: number }).base_revision);
      return answer(200, { ...job, revision: job.revision + asked.length });
    });
    await store.open(job.id);
    const both = Promise.all([store.operate("set_unit", { unit_mm: 2 }), store.operate("set_unit", { unit_mm: 3 })]);
    expect(store.saved).toBe(false);
    expect(await both).toEqual([true, true]);
    expect(asked).toEqual([job.revision, job.revision + 1]);
    expect(store.saved).toBe(true);
  });

  it("keeps the job and says why when the server refuses", async () => {
    const store = useJob();
    vi.stubGlobal("fetch", (path: string) => (path.endsWith("/operations") ? answer(422, refusal) : answer(200, job)));
    await store.open(job.id);
    expect(await store.operate("set_unit", { unit_mm: 0 })).toBe(false);
    expect(store.job?.revision).toBe(job.revision);
    expect(useMessages().failure).toBe(refusal.error.message);
  });

  it("shows the job anew when it was changed elsewhere", async () => {
    const store = useJob();
    let opened = 0;
    vi.stubGlobal("fetch", (path: string) =>
      path.endsWith("/operations")
        ? answer(409, { error: { code: "conflict", message: "changed elsewhere", where: {} } })
        : answer(200, { ...job, revision: job.revision + opened++ }),
    );
    await store.open(job.id);
    await store.operate("set_unit", { unit_mm: 2 });
    expect(store.job?.revision).toBe(job.revision + 1);
  });
});

describe("what differs from the job that the page has", () => {
  beforeEach(() => setActivePinia(createPinia()));

  it("is put into it, island by island", async () => {
    const store = useJob();
    const [first, ...others] = job.islands;
    const moved = { ...first!, box_px: [1, 2, 3, 4] as [number, number, number, number] };
    let has: string | undefined;
    vi.stubGlobal("fetch", (path: string, { headers }: RequestInit) => {
      if (!path.endsWith("/operations")) return answer(200, job);
      has = (headers as Record<string, string>)["x-has"];
      return answer(200, { since: job.revision, changed: { revision: 99, done: "moved" }, islands: [moved] });
    });
    await store.open(job.id);
    await store.operate("set_unit", { unit_mm: 2 });
    expect(has).toBe(String(job.revision));
    const whole = { ...job, revision: 99, done: "moved", islands: [moved, ...others] };
    expect(JSON.stringify(store.job)).toBe(JSON.stringify(whole));
  });
});

describe("a change made elsewhere", () => {
  beforeEach(() => setActivePinia(createPinia()));

  it("is told as another page's, and says that an open preview is of the state before", async () => {
    const store = useJob();
    let revision = job.revision;
    vi.stubGlobal("fetch", (path: string) =>
      path.includes("/previews")
        ? answer(200, { lines: [], names: [] })
        : answer(200, { ...job, revision, done: "Front moved" }),
    );
    await store.open(job.id);
    const preview = usePreview();
    await preview.show("set_unit", { unit_mm: 2 });
    revision += 1;
    await store.refresh(revision);
    expect(useMessages().done).toBe(
      "Another page: Front moved; what was shown is of the state before, so ask for it again",
    );
    await nextTick();
    expect(preview.shown).toBeNull();
  });
});

describe("a change that came too late", () => {
  beforeEach(() => setActivePinia(createPinia()));

  it("is kept, and done on the new state when the painter says so", async () => {
    const store = useJob();
    const sent: unknown[] = [];
    vi.stubGlobal("fetch", (path: string, { body }: RequestInit) => {
      if (!path.endsWith("/operations")) return answer(200, { ...job, revision: 9 });
      sent.push(JSON.parse(String(body)));
      return sent.length === 1
        ? answer(409, { error: { code: "conflict", message: "changed elsewhere", where: {} } })
        : answer(200, { ...job, revision: 10 });
    });
    await store.open(job.id);
    await store.operate("set_unit", { unit_mm: 2.5 });
    expect(store.late?.label).toBe("Set unit");
    expect(await store.late!.again()).toBe(true);
    expect(sent[1]).toMatchObject({ base_revision: 9, parameters: { unit_mm: 2.5 } });
    expect([store.late, store.job?.revision]).toEqual([null, 10]);
  });

  it("is let go with the next change", async () => {
    const store = useJob();
    let refusals = 1;
    vi.stubGlobal("fetch", (path: string) =>
      path.endsWith("/operations") && refusals-- > 0
        ? answer(409, { error: { code: "conflict", message: "changed elsewhere", where: {} } })
        : answer(200, job),
    );
    await store.open(job.id);
    await store.operate("set_unit", { unit_mm: 2 });
    await store.operate("set_unit", { unit_mm: 3 });
    expect(store.late).toBeNull();
  });
});

describe("the client", () => {
  it("throws what the server said, with code and places", async () => {
    vi.stubGlobal("fetch", () => answer(422, refusal));
    await expect(api.jobs()).rejects.toMatchObject({
      status: 422,
      code: "format",
      where: { file: "bad.obj", line: 1 },
    });
  });

  it("says so when nobody answers", async () => {
    vi.stubGlobal("fetch", () => Promise.reject(new TypeError("gone")));
    await expect(api.jobs()).rejects.toBeInstanceOf(ApiError);
    await expect(api.jobs()).rejects.toThrow(/does not answer/);
  });

  it("refuses a file that is too large without sending it", async () => {
    const file = new File(["v"], "huge.obj");
    Object.defineProperty(file, "size", { value: 500 * 1_048_576 });
    await expect(api.startJob([file])).rejects.toThrow(/huge\.obj is too large: 500 MB/);
  });
});
