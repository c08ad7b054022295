import { createPinia, setActivePinia } from "pinia";
import { beforeEach, describe, expect, it, vi } from "vitest";
import type { Job } from "@/api/types";
import { useJob } from "@/stores/job";
import { useMessages } from "@/stores/messages";
import { useRelaxing } from "@/stages/cut/relaxing";
import sample from "../../../../test/data/api/job.json";

const job = sample as unknown as Job;
const step = (number: number) =>
  `${JSON.stringify({ facts: { step: number, spacing: 1 + 1 / number }, sheet: job.sheet, lines: [] })}\n`;

describe("the relaxing store", () => {
  let kept: unknown[];
  let chunks: string[];

  beforeEach(async () => {
    setActivePinia(createPinia());
    kept = [];
    vi.stubGlobal("fetch", (path: string, { body }: RequestInit = {}) => {
      if (path.endsWith("/operations")) kept.push((JSON.parse(String(body)) as { parameters: unknown }).parameters);
      if (!path.includes("watches")) return Promise.resolve(new Response(JSON.stringify(job)));
      const stream = new ReadableStream<Uint8Array>({
        start(control) {
          for (const chunk of chunks) control.enqueue(new TextEncoder().encode(chunk));
          control.close();
        },
      });
      return Promise.resolve(new Response(stream));
    });
    await useJob().open(job.id);
  });

  it("takes steps in, wherever the answer is torn apart, and keeps as many as were seen", async () => {
    const whole = step(1) + step(2) + step(3) + '{"done":true}\n';
    chunks = [whole.slice(0, 15), whole.slice(15, 50), whole.slice(50)];
    const relaxing = useRelaxing();
    await relaxing.start({ islands: [0], border: "free", pins: [4] });
    expect(relaxing.steps.map(({ facts }) => facts.step)).toEqual([1, 2, 3]);
    expect(relaxing.running).toBe(false);
    await relaxing.keep();
    expect(kept).toEqual([{ islands: [0], border: "free", pins: [4], steps: 3 }]);
    expect(relaxing.steps).toEqual([]);
  });

  it("says what went wrong after some steps, and changes nothing when it is left", async () => {
    chunks = [
      step(1),
      `${JSON.stringify({ error: { code: "mesh", message: "all its corners are held", where: {} } })}\n`,
    ];
    const relaxing = useRelaxing();
    await relaxing.start({ islands: [0], border: "held", pins: [] });
    expect(useMessages().failure).toBe("all its corners are held");
    expect(relaxing.leave()).toBe(true);
    expect(relaxing.leave()).toBe(false);
    expect(kept).toEqual([]);
  });
});
