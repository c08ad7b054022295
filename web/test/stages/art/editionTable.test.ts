import { describe, expect, it } from "vitest";
import { isWholeTable, pastedCells, tableText } from "@/stages/art/editionTable";

describe("the table of editions as text", () => {
  const column = (title: string) => ({ layer: "a", member: "text" as const, title });

  it("quotes what would part cells", () => {
    const rows = [{ edition: 'The "red" one', cells: ["a, b", null] }];
    expect(tableText([column("Name text"), column("Band colour")], rows)).toBe(
      'edition,Name text,Band colour\n"The ""red"" one","a, b",',
    );
  });

  it("takes what a spreadsheet copies apart", () => {
    expect(pastedCells("a\tb\r\nc\td\r\n")).toEqual([
      ["a", "b"],
      ["c", "d"],
    ]);
    expect(isWholeTable("Edition\tName text\nA\tx")).toBe(true);
    expect(isWholeTable("Pine\tHeather")).toBe(false);
  });
});
