import { useEventListener } from "@vueuse/core";
import { computed, ref, shallowRef, type Ref } from "vue";
import type { Island, Layer, Pair } from "@/api/types";
import { boxAround, changeMatrix, gripAt, gripChange, gripCursor, heldMove, UNCHANGED, type Box, type Change, type Grip } from "@/sheet/handles";
import type { usePickHand } from "./usePickHand";
import { labelDrag, labelHit, STILL, type LabelChange } from "@/sheet/labelHand";
import type { IslandShape } from "@/sheet/shapes";
import type { SheetHandle } from "@/sheet/useHandles";
import { toPx, type Viewport } from "@/sheet/viewport";

type Drag =
  | { kind: "pan"; last: Pair }
  | { kind: "islands"; grip: Grip | null; box: Box; from: Pair; onClick: () => void }
  | { kind: "label"; layer: Layer; from: Pair; sizing: boolean }
  | { kind: "draw"; from: Pair; to: Pair }
  | { kind: "handle"; handle: SheetHandle; from: Pair };

interface Options {
  view: Ref<Viewport>;
  islands: () => Island[];
  shapes: () => IslandShape[];
  picked: () => number[];
  /** picks faces, edges and corners, and pulls boxes */
  pickHand: Pick<ReturnType<typeof usePickHand>, "picking" | "press" | "move" | "release" | "click" | "hover" | "leave">;
  /** what a drag holds the islands' box to */
  hold: () => "free" | "corners" | "middles";
  /** whether there is a handle, such as a corner, at a place; and what a press picks there */
  overHandle: (at: Pair) => boolean;
  takeHandle: (at: Pair, extend: boolean) => SheetHandle | null;
  /** whether a corner of some island is within reach */
  nearCorner: (at: Pair) => boolean;
  /** what is to be drawn next; null while nothing is */
  draw: () => "box" | "point" | "pull" | null;
  /** what was drawn, px, and the island that the press was on */
  onDrawn: (from: Pair, to: Pair, island: number | null) => unknown;
  /** islands can be moved by hand */
  movable: () => boolean;
  /** the label that can be moved by hand */
  label: () => Layer | null;
  zoomAt: (x: number, y: number, factor: number) => void;
  pan: (dx: number, dy: number) => void;
  onPick: (island: number | null, extend: boolean) => void;
  onHover: (island: number | null, at: { x: number; y: number } | null) => void;
  onChange: (change: Change) => Promise<unknown>;
  onLabel: (layer: Layer, change: LabelChange) => Promise<unknown>;
}

const CLICK = 3; // screen px that a press may move and still be a click

