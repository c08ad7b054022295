import type { Island, Pair } from "@/api/types";

/** A box in px of the sheet. */
export interface Box {
  left: number;
  top: number;
  right: number;
  bottom: number;
}

export type Grip = { kind: "scale"; across: -1 | 0 | 1; down: -1 | 0 | 1 } | { kind: "turn" };

/** Screen px between the box and its frame, and from the frame to the turn grip. */
export const FRAME = 8;
const TURN_OUT = 22;
const REACH = 9;

export function boxAround(islands: Island[]): Box | null {
  if (islands.length === 0) return null;
  return {
    left: Math.min(...islands.map((island) => island.box_px[0])),
    top: Math.min(...islands.map((island) => island.box_px[1])),
    right: Math.max(...islands.map((island) => island.box_px[2])),
    bottom: Math.max(...islands.map((island) => island.box_px[3])),
  };
}

/** Grips and where they are, given the box on the screen. */
export function grips(box: Box): { grip: Grip; at: Pair }[] {
  const x = [box.left - FRAME, (box.left + box.right) / 2, box.right + FRAME];
  const y = [box.top - FRAME, (box.top + box.bottom) / 2, box.bottom + FRAME];
  const found: { grip: Grip; at: Pair }[] = [
    { grip: { kind: "turn" }, at: [box.right + FRAME + TURN_OUT, box.top - FRAME] },
  ];
  for (const across of [-1, 0, 1] as const) {
    for (const down of [-1, 0, 1] as const) {
      if (across === 0 && down === 0) continue;
      found.push({ grip: { kind: "scale", across, down }, at: [x[across + 1]!, y[down + 1]!] });
    }
  }
  return found;
}

export function gripAt(box: Box, x: number, y: number): Grip | null {
  const hit = grips(box).find(({ at }) => Math.abs(at[0] - x) <= REACH && Math.abs(at[1] - y) <= REACH);
  return hit?.grip ?? null;
}

/** Cursor while over a grip. */
export function gripCursor(grip: Grip): string {
  if (grip.kind === "turn") return "grab";
  if (grip.across === 0) return "ns-resize";
  if (grip.down === 0) return "ew-resize";
  return grip.across === grip.down ? "nwse-resize" : "nesw-resize";
}

/** The change a drag makes, in the words of the operation that will do it. */
export interface Change {
  move_px: Pair;
  turn_deg: number;
  scale: Pair;
}

export const UNCHANGED: Change = { move_px: [0, 0], turn_deg: 0, scale: [1, 1] };

/** The box between two places, of whole px, one wide and high at the least. */
export function wholeBox(from: Pair, to: Pair): Box {
  const [left, top] = [0, 1].map((axis) => Math.round(Math.min(from[axis]!, to[axis]!))) as Pair;
  const [right, bottom] = [0, 1].map((axis) => Math.round(Math.max(from[axis]!, to[axis]!))) as Pair;
  return { left, top, right: Math.max(right, left + 1), bottom: Math.max(bottom, top + 1) };
}

/**
 * Moves as far as the hand did, to a tenth of a px; held to pixels, so that the box's left upper corner lies on a
 * corner or a middle of one.
 */
export function heldMove([dx, dy]: Pair, box: Box, hold: "free" | "gutter" | "corners" | "middles"): Pair {
  if (hold === "free" || hold === "gutter") return [Math.round(dx * 10) / 10, Math.round(dy * 10) / 10];
  const offset = hold === "middles" ? 0.5 : 0;
  const held = (from: number, by: number) => Math.round(from + by - offset) + offset - from;
  return [held(box.left, dx), held(box.top, dy)];
}

/** What a move is held beside: boxes of other islands, the room to keep from them, and the sheet with its margin. */
export interface Neighbours {
  boxes: Box[];
  gutter: number;
  /** of the sheet, less its margin */
  room: Box;
  /** px that a box is caught from */
  reach: number;
}

/**
 * Moves as far as the hand did, and on to where the box stands a gutter away from a neighbour's, in line with it, or at
 * the margin: each direction by itself, where that is within reach.
 */
export function besideMove([dx, dy]: Pair, box: Box, { boxes, gutter, room, reach }: Neighbours): Pair {
  const moved = { left: box.left + dx, right: box.right + dx, top: box.top + dy, bottom: box.bottom + dy };
  const caught = (low: "left" | "top", high: "right" | "bottom", across: ["top", "bottom"] | ["left", "right"]) => {
    const beside = boxes.filter(
      (other) =>
        other[across[1]] + gutter + reach > moved[across[0]] && other[across[0]] - gutter - reach < moved[across[1]],
    );
    const places = [
      ...beside.flatMap((other) => [other[high] + gutter - moved[low], other[low] - gutter - moved[high]]),
      ...boxes.flatMap((other) => [other[low] - moved[low], other[high] - moved[high]]),
      room[low] - moved[low],
      room[high] - moved[high],
    ];
    const nearest = places.reduce((best, by) => (Math.abs(by) < Math.abs(best) ? by : best), Infinity);
    return Math.abs(nearest) <= reach ? nearest : 0;
  };
  return [dx + caught("left", "right", ["top", "bottom"]), dy + caught("top", "bottom", ["left", "right"])];
}

/** From where a grip was taken to where it is now, both in px, about the box's middle. */
export function gripChange(grip: Grip, box: Box, from: Pair, to: Pair, steps: boolean): Change {
  const middle: Pair = [(box.left + box.right) / 2, (box.top + box.bottom) / 2];
  if (grip.kind === "turn") {
    const angle = (at: Pair) => Math.atan2(at[1] - middle[1], at[0] - middle[0]);
    const turn = ((angle(to) - angle(from)) * 180) / Math.PI;
    return { ...UNCHANGED, turn_deg: steps ? Math.round(turn / 5) * 5 : Math.round(turn * 100) / 100 };
  }
  const ratio = (axis: 0 | 1) => {
    const reach = from[axis] - middle[axis];
    return Math.abs(reach) < 1e-6 ? 1 : Math.max((to[axis] - middle[axis]) / reach, 0.01);
  };
  if (grip.across !== 0 && grip.down !== 0) {
    const reach = Math.hypot(from[0] - middle[0], from[1] - middle[1]);
    const even = Math.max(
      ((to[0] - middle[0]) * (from[0] - middle[0]) + (to[1] - middle[1]) * (from[1] - middle[1])) / reach ** 2,
      0.01,
    );
    return { ...UNCHANGED, scale: [even, even] };
  }
  return { ...UNCHANGED, scale: grip.across === 0 ? [1, ratio(1)] : [ratio(0), 1] };
}

/** The change as a matrix for px of the sheet: scaled, then turned, then moved, about the box's middle. */
export function changeMatrix(change: Change, box: Box): DOMMatrix {
  const x = (box.left + box.right) / 2;
  const y = (box.top + box.bottom) / 2;
  return new DOMMatrix()
    .translate(change.move_px[0] + x, change.move_px[1] + y)
    .rotate(change.turn_deg)
    .scale(change.scale[0], change.scale[1])
    .translate(-x, -y);
}
