import { effectScope } from "vue";
import { describe, expect, it, vi } from "vitest";
import { keyName, useKeys } from "@/composables/useKeys";

describe("keyName", () => {
  const press = (key: string, held: KeyboardEventInit = {}) => keyName(new KeyboardEvent("keydown", { key, ...held }));

  it("names keys as the key sheet does", () => {
    expect([
      press("z", { ctrlKey: true }),
      press("Z", { ctrlKey: true, shiftKey: true }),
      press("z", { metaKey: true }),
    ]).toEqual(["Ctrl+z", "Ctrl+Shift+z", "Ctrl+z"]);
    expect([
      press("ArrowLeft", { shiftKey: true }),
      press("ArrowUp", { altKey: true }),
      press("<", { shiftKey: true }),
    ]).toEqual(["Shift+ArrowLeft", "Alt+ArrowUp", "<"]);
  });
});

describe("useKeys", () => {
  /** How often a key is taken while an element has the focus. */
  function taken(html: string, key: string): number {
    document.body.innerHTML = html;
    const action = vi.fn();
    const scope = effectScope();
    scope.run(() => useKeys({ [key]: action }));
    document.querySelector("[data-at]")!.dispatchEvent(new KeyboardEvent("keydown", { key, bubbles: true }));
    scope.stop();
    return action.mock.calls.length;
  }

  it("leaves letters to fields that are typed into, and takes them from radios, checks and buttons", () => {
    expect(["text", "number", "search"].map((type) => taken(`<input data-at type="${type}" />`, "3"))).toEqual([
      0, 0, 0,
    ]);
    expect(["radio", "checkbox", "range"].map((type) => taken(`<input data-at type="${type}" />`, "3"))).toEqual([
      1, 1, 1,
    ]);
    expect(taken("<button data-at></button>", "3")).toBe(1);
    expect(taken("<textarea data-at></textarea>", "3")).toBe(0);
  });

  it("leaves a radio and a slider the keys that move them", () => {
    expect(["radio", "range"].map((type) => taken(`<input data-at type="${type}" />`, "ArrowLeft"))).toEqual([0, 0]);
    expect(taken("<button data-at></button>", "ArrowLeft")).toBe(1);
  });
});
