import { shallowRef } from "vue";
import type { Pair } from "@/api/types";
import { straight, type Tool } from "@/hand/tool";
import { useDrawing } from "@/hand/drawing";
import { useSettings } from "@/stores/settings";
import type { SheetGround } from "../ground";
import { heldMove } from "../handles";
import { useHandles, type SheetHandle } from "../useHandles";

/** Picks and pulls what is small on the sheet: corners and edges of islands, handles of the cage. */
export function usePullHandles(ground: SheetGround) {
  const settings = useSettings();
  const drawing = useDrawing();
  const handles = useHandles(ground.reach);
  /** how far a handle is pulled, px of the sheet; null while none is */
  const shift = shallowRef<Pair | null>(null);
  let held: { handle: SheetHandle; from: Pair } | null = null;

  const tool: Tool = {
    hit: (at) => (handles.over(ground.px(at)) ? "crosshair" : null),
    press(at, event) {
      const handle = drawing.shape || event.button !== 0 ? null : handles.take(ground.px(at), event.shiftKey);
      held = handle?.movable ? { handle, from: ground.px(at) } : null;
      return handle !== null;
    },
    move(at, event, far) {
      if (!held || !far) return;
      const [x, y] = held.handle.place;
      const to = ground.px(at);
      const by = heldMove(
        [to[0] - held.from[0], to[1] - held.from[1]],
        { left: x, top: y, right: x, bottom: y },
        settings.hold,
      );
      shift.value = straight(by, event.shiftKey);
    },
    async release(at, event, clicks) {
      if (held && shift.value) await held.handle.done(shift.value);
      else if (clicks === 2) handles.takeRow(ground.px(at), event.shiftKey);
      shift.value = null;
    },
    leave: () => (shift.value = null),
  };

  return { tool, shift };
}
