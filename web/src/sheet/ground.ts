import type { Ref } from "vue";
import type { Island, Pair } from "@/api/types";
import type { IslandShape } from "./shapes";
import { toPx, type Viewport } from "./viewport";

/**
 * What tools of the sheet stand on: where the sheet lies in the view, and what of it lies under a place of the view.
 */
export interface SheetGround {
  view: Ref<Viewport>;
  /** px of the sheet that a place of the view is */
  px: (at: Pair) => Pair;
  /** px of the sheet that the pointer may be off something small */
  reach: () => number;
  islandAt: (at: Pair) => number | null;
}

const REACH = 8; // screen px

export function sheetGround(view: Ref<Viewport>, islands: () => Island[], shapes: () => IslandShape[]): SheetGround {
  const probe = document.createElement("canvas").getContext("2d");
  const px = (at: Pair): Pair => {
    const { x, y } = toPx(view.value, at[0], at[1]);
    return [x, y];
  };

  /** The uppermost that has a face there. */
  function islandAt(at: Pair): number | null {
    const [x, y] = px(at);
    const found = islands().findLast(({ box_px: box, index }) => {
      if (x < box[0] || y < box[1] || x > box[2] || y > box[3]) return false;
      const shape = shapes()[index];
      return shape !== undefined && probe !== null && probe.isPointInPath(shape.faces, x, y);
    });
    return found?.index ?? null;
  }

  return { view, px, reach: () => REACH / view.value.scale, islandAt };
}
