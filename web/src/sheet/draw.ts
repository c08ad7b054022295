import type { Island, Layer, Pair, Sheet } from "@/api/types";
import { cornerMark, drawCut, drawPreview, type CutDrawing } from "./cutMarks";
import { drawCells, drawFit, type FitDrawing } from "./fitMarks";
import type { Box } from "./handles";
import { FRAME, grips } from "./handles";
import { labelFrame, mirroredMark, nameTag, upMark } from "./marks";
import { drawRulers } from "./rulers";
import type { IslandShape } from "./shapes";
import type { Viewport } from "./viewport";

/** Everything a drawing of the sheet depends on. */
export interface SheetScene {
  width: number;
  height: number;
  view: Viewport;
  sheet: Sheet;
  image: HTMLImageElement | null;
  /** how strong the image is shown, 0 to 1; and whether its px are squares on the screen */
  imageOpacity: number;
  pixels: "auto" | "hard" | "smooth";
  islands: Island[];
  shapes: IslandShape[];
  picked: number[];
  hovered: number | null;
  /** islands of hidden parts */
  hidden: Set<number>;
  /** faces that are lit */
  lit: Path2D | null;
  /** seams and picks of the cut stage; null elsewhere */
  cut: CutDrawing | null;
  /** cells and landmarks of the fit stage; null elsewhere */
  fit: FitDrawing | null;
  /** a change that is shown before it is taken, px */
  preview: Path2D | null;
  /** rectangles that packing keeps free, px: left, top, width, height */
  reserved: [number, number, number, number][];
  /** corners picked to be placed, px */
  corners: Pair[];
  /** how the picked islands and their twins are moved while a drag lasts */
  moved: DOMMatrix | null;
  moving: Set<number>;
  /** the frame with grips, px; null where islands can't be moved */
  frame: Box | null;
  /** the picked label's frame, px */
  label: { layer: Layer; shift: Pair } | null;
  labelScale: number;
  density: number;
  unit: "px" | "mm";
  colors: SheetColors;
}

export interface SheetColors {
  mat: string;
  matLine: string;
  matLineStrong: string;
  paper: string;
  ink: string;
  line: string;
  picked: string;
  warning: string;
  lit: string;
  seam: string;
  ruler: string;
  rulerInk: string;
}

/** More islands than this are drawn without names, marks and hatching. */
const MOST_MARKED = 400;

/** From so many screen px on, single px of the picture stay squares by themselves. */
const HARD = 3;

/** Draws the mat, the sheet, the islands and the rulers. */
export function drawSheet(context: CanvasRenderingContext2D, scene: SheetScene, ratio: number) {
  context.setTransform(ratio, 0, 0, ratio, 0, 0);
  drawMat(context, scene);
  drawPaper(context, scene, ratio);
  if (scene.fit) drawCells(context, scene, scene.fit, ratio);
  const islands = scene.islands.filter((island) => !scene.hidden.has(island.index));
  islands.forEach((island) => drawIsland(context, scene, island, ratio));
  drawReserved(context, scene, ratio);
  if (scene.preview) drawPreview(context, scene, scene.preview, ratio);
  if (scene.fit) drawFit(context, scene, scene.fit, ratio);
  if (scene.cut) drawCut(context, scene, scene.cut, ratio);
  if (scene.lit) drawLit(context, scene, scene.lit, ratio);
  context.setTransform(ratio, 0, 0, ratio, 0, 0);
  const names: Box[] = [];
  const pickedFirst = [...islands].sort((a, b) => Number(scene.picked.includes(b.index)) - Number(scene.picked.includes(a.index)));
  if (islands.length <= MOST_MARKED) pickedFirst.forEach((island) => drawMarks(context, scene, island, names));
  drawFrame(context, scene);
  scene.corners.forEach((corner) => cornerMark(context, scene, corner));
  if (scene.label) labelFrame(context, scene, scene.label.layer, scene.label.shift);
  drawRulers(context, scene);
}

