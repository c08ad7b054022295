import { describe, expect, it } from "vitest";
import { keyName } from "@/composables/useKeys";

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
