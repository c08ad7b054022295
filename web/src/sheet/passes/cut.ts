import type { Pair, PreviewedIsland, Sheet } from "@/api/types";
import type { Box } from "../handles";
import { cornerMark } from "./frame";
import { MOST_MARKED } from "./islands";
import { nameTag } from "./marks";
import { onScreen, onSheet, strokeCased, type Frame } from "./pass";

/** Faces, edges and corners that are drawn alike, px of the sheet. */
export interface MarkedShape {
  faces: Path2D | null;
  edges: Path2D;
  corners: Pair[];
}

/** Where the surface is cut, and corners at which a seam ends openly. */
export interface SeamsDrawing {
  seams: Path2D;
  openEnds: Pair[];
}

/** Seams as stitches. */
export function drawSeams(frame: Frame, drawing: SeamsDrawing | null) {
  if (!drawing) return;
  stroke(frame, drawing.seams, frame.colors.seam, 2.5, [7, 4]);
  onScreen(frame);
  for (const end of drawing.openEnds) ring(frame, end);
}

/** Faces, edges and corners that are picked, or under the pointer. */
export function drawMarked(frame: Frame, shape: MarkedShape | null, alpha: number) {
  if (!shape) return;
  if (shape.faces) hatch(frame, shape.faces, alpha);
  stroke(frame, shape.edges, frame.colors.picked, 4);
  onScreen(frame);
  for (const corner of shape.corners) cornerMark(frame, corner);
}

/** The outlines of a change that is shown before it is taken; the layout as it is shows through paper. */
export function drawPreview(frame: Frame, preview: Path2D | null, sheet: Sheet) {
  if (!preview) return;
  onSheet(frame);
  frame.context.globalAlpha = 0.75;
  frame.context.fillStyle = frame.colors.paper;
  frame.context.fillRect(0, 0, sheet.width_px, sheet.height_px);
  frame.context.globalAlpha = 1;
  stroke(frame, preview, frame.colors.ink, 2.5, [6, 3]);
}

/** The names of islands in the middle of where they would lie. */
export function drawPreviewNames(frame: Frame, islands: PreviewedIsland[]) {
  if (islands.length > MOST_MARKED) return;
  onScreen(frame);
  const { view } = frame;
  const taken: Box[] = [];
  for (const island of islands) {
    const [left, top, right, bottom] = island.box_px as [number, number, number, number];
    const at: Pair = [((left + right) / 2) * view.scale + view.x, ((top + bottom) / 2) * view.scale + view.y];
    nameTag(frame, at, ((right - left) / 2) * view.scale, island, false, taken);
  }
}

/** Lines on the sheet whose width and dashes are screen px. */
function stroke(frame: Frame, path: Path2D, color: string, width: number, dash: number[] = []) {
  onSheet(frame);
  strokeCased(frame, { color, width, dash }, path, frame.view.scale);
}

/** Rising stripes inside faces; between them their colours show as they are. */
function hatch(frame: Frame, faces: Path2D, alpha: number) {
  const { context, width, height, colors } = frame;
  onSheet(frame);
  context.save();
  context.clip(faces);
  onScreen(frame);
  context.globalAlpha = alpha;
  context.beginPath();
  for (let x = -height; x < width; x += 12) {
    context.moveTo(x, height);
    context.lineTo(x + height, 0);
  }
  strokeCased(frame, { color: colors.picked, width: 2 });
  context.restore();
}

function ring({ context, view, colors }: Frame, [x, y]: Pair) {
  context.beginPath();
  context.arc(x * view.scale + view.x, y * view.scale + view.y, 6, 0, 2 * Math.PI);
  context.fillStyle = colors.paper;
  context.fill();
  context.lineWidth = 3;
  context.strokeStyle = colors.warning;
  context.stroke();
}
