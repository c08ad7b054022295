import { beforeEach, describe, expect, it, vi } from "vitest";
import { Painter } from "@/sheet/passes/painter";
import type { Frame, Pass } from "@/sheet/passes/pass";

describe("the painter", () => {
  let drawn: string[];
  let bottom: object;
  let hovered: object;
  let frame: Frame;

  const context = (width = 80, height = 60) =>
    ({ canvas: { width, height }, setTransform: vi.fn(), drawImage: vi.fn() }) as unknown as CanvasRenderingContext2D;
  const note = (rests: boolean, inputs: () => unknown[], name: string): Pass => ({
    rests,
    inputs,
    draw: () => void drawn.push(name),
  });
  const painter = () =>
    new Painter([
      note(true, () => [bottom], "paper"),
      note(true, () => [bottom], "islands"),
      note(false, () => [hovered], "hovered"),
      note(true, () => [], "marks"),
    ]);

  beforeEach(() => {
    drawn = [];
    bottom = {};
    hovered = {};
    vi.spyOn(HTMLCanvasElement.prototype, "getContext").mockImplementation(() => context());
    frame = {
      context: context(),
      width: 80,
      height: 60,
      ratio: 1,
      view: { scale: 1, x: 0, y: 0 },
      colors: {},
    } as Frame;
  });

  it("paints what rests once, and what lives every time", () => {
    const it = painter();
    it.paint(frame);
    hovered = {};
    it.paint(frame);
    it.paint(frame);
    expect(drawn).toEqual(["paper", "islands", "hovered", "marks", "hovered", "hovered"]);
    expect(it.painted).toBe(2);
    expect(frame.context.drawImage).toHaveBeenCalledTimes(6);
  });

  it("paints only the run anew whose input has changed", () => {
    const it = painter();
    it.paint(frame);
    bottom = {};
    it.paint(frame);
    expect(drawn.slice(4)).toEqual(["paper", "islands", "hovered"]);
  });

  it.each([
    ["the view moves", { view: { scale: 1, x: 5, y: 0 } }],
    ["the view is zoomed", { view: { scale: 2, x: 0, y: 0 } }],
    ["the theme changes", { colors: {} }],
    ["the screen is finer", { ratio: 2 }],
    ["the view grows", { context: context(90, 60) }],
  ])("paints all anew when %s", (_name, change) => {
    const it = painter();
    it.paint(frame);
    it.paint({ ...frame, ...change } as Frame);
    expect(it.painted).toBe(4);
  });

  it("draws passes in their order, over the bitmaps before them", () => {
    vi.mocked(frame.context.drawImage).mockImplementation(() => void drawn.push("bitmap"));
    painter().paint(frame);
    expect(drawn).toEqual(["paper", "islands", "bitmap", "hovered", "marks", "bitmap"]);
  });

  it("draws nothing on a view without size", () => {
    painter().paint({ ...frame, context: context(0, 60) });
    expect(frame.context.drawImage).not.toHaveBeenCalled();
  });
});
