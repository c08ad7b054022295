import { createPinia, setActivePinia } from "pinia";
import { afterEach, beforeEach, describe, expect, it, vi } from "vitest";
import { inWords, useWork } from "@/stores/work";

describe("work that the server is at", () => {
  beforeEach(() => {
    vi.useFakeTimers();
    setActivePinia(createPinia());
  });
  afterEach(() => vi.useRealTimers());

  /** Work that ends when the test says so, or when it is stopped. */
  function start(signal?: AbortSignal) {
    const work = useWork();
    let id = "";
    let end!: (value: string) => void;
    const done = work.follow(
      "Pack",
      (followed) => {
        id = followed.work;
        return new Promise<string>((resolve, reject) => {
          end = resolve;
          followed.signal.addEventListener("abort", () => reject(new Error("stopped")));
        });
      },
      signal,
    );
    return { work, id, end, done };
  }

  it("is shown only once it lasts, and goes when it is done", async () => {
    const { work, end, done } = start();
    vi.advanceTimersByTime(400);
    expect(work.shown).toEqual([]);
    vi.advanceTimersByTime(200);
    expect(work.shown.map(({ label, share }) => [label, share])).toEqual([["Pack", null]]);
    end("packed");
    expect(await done).toBe("packed");
    expect(work.shown).toEqual([]);
  });

  it("hears how far it is, each work its own", () => {
    const { work, id } = start();
    start();
    vi.advanceTimersByTime(600);
    work.hear(id, 0.4);
    work.hear("another page's", 0.9);
    expect(work.shown.map(({ share }) => share)).toEqual([0.4, null]);
  });

  it("stops by its button, and with what it was asked for", async () => {
    const { work, id, done } = start();
    work.stop(id);
    await expect(done).rejects.toThrow("stopped");
    const control = new AbortController();
    const second = start(control.signal);
    control.abort();
    await expect(second.done).rejects.toThrow("stopped");
    expect(work.shown).toEqual([]);
  });

  it("is called by the operation's name in words", () => {
    expect(inWords("lay_flat")).toBe("Lay flat");
    expect(inWords("pack")).toBe("Pack");
  });
});
