import type { Layer, Pair } from "@/api/types";
import { FRAME, grips, type Box } from "../handles";
import type { LabelChange } from "../labelHand";
import { labelCorners } from "../labelHand";
import { onScreen, strokeCased, type Frame } from "./pass";

/** The frame round what is picked, with its grips. */
export function drawFrame(frame: Frame, around: Box | null) {
  if (!around) return;
  const { context, view, colors } = frame;
  onScreen(frame);
  const box = {
    left: around.left * view.scale + view.x,
    top: around.top * view.scale + view.y,
    right: around.right * view.scale + view.x,
    bottom: around.bottom * view.scale + view.y,
  };
  for (const { grip, at } of grips(box)) {
    const [x, y] = at;
    context.beginPath();
    if (grip.kind === "turn") {
      context.arc(box.right + FRAME, box.top - FRAME, x - box.right - FRAME, -Math.PI / 3, Math.PI / 6);
      strokeCased(frame, { color: colors.picked, width: 2 });
      context.beginPath();
      context.arc(x, y, 5, 0, 2 * Math.PI);
    } else if (grip.across !== 0 && grip.down !== 0) {
      // A tick round each corner, as on a cutting plan.
      context.moveTo(x, y - 12 * grip.down);
      context.lineTo(x, y);
      context.lineTo(x - 12 * grip.across, y);
      strokeCased(frame, { color: colors.picked, width: 4 });
      continue;
    } else {
      context.rect(
        x - (grip.across === 0 ? 7 : 2.5),
        y - (grip.down === 0 ? 7 : 2.5),
        grip.across === 0 ? 14 : 5,
        grip.down === 0 ? 14 : 5,
      );
    }
    context.fillStyle = colors.paper;
    context.fill();
    strokeCased(frame, { color: colors.picked, width: 2 });
  }
}

/** A square on each picked corner. */
export function drawCorners(frame: Frame, corners: Pair[]) {
  onScreen(frame);
  corners.forEach((corner) => cornerMark(frame, corner));
}

export function cornerMark({ context, view, colors }: Frame, [x, y]: Pair) {
  context.fillStyle = colors.paper;
  context.fillRect(x * view.scale + view.x - 5, y * view.scale + view.y - 5, 10, 10);
  context.fillStyle = colors.picked;
  context.fillRect(x * view.scale + view.x - 3.5, y * view.scale + view.y - 3.5, 7, 7);
}

/** The frame of the picked layer on its island: long dashes, and a grip for its width. */
export function drawLabel(frame: Frame, layer: Layer | null, change: LabelChange) {
  const corners = layer && labelCorners(frame.view, layer, change);
  if (!corners) return;
  const { context, colors } = frame;
  onScreen(frame);
  context.beginPath();
  corners.forEach(([x, y], i) => (i === 0 ? context.moveTo(x, y) : context.lineTo(x, y)));
  context.closePath();
  strokeCased(frame, { color: colors.picked, width: 2, dash: [9, 4] });
  const grip = corners[2]!;
  context.beginPath();
  context.arc(grip[0], grip[1], 5.5, 0, 2 * Math.PI);
  context.fillStyle = colors.paper;
  context.fill();
  strokeCased(frame, { color: colors.picked, width: 2 });
}