function drawMat(context: CanvasRenderingContext2D, { width, height, view, colors }: SheetScene) {
  context.fillStyle = colors.mat;
  context.fillRect(0, 0, width, height);
  for (const [step, color] of [[20, colors.matLine], [100, colors.matLineStrong]] as const) {
    context.strokeStyle = color;
    context.lineWidth = 1;
    context.beginPath();
    for (let x = (view.x % step) - step; x < width; x += step) lineAt(context, Math.round(x) + 0.5, 0, 0, height);
    for (let y = (view.y % step) - step; y < height; y += step) lineAt(context, 0, Math.round(y) + 0.5, width, 0);
    context.stroke();
  }
}

function lineAt(context: CanvasRenderingContext2D, x: number, y: number, dx: number, dy: number) {
  context.moveTo(x, y);
  context.lineTo(x + dx, y + dy);
}

function drawPaper(context: CanvasRenderingContext2D, scene: SheetScene, ratio: number) {
  const { view, sheet, image, colors } = scene;
  const width = sheet.width_px * view.scale;
  const height = sheet.height_px * view.scale;
  context.fillStyle = colors.paper;
  context.fillRect(view.x, view.y, width, height);
  if (image) {
    const px = (width * ratio) / image.naturalWidth; // of the screen, for one of the picture
    context.imageSmoothingEnabled = scene.pixels === "auto" ? px <= HARD : scene.pixels === "smooth";
    context.imageSmoothingQuality = "high";
    context.globalAlpha = scene.imageOpacity;
    drawVisible(context, scene, image);
    context.globalAlpha = 1;
  }
  cropMarks(context, view, width, height, colors.paper);
}

/** Draws what is seen of the sheet's image: at single pixels the whole of it would be a thousand screens wide. */
function drawVisible(context: CanvasRenderingContext2D, { view, sheet, width, height }: SheetScene, image: HTMLImageElement) {
  const left = Math.max(Math.floor(-view.x / view.scale), 0);
  const top = Math.max(Math.floor(-view.y / view.scale), 0);
  const right = Math.min(Math.ceil((width - view.x) / view.scale), sheet.width_px);
  const bottom = Math.min(Math.ceil((height - view.y) / view.scale), sheet.height_px);
  if (right <= left || bottom <= top) return;
  const across = image.naturalWidth / sheet.width_px;
  const down = image.naturalHeight / sheet.height_px;
  context.drawImage(
    image, left * across, top * down, (right - left) * across, (bottom - top) * down,
    left * view.scale + view.x, top * view.scale + view.y, (right - left) * view.scale, (bottom - top) * view.scale,
  );
}

function cropMarks(context: CanvasRenderingContext2D, view: Viewport, width: number, height: number, color: string) {
  context.strokeStyle = color;
  context.lineWidth = 1.5;
  context.beginPath();
  for (const [x, outX] of [[view.x, -1], [view.x + width, 1]] as const) {
    for (const [y, outY] of [[view.y, -1], [view.y + height, 1]] as const) {
      lineAt(context, x + 6 * outX, y, 16 * outX, 0);
      lineAt(context, x, y + 6 * outY, 0, 16 * outY);
    }
  }
  context.stroke();
}

function isOff({ box_px: box }: Island, { width_px, height_px }: Sheet) {
  const slack = 0.01;
  return box[0] < -slack || box[1] < -slack || box[2] > width_px + slack || box[3] > height_px + slack;
}

function drawIsland(context: CanvasRenderingContext2D, scene: SheetScene, island: Island, ratio: number) {
  const shape = scene.shapes[island.index];
  if (!shape) return;
  const picked = scene.picked.includes(island.index);
  const { view, colors } = scene;
  context.setTransform(ratio * view.scale, 0, 0, ratio * view.scale, ratio * view.x, ratio * view.y);
  if (scene.moved && scene.moving.has(island.index)) context.transform(scene.moved.a, scene.moved.b, scene.moved.c, scene.moved.d, scene.moved.e, scene.moved.f);
  const thin = 1 / view.scale;
  if (picked || scene.hovered === island.index) {
    context.globalAlpha = picked ? 0.16 : 0.1;
    context.fillStyle = colors.picked;
    context.fill(shape.faces);
    context.globalAlpha = 1;
  }
  context.strokeStyle = colors.line;
  context.globalAlpha = 0.45;
  context.lineWidth = thin;
  context.stroke(shape.edges);
  context.globalAlpha = 1;
  context.setLineDash(isOff(island, scene.sheet) ? [2 * thin, 4 * thin] : []);
  context.lineWidth = (picked ? 2.5 : scene.hovered === island.index ? 2 : 1.2) * thin;
  context.strokeStyle = picked || scene.hovered === island.index ? colors.picked : colors.line;
  context.stroke(shape.outline);
  context.setLineDash([]);
}

