import type { Layer, Pair } from "@/api/types";
import type { Viewport } from "./viewport";

export interface LabelChange {
  shift_px: Pair;
  scale: number;
}

export const STILL: LabelChange = { shift_px: [0, 0], scale: 1 };

/** What a press on the picked label would do. */
export function labelHit(view: Viewport, layer: Layer | null, at: Pair): "move" | "size" | null {
  const corners = layer && labelCorners(view, layer, STILL);
  if (!corners) return null;
  if (Math.hypot(corners[2]![0] - at[0], corners[2]![1] - at[1]) < 9) return "size";
  const sides = corners.map((from, i) => {
    const to = corners[(i + 1) % 4]!;
    return (to[0] - from[0]) * (at[1] - from[1]) - (to[1] - from[1]) * (at[0] - from[0]);
  });
  return sides.every((side) => side >= 0) || sides.every((side) => side <= 0) ? "move" : null;
}

/** From where a label was taken to where it is now, px of the sheet. */
export function labelDrag(layer: Layer, sizing: boolean, from: Pair, to: Pair): LabelChange {
  if (!sizing) return { shift_px: [to[0] - from[0], to[1] - from[1]], scale: 1 };
  if (layer.place.kind !== "island") return STILL;
  const corners = layer.place.frame_px;
  const x = corners.reduce((sum, corner) => sum + corner[0] / 4, 0);
  const y = corners.reduce((sum, corner) => sum + corner[1] / 4, 0);
  const reach = Math.hypot(from[0] - x, from[1] - y);
  return { shift_px: [0, 0], scale: Math.max(Math.hypot(to[0] - x, to[1] - y) / Math.max(reach, 1e-6), 0.02) };
}

/** Its corners in the view, shifted and scaled as a drag says; null where it is on no island. */
export function labelCorners(view: Viewport, layer: Layer, { shift_px: shift, scale }: LabelChange): Pair[] | null {
  if (layer.place.kind !== "island") return null;
  const corners = layer.place.frame_px;
  const x = corners.reduce((sum, corner) => sum + corner[0] / 4, 0);
  const y = corners.reduce((sum, corner) => sum + corner[1] / 4, 0);
  return corners.map((corner) => [
    (x + (corner[0] - x) * scale + shift[0]) * view.scale + view.x,
    (y + (corner[1] - y) * scale + shift[1]) * view.scale + view.y,
  ]);
}
