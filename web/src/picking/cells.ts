import type { Cell, Pair } from "@/api/types";

/** The smallest cell that a place of the sheet lies in, by its number; null where there is none. */
export function cellAt(cells: readonly Pick<Cell, "corners_px">[], [x, y]: Pair): number | null {
  let best: number | null = null;
  let least = Infinity;
  cells.forEach(({ corners_px }, index) => {
    const across = corners_px.map((corner) => corner[0]);
    const down = corners_px.map((corner) => corner[1]);
    const [left, right, top, bottom] = [Math.min(...across), Math.max(...across), Math.min(...down), Math.max(...down)];
    const area = (right - left) * (bottom - top);
    if (x >= left && x <= right && y >= top && y <= bottom && area < least) [best, least] = [index, area];
  });
  return best;
}
