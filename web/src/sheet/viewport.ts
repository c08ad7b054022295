import type { Sheet } from "@/api/types";

/** Where the sheet lies on the screen: screen = px * scale + offset. */
export interface Viewport {
  scale: number;
  x: number;
  y: number;
}

export const RULER = 22;
const MARGIN = 40;
export const SMALLEST_SCALE = 0.01;
export const LARGEST_SCALE = 64;

/** The whole sheet, with room for crop marks. */
export function fitted(sheet: Sheet, width: number, height: number): Viewport {
  const room = { width: Math.max(width - RULER - 2 * MARGIN, 40), height: Math.max(height - RULER - 2 * MARGIN, 40) };
  const scale = Math.min(room.width / sheet.width_px, room.height / sheet.height_px);
  return centred(sheet, width, height, clampScale(scale));
}

/** The middle of the sheet in the middle of the view, at a scale. */
export function centred(sheet: Sheet, width: number, height: number, scale: number): Viewport {
  return {
    scale,
    x: RULER + (width - RULER - sheet.width_px * scale) / 2,
    y: RULER + (height - RULER - sheet.height_px * scale) / 2,
  };
}

/** A box of the sheet in the middle of the view, with room about it. */
export function framing(
  box: { left: number; top: number; right: number; bottom: number },
  width: number,
  height: number,
): Viewport {
  const room = { width: Math.max(width - RULER, 40) / 2.2, height: Math.max(height - RULER, 40) / 2.2 };
  const scale = clampScale(
    Math.min(room.width / Math.max(box.right - box.left, 1), room.height / Math.max(box.bottom - box.top, 1), 16),
  );
  return {
    scale,
    x: (width + RULER) / 2 - ((box.left + box.right) / 2) * scale,
    y: (height + RULER) / 2 - ((box.top + box.bottom) / 2) * scale,
  };
}

export function clampScale(scale: number): number {
  return Math.min(Math.max(scale, SMALLEST_SCALE), LARGEST_SCALE);
}

/** Zooms so that what is under a screen point stays there. */
export function zoomedAt(view: Viewport, screenX: number, screenY: number, factor: number): Viewport {
  const scale = clampScale(view.scale * factor);
  const ratio = scale / view.scale;
  return { scale, x: screenX - (screenX - view.x) * ratio, y: screenY - (screenY - view.y) * ratio };
}

export function toPx(view: Viewport, screenX: number, screenY: number) {
  return { x: (screenX - view.x) / view.scale, y: (screenY - view.y) / view.scale };
}

/** A round step (1, 2 or 5 times a power of ten) of which each takes at least so many screen px. */
export function roundStep(perUnit: number, leastScreenPx: number): number {
  const raw = leastScreenPx / perUnit;
  const power = 10 ** Math.floor(Math.log10(raw));
  const step = [1, 2, 5, 10].find((factor) => factor * power >= raw) ?? 10;
  return step * power;
}
