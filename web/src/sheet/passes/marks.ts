import type { Island, Pair } from "@/api/types";
import type { Box } from "../handles";
import type { IslandShape } from "../shapes";
import { onScreen, onSheet, strokeCased, type Frame } from "./pass";

/** Marks that tell an island's state by shape first and colour second. All in screen px. */

function middle(box: Box): Pair {
  return [(box.left + box.right) / 2, (box.top + box.bottom) / 2];
}

/** A turned R, and a diagonal hatch over the shape. */
export function mirroredMark(frame: Frame, box: Box, shape: IslandShape | undefined) {
  const { context, colors } = frame;
  if (shape) mirroredHatch(frame, box, shape);
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

function mirroredHatch(frame: Frame, box: Box, shape: IslandShape) {
  const { context, colors } = frame;
  context.save();
  onSheet(frame);
  context.clip(shape.faces);
  onScreen(frame);
  context.globalAlpha = 0.6;
  context.beginPath();
  const span = box.bottom - box.top;
  for (let x = box.left - span; x < box.right; x += 16) {
    context.moveTo(x, box.bottom);
    context.lineTo(x + span, box.top);
  }
  strokeCased(frame, { color: colors.warning, width: 2 });
  context.restore();
}

/** A small arrow that points where the model's up does. */
export function upMark({ context, colors }: Frame, [x, y]: Pair, island: Island) {
  context.save();
  context.translate(x, y);
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

/** A padlock at the lower right: it stays where it is. */
export function lockMark({ context, colors }: Frame, box: Box) {
  const x = box.right - 14;
  const y = box.bottom - 12;
  context.beginPath();
  context.arc(x, y - 3, 4, Math.PI, 2 * Math.PI);
  context.strokeStyle = colors.ink;
  context.lineWidth = 2;
  context.stroke();
  context.beginPath();
  context.roundRect(x - 6.5, y - 3, 13, 9, 2);
  context.fillStyle = colors.ink;
  context.fill();
  context.strokeStyle = colors.paper;
  context.lineWidth = 1;
  context.stroke();
}

/** Sizes of a name, the largest first. */
const FONTS = [13, 11.5, 10];
const FONT = "'Atkinson Hyperlegible Next Variable', sans-serif";

/**
 * Writes an island's name inside it, as large as it fits.
 *
 * @param half how far there is room to either side, px of the screen
 * @param taken where names stand already: on islands that lie on each other only the first one is written
 * @returns how far it goes to either side; 0 where there was no room
 */
export function nameTag(
  { context, colors }: Frame,
  [x, y]: Pair,
  half: number,
  island: Pick<Island, "name">,
  picked: boolean,
  taken: Box[],
): number {
  for (const size of FONTS) {
    context.font = `600 ${size}px ${FONT}`;
    const width = context.measureText(island.name).width / 2 + 4;
    if (width > half) continue;
    const own = { left: x - width, top: y - size * 0.75, right: x + width, bottom: y + size * 0.75 };
    if (
      taken.some(
        (other) => own.left < other.right && other.left < own.right && own.top < other.bottom && other.top < own.bottom,
      )
    )
      return 0;
    taken.push(own);
    context.textAlign = "center";
    context.textBaseline = "middle";
    context.beginPath();
    context.roundRect(own.left, own.top, own.right - own.left, own.bottom - own.top, 3);
    context.fillStyle = picked ? colors.picked : colors.paper;
    context.fill();
    context.fillStyle = picked ? colors.paper : colors.ink;
    context.fillText(island.name, x, y + 0.5);
    return width;
  }
  return 0;
}
