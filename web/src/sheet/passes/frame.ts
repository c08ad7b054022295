import type { Layer, OnIsland, Pair } from "@/api/types";
import { extent, type Caught } from "../catching";
import { FRAME, grips, type Box } from "../handles";
import { labelCorners, labelOutline, spotPx, type LabelChange } from "../labelHand";
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

/**
 * The frame of the picked layer on its island: long dashes, and a grip for its width, or one for each corner where they
 * are pulled; and the lines that it lies on while it is moved.
 */
export function drawLabel(frame: Frame, layer: Layer | null, change: LabelChange, pulling: boolean) {
  const outline = layer && labelOutline(frame.view, layer, change);
  const corners = layer && labelCorners(frame.view, layer, change);
  if (!outline || !corners) return;
  const { context, colors } = frame;
  onScreen(frame);
  if (layer.place.kind === "island") for (const line of change.caught) drawCaught(frame, layer.place, line);
  context.beginPath();
  outline.forEach(([x, y], i) => (i === 0 ? context.moveTo(x, y) : context.lineTo(x, y)));
  context.closePath();
  strokeCased(frame, { color: colors.picked, width: 2, dash: [9, 4] });
  for (const [x, y] of pulling ? corners : [corners[2]!]) {
    context.beginPath();
    if (pulling) context.rect(x - 5, y - 5, 10, 10);
    else context.arc(x, y, 5.5, 0, 2 * Math.PI);
    context.fillStyle = colors.paper;
    context.fill();
    strokeCased(frame, { color: colors.picked, width: 2 });
  }
}

/** A line of an island from edge to edge, with its name at its end. */
function drawCaught(frame: Frame, place: OnIsland, { axis, at_mm, name }: Caught) {
  const { context, colors, view } = frame;
  const [low, high] = extent(place)[1 - axis]!;
  const [from, to] = [low, high].map((along) => {
    const [x, y] = spotPx(place, axis === 0 ? [at_mm, along] : [along, at_mm]);
    return [x * view.scale + view.x, y * view.scale + view.y] as const;
  }) as [Pair, Pair];
  context.beginPath();
  context.moveTo(...from);
  context.lineTo(...to);
  strokeCased(frame, { color: colors.warning, width: 1.5 });
  context.font = "600 12px 'Atkinson Hyperlegible Next Variable', sans-serif";
  context.textAlign = "center";
  context.textBaseline = "middle";
  const wide = context.measureText(name).width + 10;
  context.fillStyle = colors.paper;
  context.beginPath();
  context.roundRect(to[0] - wide / 2, to[1] - 9, wide, 18, 3);
  context.fill();
  context.fillStyle = colors.ink;
  context.fillText(name, to[0], to[1] + 0.5);
}