/** What is kept free: crossed out, in dashes. */
function drawReserved(context: CanvasRenderingContext2D, { view, colors, reserved }: SheetScene, ratio: number) {
  context.setTransform(ratio, 0, 0, ratio, 0, 0);
  context.strokeStyle = colors.warning;
  context.lineWidth = 1.5;
  context.setLineDash([5, 4]);
  for (const [left, top, width, height] of reserved) {
    const [x, y, w, h] = [left * view.scale + view.x, top * view.scale + view.y, width * view.scale, height * view.scale];
    context.strokeRect(x, y, w, h);
    context.beginPath();
    lineAt(context, x, y, w, h);
    lineAt(context, x + w, y, -w, h);
    context.stroke();
  }
  context.setLineDash([]);
}

/** Lit faces: upright hatching inside a heavy outline. */
function drawLit(context: CanvasRenderingContext2D, { view, colors, width, height }: SheetScene, lit: Path2D, ratio: number) {
  context.save();
  context.setTransform(ratio * view.scale, 0, 0, ratio * view.scale, ratio * view.x, ratio * view.y);
  context.strokeStyle = colors.lit;
  context.lineWidth = 2.5 / view.scale;
  context.stroke(lit);
  context.clip(lit);
  context.setTransform(ratio, 0, 0, ratio, 0, 0);
  context.globalAlpha = 0.75;
  context.lineWidth = 2;
  context.beginPath();
  for (let x = 0; x < width; x += 6) lineAt(context, x + 0.5, 0, 0, height);
  context.stroke();
  context.restore();
}

function drawMarks(context: CanvasRenderingContext2D, scene: SheetScene, island: Island, names: Box[]) {
  if (scene.moved && scene.moving.has(island.index)) return;
  const { view } = scene;
  const [left, top, right, bottom] = island.box_px.map((value, i) => value * view.scale + (i % 2 ? view.y : view.x)) as [number, number, number, number];
  if (right < 0 || bottom < 0 || left > scene.width || top > scene.height || right - left < 26 || bottom - top < 26) return;
  const box = { left, top, right, bottom };
  if (island.mirrored) mirroredMark(context, scene, box, island);
  upMark(context, scene, box, island);
  nameTag(context, scene, box, island, names);
}

function drawFrame(context: CanvasRenderingContext2D, scene: SheetScene) {
  if (!scene.frame || scene.moved) return;
  const { view, colors } = scene;
  const box = {
    left: scene.frame.left * view.scale + view.x,
    top: scene.frame.top * view.scale + view.y,
    right: scene.frame.right * view.scale + view.x,
    bottom: scene.frame.bottom * view.scale + view.y,
  };
  context.strokeStyle = colors.picked;
  context.lineWidth = 2;
  for (const { grip, at } of grips(box)) {
    const [x, y] = at;
    context.beginPath();
    if (grip.kind === "turn") {
      context.arc(box.right + FRAME, box.top - FRAME, x - box.right - FRAME, -Math.PI / 3, Math.PI / 6);
      context.stroke();
      context.beginPath();
      context.arc(x, y, 5, 0, 2 * Math.PI);
    } else if (grip.across !== 0 && grip.down !== 0) {
      // A tick round each corner, as on a cutting plan.
      context.moveTo(x, y - 12 * grip.down);
      context.lineTo(x, y);
      context.lineTo(x - 12 * grip.across, y);
      context.lineWidth = 4;
      context.stroke();
      context.lineWidth = 2;
      continue;
    } else {
      context.rect(x - (grip.across === 0 ? 7 : 2.5), y - (grip.down === 0 ? 7 : 2.5), grip.across === 0 ? 14 : 5, grip.down === 0 ? 14 : 5);
    }
    context.fillStyle = colors.paper;
    context.fill();
    context.stroke();
  }
}
