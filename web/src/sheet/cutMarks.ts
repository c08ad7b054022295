import type { Pair } from "@/api/types";
import type { SheetColors, SheetScene } from "./draw";

/** Faces, edges and corners that are drawn alike, px of the sheet. */
export interface MarkedShape {
  faces: Path2D | null;
  edges: Path2D;
  corners: Pair[];
}

/** What the cut stage draws over the islands. */
export interface CutDrawing {
  seams: Path2D;
  /** places of corners at which a seam ends openly */
  openEnds: Pair[];
  picked: MarkedShape;
  hovered: MarkedShape;
}

/** Draws seams as stitches, and what is picked. */
export function drawCut(context: CanvasRenderingContext2D, scene: SheetScene, cut: CutDrawing, ratio: number) {
  const { view, colors } = scene;
  const onSheet = () => context.setTransform(ratio * view.scale, 0, 0, ratio * view.scale, ratio * view.x, ratio * view.y);
  const onScreen = () => context.setTransform(ratio, 0, 0, ratio, 0, 0);
  const stroke = strokes(context, scene, ratio);
  stroke(cut.seams, colors.paper, 4);
  stroke(cut.seams, colors.seam, 2.5, [7, 4]);
  for (const [shape, alpha] of [[cut.picked, 0.8], [cut.hovered, 0.4]] as const) {
    if (shape.faces) {
      onSheet();
      hatch(context, scene, shape.faces, alpha, onScreen);
    }
    stroke(shape.edges, colors.paper, 7);
    stroke(shape.edges, colors.picked, 4);
  }
  onScreen();
  for (const corner of [...cut.picked.corners, ...cut.hovered.corners]) cornerMark(context, scene, corner);
  for (const end of cut.openEnds) ring(context, scene, end, colors);
}

/** Draws the outlines of a change that is shown before it is taken. */
export function drawPreview(context: CanvasRenderingContext2D, scene: SheetScene, preview: Path2D, ratio: number) {
  const stroke = strokes(context, scene, ratio);
  stroke(preview, scene.colors.paper, 5);
  stroke(preview, scene.colors.lit, 2.5, [6, 3]);
}

/** Lines on the sheet whose width and dashes are screen px. */
function strokes(context: CanvasRenderingContext2D, { view }: SheetScene, ratio: number) {
  return (path: Path2D, color: string, width: number, dash: number[] = []) => {
    context.setTransform(ratio * view.scale, 0, 0, ratio * view.scale, ratio * view.x, ratio * view.y);
    context.strokeStyle = color;
    context.lineWidth = width / view.scale;
    context.setLineDash(dash.map((length) => length / view.scale));
    context.stroke(path);
    context.setLineDash([]);
  };
}

/** Rising stripes inside faces. */
function hatch(context: CanvasRenderingContext2D, { width, height, colors }: SheetScene, faces: Path2D, alpha: number, onScreen: () => void) {
  context.save();
  context.globalAlpha = alpha * 0.35;
  context.fillStyle = colors.picked;
  context.fill(faces);
  context.clip(faces);
  onScreen();
  context.globalAlpha = alpha;
  context.strokeStyle = colors.picked;
  context.lineWidth = 3;
  context.beginPath();
  for (let x = -height; x < width; x += 9) {
    context.moveTo(x, height);
    context.lineTo(x + height, 0);
  }
  context.stroke();
  context.restore();
}

/** A square on a picked corner; in screen px. */
export function cornerMark(context: CanvasRenderingContext2D, { view, colors }: SheetScene, [x, y]: Pair) {
  context.fillStyle = colors.paper;
  context.fillRect(x * view.scale + view.x - 5, y * view.scale + view.y - 5, 10, 10);
  context.fillStyle = colors.picked;
  context.fillRect(x * view.scale + view.x - 3.5, y * view.scale + view.y - 3.5, 7, 7);
}

function ring(context: CanvasRenderingContext2D, { view }: SheetScene, [x, y]: Pair, colors: SheetColors) {
  context.beginPath();
  context.arc(x * view.scale + view.x, y * view.scale + view.y, 6, 0, 2 * Math.PI);
  context.fillStyle = colors.paper;
  context.fill();
  context.lineWidth = 3;
  context.strokeStyle = colors.warning;
  context.stroke();
}
