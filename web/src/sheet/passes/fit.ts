import type { Pair } from "@/api/types";
import type { Viewport } from "../viewport";
import { onScreen, strokeCased, type Frame } from "./pass";

/** What the fit stage draws over underlay and islands, px of the sheet. */
export interface FitDrawing {
  cells: {
    name: string;
    corners: Pair[];
    picked: boolean;
    /** its name is written whether or not it fits */ named: boolean;
  }[];
  landmarks: { at: Pair; to: Pair; picked: boolean }[];
}

/** Names are left out on cells smaller than this, screen px. */
const NAMED = 30;

/** Under the islands. */
export function drawCells(frame: Frame, fit: FitDrawing | null) {
  if (!fit) return;
  onScreen(frame);
  for (const picked of [false, true])
    for (const cell of fit.cells) if (cell.picked === picked) outline(frame, cell.corners, picked);
}

/** Over them. */
export function drawFit(frame: Frame, fit: FitDrawing | null) {
  if (!fit) return;
  onScreen(frame);
  for (const cell of fit.cells) tag(frame, cell.name, cell.corners, cell.picked, cell.named);
  fit.landmarks.forEach((mark, index) => landmark(frame, mark, String(index + 1)));
}

/** A line that is pulled from a place to where it must lie. */
export function drawPull(frame: Frame, pull: { from: Pair; to: Pair } | null) {
  if (!pull) return;
  onScreen(frame);
  landmark(frame, { at: pull.from, to: pull.to, picked: true }, "");
}

const screen = ({ scale, x, y }: Viewport, [px, py]: Pair): Pair => [px * scale + x, py * scale + y];

/** A dot and a dash, as cutters mark what is only laid on; the picked one solid and heavy. */
function outline(frame: Frame, corners: Pair[], picked: boolean) {
  const { view } = frame;
  const path = new Path2D();
  corners.forEach((corner, i) =>
    i === 0 ? path.moveTo(...screen(view, corner)) : path.lineTo(...screen(view, corner)),
  );
  path.closePath();
  const dash = picked ? [] : [9, 3, 2, 3];
  strokeCased(frame, { color: frame.colors.ink, width: picked ? 3.5 : 1.3, dash }, path);
}

function tag(
  { context, view, colors, width, height }: Frame,
  name: string,
  corners: Pair[],
  picked: boolean,
  named: boolean,
) {
  const places = corners.map((corner) => screen(view, corner));
  const left = Math.min(...places.map(([x]) => x));
  const top = Math.min(...places.map(([, y]) => y));
  const room = Math.max(...places.map(([x]) => x)) - left;
  const deep = Math.max(...places.map(([, y]) => y)) - top;
  if (left > width || top > height || left + room < 0 || top + deep < 0 || (!named && (room < NAMED || deep < 18)))
    return;
  context.font = "600 10.5px 'JetBrains Mono Variable', monospace";
  const wide = context.measureText(name).width + 8;
  if (!named && wide > room - 4) return; // half a name would be another cell's
  context.fillStyle = picked ? colors.picked : colors.ink;
  context.globalAlpha = picked ? 1 : 0.82;
  context.fillRect(left + 2, top + deep - 16, wide, 14);
  context.globalAlpha = 1;
  context.fillStyle = colors.paper;
  context.textAlign = "left";
  context.textBaseline = "middle";
  context.fillText(name, left + 6, top + deep - 8.5);
}

/** A numbered pin on the island, a dotted line, and a cross where it must lie. */
function landmark({ context, view, colors }: Frame, mark: { at: Pair; to: Pair; picked: boolean }, number: string) {
  const [x, y] = screen(view, mark.at);
  const [toX, toY] = screen(view, mark.to);
  for (const [color, width, dash] of [
    [colors.paper, 4, []],
    [mark.picked ? colors.picked : colors.ink, 1.8, [2, 3]],
  ] as const) {
    context.strokeStyle = color;
    context.lineWidth = width;
    context.setLineDash([...dash]);
    context.beginPath();
    context.moveTo(x, y);
    context.lineTo(toX, toY);
    context.stroke();
    context.setLineDash([]);
    context.beginPath();
    context.moveTo(toX - 8, toY);
    context.lineTo(toX + 8, toY);
    context.moveTo(toX, toY - 8);
    context.lineTo(toX, toY + 8);
    context.stroke();
  }
  context.beginPath();
  context.arc(x, y, number ? 8 : 4, 0, 2 * Math.PI);
  context.fillStyle = mark.picked ? colors.picked : colors.ink;
  context.fill();
  context.lineWidth = 1.5;
  context.strokeStyle = colors.paper;
  context.stroke();
  context.fillStyle = colors.paper;
  context.font = "600 10px 'JetBrains Mono Variable', monospace";
  context.textAlign = "center";
  context.textBaseline = "middle";
  context.fillText(number, x, y + 0.5);
}
