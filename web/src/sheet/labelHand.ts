import type { Layer, OnIsland, Pair } from "@/api/types";
import { caughtMove, type Caught } from "./catching";
import type { Viewport } from "./viewport";

/** What the hand does to the picked label; lengths in px of the sheet. */
export interface LabelChange {
  shift_px: Pair;
  scale: number;
  /** a corner that is pulled by itself */
  pull: { corner: number; by_px: Pair } | null;
  caught: Caught[];
}

export const STILL: LabelChange = { shift_px: [0, 0], scale: 1, pull: null, caught: [] };

/** What a press takes: a corner by its number from the top left, the grip of the size, or the label. */
export type LabelHit = number | "size" | "move";

const REACH = 9;

const placeOf = (layer: Layer | null): OnIsland | null => (layer?.place.kind === "island" ? layer.place : null);

const inView = (view: Viewport, [x, y]: Pair): Pair => [x * view.scale + view.x, y * view.scale + view.y];

function inside(outline: Pair[], [x, y]: Pair): boolean {
  let odd = false;
  outline.forEach((from, i) => {
    const to = outline[(i + 1) % outline.length]!;
    if (from[1] > y !== to[1] > y && x < from[0] + ((y - from[1]) * (to[0] - from[0])) / (to[1] - from[1])) odd = !odd;
  });
  return odd;
}

/** What a press on the picked label would take; its corners where they are pulled. */
export function labelHit(view: Viewport, layer: Layer | null, at: Pair, pulling: boolean): LabelHit | null {
  const place = placeOf(layer);
  if (!place) return null;
  const corners = place.frame_px.map((corner) => inView(view, corner as Pair));
  const near = corners.findIndex((corner) => Math.hypot(corner[0] - at[0], corner[1] - at[1]) < REACH);
  if (pulling && near >= 0) return near;
  if (near === 2) return "size";
  const outline = place.outline_px.map((spot) => inView(view, spot as Pair));
  return inside(outline, at) || inside(corners, at) ? "move" : null;
}

/** mm of the island that px of the sheet are. */
export function toMm({ mm_per_px: [xRight, xDown, yRight, yDown] }: OnIsland, [right, down]: Pair): Pair {
  return [xRight! * right + xDown! * down, yRight! * right + yDown! * down];
}

function fromMm({ mm_per_px: [xRight, xDown, yRight, yDown] }: OnIsland, [x, y]: Pair): Pair {
  const det = xRight! * yDown! - xDown! * yRight!;
  return [(yDown! * x - xDown! * y) / det, (xRight! * y - yRight! * x) / det];
}

/** px of the sheet that a spot of the island is, mm from its middle. */
export function spotPx(place: OnIsland, [x, y]: Pair): Pair {
  const [right, down] = fromMm(place, [x - place.x_mm, y - place.y_mm]);
  return [place.middle_px[0]! + right, place.middle_px[1]! + down];
}

/** Within reach px of a line of its island, or of another layer's, it is moved on to there. */
export function labelMove(layer: Layer, others: Layer[], shift: Pair, reach: number): LabelChange {
  const place = placeOf(layer);
  if (!place) return STILL;
  const perPx = Math.sqrt(
    Math.abs(place.mm_per_px[0]! * place.mm_per_px[3]! - place.mm_per_px[1]! * place.mm_per_px[2]!),
  );
  const { by_mm, caught } = caughtMove(place, others, toMm(place, shift), reach * perPx);
  return { ...STILL, shift_px: caught.length > 0 ? fromMm(place, by_mm) : shift, caught };
}

export function labelScale(layer: Layer, from: Pair, to: Pair): LabelChange {
  const place = placeOf(layer);
  if (!place) return STILL;
  const [x, y] = place.middle_px as Pair;
  const reach = Math.hypot(from[0] - x, from[1] - y);
  return { ...STILL, scale: Math.max(Math.hypot(to[0] - x, to[1] - y) / Math.max(reach, 1e-6), 0.02) };
}

/** How far its corners are pulled, as shares of its width and height, once one of them is pulled farther. */
export function pulledCorners(
  place: OnIsland,
  { corner, by_px }: { corner: number; by_px: Pair },
): OnIsland["corners"] {
  const [x, y] = toMm(place, by_px);
  const turn = (place.turn_deg * Math.PI) / 180;
  const right = (x * Math.cos(turn) - y * Math.sin(turn)) / place.width_mm;
  const down = -(x * Math.sin(turn) + y * Math.cos(turn)) / place.height_mm;
  return place.corners.map(
    (own, i) => own + (i === 2 * corner ? right : i === 2 * corner + 1 ? down : 0),
  ) as OnIsland["corners"];
}

/** Places of it in the view, moved, sized and pulled as the hand does. */
function changed(view: Viewport, place: OnIsland, spots: Pair[], { shift_px: shift, scale }: LabelChange): Pair[] {
  const [x, y] = place.middle_px as Pair;
  return spots.map((spot) =>
    inView(view, [x + (spot[0] - x) * scale + shift[0], y + (spot[1] - y) * scale + shift[1]]),
  );
}

/** Its corners in the view; null where it is on no island. */
export function labelCorners(view: Viewport, layer: Layer, change: LabelChange): Pair[] | null {
  const place = placeOf(layer);
  if (!place) return null;
  const corners = place.frame_px.map(([right, down], i): Pair => {
    const by = change.pull?.corner === i ? change.pull.by_px : [0, 0];
    return [right! + by[0]!, down! + by[1]!];
  });
  return changed(view, place, corners, change);
}

/** Its border in the view; while a corner is pulled, from corner to corner. */
export function labelOutline(view: Viewport, layer: Layer, change: LabelChange): Pair[] | null {
  const place = placeOf(layer);
  if (!place) return null;
  return change.pull ? labelCorners(view, layer, change) : changed(view, place, place.outline_px as Pair[], change);
}
