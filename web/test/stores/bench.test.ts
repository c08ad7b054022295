import { createPinia, setActivePinia } from "pinia";
import { beforeEach, describe, expect, it, vi } from "vitest";
import { useBench } from "@/stores/bench";

describe("the bench", () => {
  beforeEach(() => {
    localStorage.clear();
    setActivePinia(createPinia());
  });

  it("gives a view the whole width, and takes it back", () => {
    const bench = useBench();
    bench.enlarge("proof");
    expect(bench.alone).toBe("proof");
    expect(bench.columns).toBe("var(--rail) minmax(0, 1fr) var(--inspector)");
    bench.enlarge("sheet");
    expect(bench.alone).toBe("sheet");
    bench.enlarge("sheet");
    expect(bench.alone).toBeNull();
    expect(bench.columns).toContain("7px");
  });

  it("leaves either view some room", () => {
    const bench = useBench();
    bench.divide(-3);
    expect(bench.share).toBe(0.15);
    bench.divide(2);
    expect(bench.share).toBe(0.85);
  });

  it("folds the strip in a low window, and does not remember that for another", () => {
    vi.stubGlobal("innerHeight", 533);
    expect(useBench().strip).toBe(false);
    vi.stubGlobal("innerHeight", 800);
    setActivePinia(createPinia());
    expect(useBench().strip).toBe(true);
    vi.unstubAllGlobals();
  });
});