/** The hand on the sheet: picks, pans, zooms, and drags islands and labels with a preview. Escape leaves a drag. */
export function useSheetPointer(canvas: Ref<HTMLCanvasElement | null>, options: Options) {
  const drag = shallowRef<Drag | null>(null);
  const change = shallowRef<Change>(UNCHANGED);
  const labelChange = shallowRef<LabelChange>(STILL);
  const cursor = ref("default");
  const probe = document.createElement("canvas").getContext("2d");
  /** how far a handle is dragged */
  const shift = shallowRef<Pair | null>(null);
  let pressed: Pair | null = null;
  let pressedIsland: number | null = null;
  let space = false;

  const frame = computed(() => boxAround(options.islands().filter((island) => options.picked().includes(island.index))));
  /** the preview of a drag, kept until the server's result is in */
  const moved = computed(() => (change.value === UNCHANGED || !frame.value ? null : changeMatrix(change.value, frame.value)));

  const screen = (event: MouseEvent): Pair => [event.offsetX, event.offsetY];
  const sheetPx = (at: Pair): Pair => {
    const { x, y } = toPx(options.view.value, at[0], at[1]);
    return [x, y];
  };

  function islandAt(at: Pair): number | null {
    const [x, y] = sheetPx(at);
    const found = options.islands().findLast(({ box_px: box, index }) => {
      if (x < box[0] || y < box[1] || x > box[2] || y > box[3]) return false;
      const shape = options.shapes()[index];
      return shape !== undefined && probe !== null && probe.isPointInPath(shape.faces, x, y);
    });
    return found?.index ?? null;
  }

  function screenFrame(): Box | null {
    if (!frame.value || !options.movable()) return null;
    const { scale, x, y } = options.view.value;
    const { left, top, right, bottom } = frame.value;
    return { left: left * scale + x, top: top * scale + y, right: right * scale + x, bottom: bottom * scale + y };
  }

  function press(event: PointerEvent) {
    canvas.value?.setPointerCapture(event.pointerId);
    canvas.value?.focus({ preventScroll: true });
    const at = screen(event);
    pressed = at;
    pressedIsland = islandAt(at);
    if (event.button !== 0 || space) {
      drag.value = { kind: "pan", last: at };
      return;
    }
    const shape = options.draw();
    if (shape && (shape !== "pull" || islandAt(at) !== null || options.nearCorner(sheetPx(at)))) {
      drag.value = { kind: "draw", from: sheetPx(at), to: sheetPx(at) };
      return;
    }
    if (options.pickHand.press(event)) return;
    if (options.pickHand.picking()) {
      drag.value = { kind: "pan", last: at };
      return;
    }
    const handle = shape ? null : options.takeHandle(sheetPx(at), event.shiftKey);
    if (handle) {
      if (handle.movable) drag.value = { kind: "handle", handle, from: sheetPx(at) };
      return;
    }
    const label = options.label();
    const hit = labelHit(options.view.value, label, at);
    if (label && hit) {
      drag.value = { kind: "label", layer: label, from: sheetPx(at), sizing: hit === "size" };
      return;
    }
    const box = screenFrame();
    const grip = box && gripAt(box, at[0], at[1]);
    if (grip && frame.value) {
      drag.value = { kind: "islands", grip, box: frame.value, from: sheetPx(at), onClick: () => undefined };
      return;
    }
    const island = islandAt(at);
    const extend = event.shiftKey;
    if (island === null) {
      drag.value = { kind: "pan", last: at };
    } else if (options.movable()) {
      const was = options.picked().includes(island);
      if (!was) options.onPick(island, extend);
      // Shift takes a picked island away on a click, and holds to one axis on a drag.
      const onClick = () => (was || !extend) && options.onPick(island, extend);
      drag.value = { kind: "islands", grip: null, box: frame.value!, from: sheetPx(at), onClick };
    } else {
      options.onPick(island, extend);
    }
  }

  function move(event: PointerEvent) {
    const at = screen(event);
    const current = drag.value;
    options.pickHand.move(event);
    if (!current) {
      hover(at);
      return;
    }
    const to = sheetPx(at);
    if (current.kind === "pan") {
      options.pan(at[0] - current.last[0], at[1] - current.last[1]);
      drag.value = { kind: "pan", last: at };
    } else if (pressed && Math.hypot(at[0] - pressed[0], at[1] - pressed[1]) < CLICK && change.value === UNCHANGED) {
      return;
    } else if (current.kind === "draw") {
      drag.value = { ...current, to };
    } else if (current.kind === "handle") {
      const [x, y] = current.handle.place;
      const box = { left: x, top: y, right: x, bottom: y };
      shift.value = straight(heldMove([to[0] - current.from[0], to[1] - current.from[1]], box, options.hold()), event.shiftKey);
    } else if (current.kind === "islands") {
      change.value = current.grip
        ? gripChange(current.grip, current.box, current.from, to, event.shiftKey)
        : { ...UNCHANGED, move_px: straight(heldMove([to[0] - current.from[0], to[1] - current.from[1]], current.box, options.hold()), event.shiftKey) };
    } else {
      labelChange.value = labelDrag(current.layer, current.sizing, current.from, to);
    }
  }

  /** With Shift, along one axis only. */
  function straight([dx, dy]: Pair, held: boolean): Pair {
    if (!held) return [dx, dy];
    return Math.abs(dx) > Math.abs(dy) ? [dx, 0] : [0, dy];
  }

  function hover(at: Pair) {
    const box = screenFrame();
    const grip = box && gripAt(box, at[0], at[1]);
    const label = labelHit(options.view.value, options.label(), at);
    const island = islandAt(at);
    options.pickHand.hover(at);
    if (options.draw() || options.pickHand.picking() || options.overHandle(sheetPx(at))) cursor.value = "crosshair";
    else cursor.value = label === "size" ? "nwse-resize" : label ? "move" : grip ? gripCursor(grip) : island !== null && options.movable() ? "move" : "default";
    const [x, y] = sheetPx(at);
    options.onHover(island, { x, y });
  }

  async function release(event: PointerEvent) {
    const current = drag.value;
    const at = screen(event);
    const clicked = pressed !== null && Math.hypot(at[0] - pressed[0], at[1] - pressed[1]) < CLICK;
    pressed = null;
    drag.value = null;
    if ((await options.pickHand.release()) || !current) return;
    if (current.kind === "pan") {
      if (!clicked || event.button !== 0 || space) return;
      if (options.pickHand.picking()) await options.pickHand.click(event);
      else options.onPick(null, event.shiftKey);
    } else if (current.kind === "draw") {
      const island = pressedIsland;
      if (options.draw() !== "box" || !clicked) await options.onDrawn(current.from, sheetPx(at), island);
    } else if (current.kind === "handle") {
      if (shift.value) await current.handle.done(shift.value);
      shift.value = null;
    } else if (current.kind === "islands" && change.value !== UNCHANGED) {
      await options.onChange(change.value);
    } else if (current.kind === "islands" && clicked) {
      current.onClick();
    } else if (current.kind === "label" && labelChange.value !== STILL) {
      await options.onLabel(current.layer, labelChange.value);
      labelChange.value = STILL;
    }
  }

  /** Ends the preview: after the result is drawn, or when a drag is left. */
  function settle() {
    change.value = UNCHANGED;
  }

  function leave() {
    if (!drag.value) return false;
    drag.value = null;
    labelChange.value = STILL;
    shift.value = null;
    settle();
    return true;
  }

  useEventListener(canvas, "pointerdown", press);
  useEventListener(canvas, "pointermove", move);
  useEventListener(canvas, "pointerup", release);
  useEventListener(canvas, "pointercancel", () => {
    options.pickHand.leave();
    leave();
  });
  useEventListener(canvas, "pointerleave", () => {
    options.pickHand.hover(null);
    options.onHover(null, null);
  });
  useEventListener(canvas, "contextmenu", (event) => event.preventDefault());
  useEventListener(
    canvas,
    "wheel",
    (event: WheelEvent) => {
      event.preventDefault();
      options.zoomAt(event.offsetX, event.offsetY, Math.exp(-event.deltaY * (event.deltaMode === 1 ? 0.05 : 0.0018)));
    },
    { passive: false },
  );
  useEventListener(document, "keydown", (event: KeyboardEvent) => {
    if (event.key === " " && event.target === canvas.value) {
      space = true;
      event.preventDefault();
    }
  });
  useEventListener(document, "keyup", (event: KeyboardEvent) => {
    if (event.key === " ") space = false;
  });

  const drawn = computed(() => (drag.value?.kind === "draw" ? { from: drag.value.from, to: drag.value.to } : null));

  return { cursor, frame, moved, shift, drawn, labelChange, dragging: computed(() => drag.value !== null && drag.value.kind !== "pan"), change, settle, leave };
}
