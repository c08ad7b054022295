import type { Island, Layer, Pair } from "@/api/types";
import type { SheetScene } from "./draw";
import type { Box } from "./handles";

/** Marks that tell an island's state by shape first and colour second. All in screen px. */

function middle(box: Box): Pair {
  return [(box.left + box.right) / 2, (box.top + box.bottom) / 2];
}

/** Diagonal hatch, and a turned R. */
export function mirroredMark(context: CanvasRenderingContext2D, scene: SheetScene, box: Box, island: Island) {
  const shape = scene.shapes[island.index];
  if (!shape) return;
  const { view, colors } = scene;
  context.save();
  context.translate(view.x, view.y);
  context.scale(view.scale, view.scale);
  context.clip(shape.faces);
  context.setTransform(context.getTransform().a / view.scale, 0, 0, context.getTransform().d / view.scale, 0, 0);
  context.strokeStyle = colors.warning;
  context.globalAlpha = 0.5;
  context.lineWidth = 3;
  context.beginPath();
  const span = box.bottom - box.top;
  for (let x = box.left - span; x < box.right; x += 16) {
    context.moveTo(x, box.bottom);
    context.lineTo(x + span, box.top);
  }
  context.stroke();
  context.restore();
  const [x, y] = middle(box);
  context.beginPath();
  context.arc(x, y, 13, 0, 2 * Math.PI);
  context.fillStyle = colors.paper;
  context.fill();
  context.strokeStyle = colors.warning;
  context.lineWidth = 2;
  context.stroke();
  context.save();
  context.translate(x, y);
  context.scale(-1, 1);
  context.fillStyle = colors.warning;
  context.font = "700 15px 'Atkinson Hyperlegible Next Variable', sans-serif";
  context.textAlign = "center";
  context.textBaseline = "middle";
  context.fillText("R", 0, 1);
  context.restore();
}

/** A small arrow that points where the model's up does. */
export function upMark(context: CanvasRenderingContext2D, { colors }: SheetScene, box: Box, island: Island) {
  context.save();
  context.translate(box.right - 14, box.top + 14);
  context.rotate((island.up_angle_deg * Math.PI) / 180);
  context.beginPath();
  context.moveTo(0, -7);
  context.lineTo(5.5, 6);
  context.lineTo(0, 3);
  context.lineTo(-5.5, 6);
  context.closePath();
  context.fillStyle = colors.paper;
  context.fill();
  context.strokeStyle = colors.ink;
  context.lineWidth = 1.3;
  context.stroke();
  context.restore();
}

/** @param taken where names stand already: on islands that lie on each other only the first one is written */
export function nameTag(context: CanvasRenderingContext2D, { colors, picked }: SheetScene, box: Box, island: Island, taken: Box[]) {
  const width = box.right - box.left - 34;
  if (width < 24) return;
  context.font = "600 11.5px 'Atkinson Hyperlegible Next Variable', sans-serif";
  context.textAlign = "left";
  context.textBaseline = "middle";
  const measured = context.measureText(island.name).width;
  if (measured + 10 > width) return;
  const own = { left: box.left + 6, top: box.top + 6, right: box.left + 16 + measured, bottom: box.top + 23 };
  if (taken.some((other) => own.left < other.right && other.left < own.right && own.top < other.bottom && other.top < own.bottom)) return;
  taken.push(own);
  context.beginPath();
  context.roundRect(box.left + 6, box.top + 6, measured + 10, 17, 3);
  context.fillStyle = picked.includes(island.index) ? colors.picked : colors.paper;
  context.fill();
  context.fillStyle = picked.includes(island.index) ? colors.paper : colors.ink;
  context.fillText(island.name, box.left + 11, box.top + 15);
}

/** The picked label's frame: long dashes, a tick at its upper edge, and a grip for its width. */
export function labelFrame(context: CanvasRenderingContext2D, scene: SheetScene, layer: Layer, shift: Pair) {
  const corners = labelCorners(scene, layer, shift);
  if (!corners) return;
  context.strokeStyle = scene.colors.picked;
  context.lineWidth = 2;
  context.setLineDash([9, 4]);
  context.beginPath();
  corners.forEach(([x, y], i) => (i === 0 ? context.moveTo(x, y) : context.lineTo(x, y)));
  context.closePath();
  context.stroke();
  context.setLineDash([]);
  const grip = corners[2]!;
  context.beginPath();
  context.arc(grip[0], grip[1], 5.5, 0, 2 * Math.PI);
  context.fillStyle = scene.colors.paper;
  context.fill();
  context.stroke();
}

/** A label's corners on the screen, shifted and scaled as a drag says. */
export function labelCorners(scene: Pick<SheetScene, "view" | "labelScale">, layer: Layer, shift: Pair): Pair[] | null {
  if (layer.place.kind !== "island") return null;
  const { view, labelScale } = scene;
  const corners = layer.place.frame_px;
  const x = corners.reduce((sum, corner) => sum + corner[0] / 4, 0);
  const y = corners.reduce((sum, corner) => sum + corner[1] / 4, 0);
  return corners.map((corner) => [
    (x + (corner[0] - x) * labelScale + shift[0]) * view.scale + view.x,
    (y + (corner[1] - y) * labelScale + shift[1]) * view.scale + view.y,
  ]);
}
