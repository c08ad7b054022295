import { createPinia, setActivePinia } from "pinia";
import { beforeEach, describe, expect, it, vi } from "vitest";
import { nextTick } from "vue";
import type { Job } from "@/api/types";
import type { Under } from "@/picking/elements";
import { useJob } from "@/stores/job";
import { useMessages } from "@/stores/messages";
import { usePicks } from "@/stores/picks";
import { useSeams } from "@/stores/seams";
import refusal from "../../../test/data/api/error.json";
import sample from "../../../test/data/api/job.json";

const job = sample as unknown as Job;
const under: Under = { island: 0, face: 4, edge: 7, corner: 2, side: 7, end: 3 };
const plain = { shift: false, ctrl: false, again: false };

describe("the picks store", () => {
  /** what was asked, as way and body */
  let asked: [string, Record<string, unknown>][];
  let found: number[];

  beforeEach(async () => {
    setActivePinia(createPinia());
    asked = [];
    found = [1, 2, 3];
    vi.stubGlobal("fetch", (path: string, { body }: RequestInit = {}) => {
      const way = /picks\/(\w+)/.exec(path)?.[1] ?? /(operations)$/.exec(path)?.[1];
      if (way) asked.push([way, JSON.parse(String(body)) as Record<string, unknown>]);
      if (way === "refused") return Promise.resolve(new Response(JSON.stringify(refusal), { status: 422 }));
      if (path.includes("/arrays/")) return Promise.resolve(new Response(new Uint8Array()));
      return Promise.resolve(
        new Response(JSON.stringify(/picks/.test(path) ? { indices: found } : job), { status: 200 }),
      );
    });
    await useJob().open(job.id);
  });

  it("begins with islands and clicks on another job", async () => {
    const picks = usePicks();
    picks.kind = "edges";
    picks.gesture = "stroke";
    useJob().close();
    await nextTick();
    expect([picks.kind, picks.gesture]).toEqual(["islands", "click"]);
  });

  it("picks one and lets it go by a click, each kind for itself", async () => {
    const picks = usePicks();
    picks.kind = "faces";
    await picks.click(under, plain);
    picks.kind = "edges";
    await picks.click(under, plain);
    expect([...picks.sets.faces, ...picks.sets.edges]).toEqual([4, 7]);
    await picks.click(under, plain);
    expect(picks.sets.edges.size).toBe(0);
    expect(picks.sets.faces.size).toBe(1);
    expect(asked).toEqual([]);
  });

  it("asks for a run from the last click, a ring, a loop and a piece", async () => {
    const picks = usePicks();
    picks.kind = "edges";
    await picks.click(under, plain);
    await picks.click({ ...under, edge: 9, end: 8 }, { ...plain, shift: true });
    await picks.click(under, { ...plain, ctrl: true });
    picks.kind = "faces";
    await picks.click(under, { ...plain, ctrl: true });
    await picks.click(under, { ...plain, again: true });
    expect(asked).toEqual([
      ["run", { kind: "edges", start: 3, stop: 8 }],
      ["loop", { kind: "edges", edge: 7 }],
      ["ring", { kind: "faces", edge: 7 }],
      ["piece", { kind: "faces", picked: [4] }],
    ]);
    expect([...picks.sets.edges]).toEqual([7, 1, 2, 3]);
  });

  it("adds, takes away, and lets go what was picked before", async () => {
    const picks = usePicks();
    picks.kind = "faces";
    picks.set("faces", [2, 9]);
    await picks.ask("more", { picked: [] }, "remove");
    expect([...picks.sets.faces]).toEqual([9]);
    await picks.ask("more", { picked: [] }, "only");
    expect([...picks.sets.faces]).toEqual([1, 2, 3]);
    expect(useMessages().done).toBe("3 faces picked, 3 in all");
  });

  it("keeps what is picked and says why when the server refuses", async () => {
    const picks = usePicks();
    picks.kind = "edges";
    picks.set("edges", [5]);
    await picks.ask("refused" as "more", { picked: [] });
    expect([...picks.sets.edges]).toEqual([5]);
    expect(useMessages().failure).toBe(refusal.error.message);
  });

  it("cuts and sews up edges that are drawn directly", async () => {
    const picks = usePicks();
    const seams = useSeams();
    picks.kind = "edges";
    seams.direct = true;
    await picks.click(under, plain);
    await picks.click(under, plain);
    const marks = asked.map(([, body]) => body.parameters);
    expect(marks).toEqual([
      { edges: [7], cut: true, mirrored: false },
      { edges: [7], cut: false, mirrored: false },
    ]);
    expect(picks.sets.edges.size).toBe(0);
  });
});
