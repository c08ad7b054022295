import type { EditionColumn } from "@/api/types";

/** One cell, or a block of cells, of the table of editions, as text that the core reads. */
export function tableText(columns: EditionColumn[], rows: { edition: string; cells: (string | null)[] }[]): string {
  const lines = [
    ["edition", ...columns.map(({ title }) => title)],
    ...rows.map(({ edition, cells }) => [edition, ...cells]),
  ];
  return lines.map((cells) => cells.map(quoted).join(",")).join("\n");
}

/** @see RFC 4180 */
const quoted = (cell: string | null) =>
  /[",\r\n]/.test(cell ?? "") ? `"${cell!.replaceAll('"', '""')}"` : (cell ?? "");

/** What is pasted from a spreadsheet: rows of cells. */
export const pastedCells = (text: string) =>
  text
    .replace(/\r?\n$/, "")
    .split(/\r?\n/)
    .map((line) => line.split("\t"));

/** Whether what is pasted is a whole table, with its headings. */
export const isWholeTable = (text: string) => /^"?edition"?[\t,]/i.test(text.replace("\uFEFF", ""));
