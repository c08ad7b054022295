import type { Pair } from "@/api/types";

/**
 * What a hand does in a view, sheet and proof alike. Places are px from the view's top left corner. A view has a list
 * of tools: the first that takes a press has the hand until it lets go.
 */
export interface Tool {
  /** What the pointer looks like where a press would be this tool's; null where it would not. */
  hit: (at: Pair) => string | null;
  /** Takes a press, or leaves it to the tools below. */
  press: (at: Pair, event: PointerEvent) => boolean;
  /** The hand moves, pressed. `far`: it has gone farther than in a click. */
  move?: (at: Pair, event: PointerEvent, far: boolean) => void;
  /** The hand lets go. `clicks`: the how manieth of quick clicks on one place this is; 0 where it went far. */
  release?: (at: Pair, event: PointerEvent, clicks: number) => unknown;
  /** The drag is left: all is as it was before the press. */
  leave?: () => void;
  /** The pointer is over the view, and nothing is pressed; null: it went away. */
  hover?: (at: Pair | null) => void;
}

/** px that a press may move and still be a click */
export const CLICK = 3;

/** With a key held, along one axis only. */
export function straight([dx, dy]: Pair, held: boolean): Pair {
  if (!held) return [dx, dy];
  return Math.abs(dx) > Math.abs(dy) ? [dx, 0] : [0, dy];
}
