import type { Island, Pair } from "@/api/types";
import type { Box } from "../handles";
import type { NameSpot } from "../nameSpots";
import type { IslandShape } from "../shapes";
import { lockMark, mirroredMark, nameTag, upMark } from "./marks";
import { lineAt, onScreen, onSheet, strokeCased, type Frame } from "./pass";

/** More islands than this are drawn without names, marks and hatching. */
export const MOST_MARKED = 400;

/** px of the screen: inner edges that are shorter than this together make a grey, and take long to draw */
const SHORTEST_EDGE = 4;

/** Islands as they lie at rest. */
export function drawIslands(
  frame: Frame,
  islands: Island[],
  shapes: IslandShape[],
  hidden: Set<number>,
  moving: Set<number> | null,
) {
  onSheet(frame);
  for (const island of islands) {
    const shape = shapes[island.index];
    if (shape && !hidden.has(island.index) && !moving?.has(island.index))
      drawLines(frame, island, shape, frame.colors.line, 1.2);
  }
}

/**
 * What of the islands follows the hand: those that are moved, the picked ones with ticks at their corners, and the one
 * under the pointer. None is tinted, as colours may be judged.
 */
export function drawLively(
  frame: Frame,
  islands: Island[],
  shapes: IslandShape[],
  hidden: Set<number>,
  picked: number[],
  hovered: number | null,
  moving: Set<number> | null,
  moved: DOMMatrix | null,
) {
  const { context, colors } = frame;
  for (const index of new Set([...(moving ?? []), ...(hovered === null ? [] : [hovered]), ...picked])) {
    const [island, shape] = [islands[index], shapes[index]];
    if (!island || !shape || hidden.has(index)) continue;
    onSheet(frame);
    if (moved && moving?.has(index)) context.transform(moved.a, moved.b, moved.c, moved.d, moved.e, moved.f);
    const on = picked.includes(index);
    if (on) cornerTicks(frame, island.box_px);
    drawLines(
      frame,
      island,
      shape,
      on || index === hovered ? colors.picked : colors.line,
      on ? 2.5 : index === hovered ? 2 : 1.2,
    );
  }
}

/** Ticks outside the corners of a box. */
function cornerTicks(frame: Frame, [left, top, right, bottom]: Island["box_px"]) {
  const { context, view, colors } = frame;
  const [away, long] = [4 / view.scale, 9 / view.scale];
  context.beginPath();
  for (const [x, out] of [
    [left, -1],
    [right, 1],
  ] as const)
    for (const [y, down] of [
      [top, -1],
      [bottom, 1],
    ] as const) {
      const [cornerX, cornerY] = [x + out * away, y + down * away];
      lineAt(context, cornerX, cornerY, -out * long, 0);
      lineAt(context, cornerX, cornerY, 0, -down * long);
    }
  strokeCased(frame, { color: colors.picked, width: 2.5 }, undefined, view.scale);
}

/** Edges thin and pale where they can be told apart, the outline in full; dotted where some of it lies beside the sheet. */
function drawLines(frame: Frame, island: Island, shape: IslandShape, color: string, width: number) {
  const { context, view, colors } = frame;
  const thin = 1 / view.scale;
  if (shape.edgeLength * view.scale > SHORTEST_EDGE * shape.edgeCount) {
    context.strokeStyle = colors.line;
    context.globalAlpha = 0.45;
    context.lineWidth = thin;
    context.stroke(shape.edges);
  }
  context.globalAlpha = 1;
  strokeCased(frame, { color, width, dash: island.off_sheet ? [2, 4] : [] }, shape.outline, view.scale);
}

/** What is kept free by packing: crossed out, in dashes. */
export function drawReserved(frame: Frame, reserved: [number, number, number, number][]) {
  const { context, view, colors } = frame;
  onScreen(frame);
  for (const [left, top, width, height] of reserved) {
    const [x, y, w, h] = [
      left * view.scale + view.x,
      top * view.scale + view.y,
      width * view.scale,
      height * view.scale,
    ];
    context.beginPath();
    context.rect(x, y, w, h);
    lineAt(context, x, y, w, h);
    lineAt(context, x + w, y, -w, h);
    strokeCased(frame, { color: colors.warning, width: 1.5, dash: [5, 4] });
  }
}

/**
 * Names, and marks that tell a state; the picked ones first, as names leave each other room. Those that are moved go
 * without.
 *
 * @param hatched mirrored islands are hatched: not over a map of stretch or density, whose legend has hatches too
 */
export function drawMarks(
  frame: Frame,
  islands: Island[],
  shapes: IslandShape[],
  spots: (NameSpot | null)[],
  hidden: Set<number>,
  picked: number[],
  moving: Set<number> | null,
  hatched: boolean,
) {
  if (islands.length - hidden.size > MOST_MARKED) return;
  onScreen(frame);
  const { view, width, height } = frame;
  const names: Box[] = [];
  const on = new Set(picked);
  for (const island of [...islands].sort((a, b) => Number(on.has(b.index)) - Number(on.has(a.index)))) {
    if (hidden.has(island.index) || moving?.has(island.index)) continue;
    const [left, top, right, bottom] = island.box_px.map(
      (value, i) => value * view.scale + (i % 2 ? view.y : view.x),
    ) as [number, number, number, number];
    if (right < 0 || bottom < 0 || left > width || top > height || right - left < 26 || bottom - top < 26) continue;
    const box = { left, top, right, bottom };
    if (island.mirrored) mirroredMark(frame, box, hatched ? shapes[island.index] : undefined);
    if (island.locked) lockMark(frame, box);
    const spot = spots[island.index];
    if (!spot) continue;
    const x = spot.x * view.scale + view.x;
    const [middleY, topY] = [spot.y, spot.top].map((y) => y * view.scale + view.y) as Pair;
    // Below the upper edge, with the arrow beside it; in the middle, with the arrow above it; or the arrow alone.
    const tag = (at: Pair, half: number) => nameTag(frame, at, half * view.scale, island, on.has(island.index), names);
    const upper = tag([x, topY + 13], spot.topHalf - 20 / view.scale);
    if (upper) upMark(frame, [x + upper + 10, topY + 13], island);
    else upMark(frame, [x, tag([x, middleY], spot.half) ? middleY - 18 : middleY], island);
  }
}

/** Lit faces: two outlines, one inside the other. */
export function drawLit(frame: Frame, lit: Path2D | null) {
  if (!lit) return;
  const { context, view, colors } = frame;
  onSheet(frame);
  strokeCased(frame, { color: colors.ink, width: 7 }, lit, view.scale);
  context.lineWidth = 3 / view.scale;
  context.strokeStyle = colors.paper;
  context.stroke(lit);
}
