import type { SheetColors } from "../colors";
import type { Viewport } from "../viewport";

/** What every pass draws on: a view of so many CSS px, where the sheet lies in it, and the colours. */
export interface Frame {
  context: CanvasRenderingContext2D;
  width: number;
  height: number;
  view: Viewport;
  /** device px to a CSS px */
  ratio: number;
  colors: SheetColors;
}

/** One thing that a view draws, over the ones before it. Each asks for its own inputs; nothing else is handed on. */
export interface Pass {
  /** Stays as it is for long: kept as a bitmap until an input changes. What follows the hand does not rest. */
  rests: boolean;
  /** what the drawing depends on, compared by identity */
  inputs: () => unknown[];
  draw: (frame: Frame) => void;
}

/** A pass with its inputs. */
export function pass<I extends unknown[]>(
  rests: boolean,
  inputs: () => [...I],
  draw: (frame: Frame, ...values: I) => void,
): Pass {
  return { rests, inputs, draw: (frame) => draw(frame, ...inputs()) };
}

/** Coordinates of the view. */
export const onScreen = ({ context, ratio }: Frame) => context.setTransform(ratio, 0, 0, ratio, 0, 0);

/** Coordinates of the sheet, px. */
export const onSheet = ({ context, ratio, view }: Frame) =>
  context.setTransform(ratio * view.scale, 0, 0, ratio * view.scale, ratio * view.x, ratio * view.y);

/** px of the screen that a mark's light casing goes beyond it on either side */
const CASING = 1.5;

interface Line {
  color: string;
  /** px of the screen, as the dash is */
  width: number;
  dash?: number[];
}

/** Strokes a path, or the present one, over a light casing, so that it stands out from any ground. */
export function strokeCased({ context, colors }: Frame, { color, width, dash = [] }: Line, path?: Path2D, scale = 1) {
  const stroke = () => (path ? context.stroke(path) : context.stroke());
  context.lineWidth = (width + 2 * CASING) / scale;
  context.strokeStyle = colors.paper;
  stroke();
  context.setLineDash(dash.map((length) => length / scale));
  context.lineWidth = width / scale;
  context.strokeStyle = color;
  stroke();
  context.setLineDash([]);
}

export function lineAt(context: CanvasRenderingContext2D, x: number, y: number, dx: number, dy: number) {
  context.moveTo(x, y);
  context.lineTo(x + dx, y + dy);
}
