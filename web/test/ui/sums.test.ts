import { describe, expect, it } from "vitest";
import { shown, valueOf, within } from "@/ui/sums";

describe("valueOf", () => {
  it.each([
    ["12.5", 12.5],
    ["=120/3", 40],
    [" (4+2)*8 ", 48],
    ["-3", -3],
    ["2,5", 2.5],
    ["1e3", 1000],
  ])("reads %j as %d", (text, value) => expect(valueOf(text)).toBe(value));

  it.each(["", "=", "abc", "1/0", "2 3", "alert(1)", "a.b", "1;2", "[1]"])("refuses %j", (text) =>
    expect(valueOf(text)).toBeNull(),
  );
});

describe("shown", () => {
  it("drops trailing zeros and the minus of nothing", () => {
    expect([shown(4), shown(4.5), shown(1.005, 3), shown(-0.0001)]).toEqual(["4", "4.5", "1.005", "0"]);
  });
});

describe("within", () => {
  it("counts both ends in, and nothing beyond them", () => {
    expect([15, 16, 8192, 8193, NaN].map((px) => within(px, [16, 8192]))).toEqual([false, true, true, false, false]);
  });
});
