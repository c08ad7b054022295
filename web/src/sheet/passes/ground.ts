import type { Sheet } from "@/api/types";
import type { SheetImage } from "@/stores/image";
import type { Viewport } from "../viewport";
import { lineAt, onScreen, type Frame } from "./pass";

/** From so many screen px on, single px of the picture stay squares by themselves. */
const HARD = 3;

/** The cutting mat with its ruling. */
export function drawMat(frame: Frame) {
  const { context, width, height, view, colors } = frame;
  onScreen(frame);
  context.fillStyle = colors.mat;
  context.fillRect(0, 0, width, height);
  for (const [step, color] of [
    [20, colors.matLine],
    [100, colors.matLineStrong],
  ] as const) {
    context.strokeStyle = color;
    context.lineWidth = 1;
    context.beginPath();
    for (let x = (view.x % step) - step; x < width; x += step) lineAt(context, Math.round(x) + 0.5, 0, 0, height);
    for (let y = (view.y % step) - step; y < height; y += step) lineAt(context, 0, Math.round(y) + 0.5, width, 0);
    context.stroke();
  }
}

/**
 * The sheet with its image. Its px are squares on the screen where that is wanted, or by themselves where they are
 * large.
 */
export function drawPaper(
  frame: Frame,
  sheet: Sheet,
  image: SheetImage | null,
  opacity: number,
  pixels: "auto" | "hard" | "smooth",
) {
  const { context, view, ratio, colors } = frame;
  onScreen(frame);
  const width = sheet.width_px * view.scale;
  const height = sheet.height_px * view.scale;
  context.fillStyle = colors.paper;
  context.fillRect(view.x, view.y, width, height);
  if (image) {
    const px = (width * ratio) / image.width; // of the screen, for one of the picture
    context.imageSmoothingEnabled = pixels === "auto" ? px <= HARD : pixels === "smooth";
    context.imageSmoothingQuality = "high";
    context.globalAlpha = opacity;
    drawVisible(frame, sheet, image);
    context.globalAlpha = 1;
  }
  cropMarks(context, view, width, height, colors.paper);
}

/** Draws what is seen of the sheet's image: at single pixels the whole of it would be a thousand screens wide. */
function drawVisible({ context, view, width, height }: Frame, sheet: Sheet, image: SheetImage) {
  const left = Math.max(Math.floor(-view.x / view.scale), 0);
  const top = Math.max(Math.floor(-view.y / view.scale), 0);
  const right = Math.min(Math.ceil((width - view.x) / view.scale), sheet.width_px);
  const bottom = Math.min(Math.ceil((height - view.y) / view.scale), sheet.height_px);
  if (right <= left || bottom <= top) return;
  const across = image.width / sheet.width_px;
  const down = image.height / sheet.height_px;
  context.drawImage(
    image.source,
    left * across,
    top * down,
    (right - left) * across,
    (bottom - top) * down,
    left * view.scale + view.x,
    top * view.scale + view.y,
    (right - left) * view.scale,
    (bottom - top) * view.scale,
  );
}

function cropMarks(context: CanvasRenderingContext2D, view: Viewport, width: number, height: number, color: string) {
  context.strokeStyle = color;
  context.lineWidth = 1.5;
  context.beginPath();
  for (const [x, outX] of [
    [view.x, -1],
    [view.x + width, 1],
  ] as const) {
    for (const [y, outY] of [
      [view.y, -1],
      [view.y + height, 1],
    ] as const) {
      lineAt(context, x + 6 * outX, y, 16 * outX, 0);
      lineAt(context, x, y + 6 * outY, 0, 16 * outY);
    }
  }
  context.stroke();
}
