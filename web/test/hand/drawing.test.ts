import { createPinia, setActivePinia } from "pinia";
import { beforeEach, describe, expect, it } from "vitest";
import type { Pair } from "@/api/types";
import { useDrawing } from "@/hand/drawing";

const drawn = (from: Pair, to: Pair) => ({ from, to, point: null, island: null });

describe("what is to be drawn on the sheet", () => {
  beforeEach(() => setActivePinia(createPinia()));

  it("gives a rectangle of whole px, from whichever corner", () => {
    const drawing = useDrawing();
    let box: unknown = null;
    drawing.box("a cell", (found) => (box = found));
    expect(drawing.shape).toBe("box");
    drawing.take(drawn([10.4, 20.6], [4.4, 9.2]));
    expect(box).toEqual({ left: 4, top: 9, right: 10, bottom: 21 });
    expect(drawing.shape).toBeNull();
  });

  it("asks for places one by one", () => {
    const drawing = useDrawing();
    let places: Pair[] = [];
    drawing.places(["the first", "the second"], (found) => (places = found));
    expect(drawing.purpose).toContain("the first");
    drawing.take(drawn([1, 1], [1, 1]));
    expect(drawing.purpose).toContain("the second");
    drawing.take(drawn([2, 3], [2, 3]));
    expect(places).toEqual([
      [1, 1],
      [2, 3],
    ]);
  });

  it("takes pulls until it is left", () => {
    const drawing = useDrawing();
    let count = 0;
    drawing.pulls("Pull", () => (count += 1));
    drawing.take(drawn([0, 0], [1, 1]));
    drawing.take(drawn([0, 0], [1, 1]));
    expect(count).toBe(2);
    expect(drawing.leave()).toBe(true);
    expect(drawing.leave()).toBe(false);
  });
});
