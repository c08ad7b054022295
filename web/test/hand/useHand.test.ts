import { afterEach, beforeEach, describe, expect, it } from "vitest";
import { effectScope, ref, type EffectScope } from "vue";
import type { Pair } from "@/api/types";
import { straight, type Tool } from "@/hand/tool";
import { useHand } from "@/hand/useHand";

/** A tool that writes down what it is told, and takes presses left of a place. */
function recorder(name: string, takesTo: number, calls: string[]): Tool {
  const note = (what: string, at: Pair) => calls.push(`${name} ${what} ${at.join(",")}`);
  return {
    hit: ([x]) => (x < takesTo ? name : null),
    press: (at) => at[0] < takesTo && note("press", at) > 0,
    move: (at, _event, far) => note(far ? "drag" : "move", at),
    release: (at, _event, clicks) => note(["drop", "click", "double click"][clicks]!, at),
    leave: () => calls.push(`${name} leave`),
    hover: (at) => calls.push(`${name} hover ${at?.join(",") ?? "none"}`),
  };
}

describe("the hand", () => {
  let calls: string[];
  let element: HTMLElement;
  let scope: EffectScope;
  let hand: ReturnType<typeof useHand>;

  function send(type: string, [x, y]: Pair, buttons = 1, detail = 0) {
    const event = new MouseEvent(type, { buttons, detail });
    Object.defineProperties(event, { offsetX: { value: x }, offsetY: { value: y }, pointerId: { value: 1 } });
    element.dispatchEvent(event);
  }

  beforeEach(() => {
    calls = [];
    element = document.createElement("canvas");
    element.setPointerCapture = () => undefined;
    scope = effectScope();
    scope.run(() => (hand = useHand(ref(element), [recorder("upper", 50, calls), recorder("lower", 100, calls)])));
  });
  afterEach(() => scope.stop());

  it("gives a press to the first tool that takes it, until it lets go", () => {
    send("pointerdown", [60, 0]);
    expect(hand.dragging.value).toBe(true);
    send("pointermove", [10, 0]);
    send("pointerup", [10, 0]);
    expect(calls).toEqual(["lower press 60,0", "lower drag 10,0", "lower drop 10,0"]);
    expect(hand.dragging.value).toBe(false);
  });

  it("takes how many clicks came quickly after each other from the system", () => {
    for (const count of [1, 2, 1]) {
      send("pointerdown", [60, 0]);
      send("mousedown", [60, 0], 1, count);
      send("pointerup", [60, 0]);
    }
    const clicks = calls.filter((call) => call.includes("click"));
    expect(clicks).toEqual(["lower click 60,0", "lower double click 60,0", "lower click 60,0"]);
  });

  it("calls what went less than three px a click, even where the pointer jumped", () => {
    send("pointerdown", [20, 20]);
    send("pointermove", [21, 21]);
    send("pointerup", [21, 21]);
    send("pointerdown", [20, 20]);
    send("pointerup", [40, 20]);
    expect(calls).toEqual([
      "upper press 20,20",
      "upper move 21,21",
      "upper click 21,21",
      "upper press 20,20",
      "upper drop 40,20",
    ]);
  });

  it("calls what went far and came back no click", () => {
    send("pointerdown", [20, 20]);
    send("pointermove", [30, 20]);
    send("pointermove", [20, 20]);
    send("pointerup", [20, 20]);
    expect(calls.at(-1)).toBe("upper drop 20,20");
  });

  it("tells all tools where the pointer is while nothing is pressed, and looks like the first that would take it", () => {
    send("pointermove", [70, 5], 0);
    expect(calls).toEqual(["upper hover 70,5", "lower hover 70,5"]);
    expect(hand.cursor.value).toBe("lower");
    send("pointermove", [200, 5], 0);
    expect(hand.cursor.value).toBe("default");
    send("pointerleave", [200, 5], 0);
    expect(calls.slice(-2)).toEqual(["upper hover none", "lower hover none"]);
  });

  it("leaves a drag once, and does not let go of it after", () => {
    send("pointerdown", [20, 20]);
    expect([hand.leave(), hand.leave()]).toEqual([true, false]);
    send("pointerup", [40, 20]);
    expect(calls).toEqual(["upper press 20,20", "upper leave"]);
  });

  it("leaves a drag that the system takes away", () => {
    send("pointerdown", [20, 20]);
    send("pointercancel", [20, 20]);
    expect(calls).toEqual(["upper press 20,20", "upper leave"]);
  });
});

describe("a straight drag", () => {
  it("keeps the longer of its two ways", () => {
    expect([straight([5, 3], true), straight([-2, 7], true), straight([5, 3], false)]).toEqual([
      [5, 0],
      [0, 7],
      [5, 3],
    ]);
  });
});
