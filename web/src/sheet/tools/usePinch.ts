import { useEventListener } from "@vueuse/core";
import type { Ref } from "vue";
import type { Pair } from "@/api/types";
import type { Tool } from "@/hand/tool";

interface Options {
  pan: (dx: number, dy: number) => void;
  zoomAt: (x: number, y: number, factor: number) => void;
}

/** Two fingers move the sheet and draw it nearer or farther; what one finger had begun is left. */
export function usePinch(canvas: Ref<HTMLElement | null>, { pan, zoomAt }: Options): Tool {
  const fingers = new Map<number, Pair>();

  function spread() {
    const [[ax, ay], [bx, by]] = [...fingers.values()] as [Pair, Pair];
    return { x: (ax + bx) / 2, y: (ay + by) / 2, far: Math.max(Math.hypot(ax - bx, ay - by), 1) };
  }

  useEventListener(canvas, "pointermove", (event: PointerEvent) => {
    if (!fingers.has(event.pointerId)) return;
    const before = fingers.size === 2 ? spread() : null;
    fingers.set(event.pointerId, [event.offsetX, event.offsetY]);
    if (!before) return;
    const now = spread();
    pan(now.x - before.x, now.y - before.y);
    zoomAt(now.x, now.y, now.far / before.far);
  });
  useEventListener(canvas, ["pointerup", "pointercancel"], (event: PointerEvent) => fingers.delete(event.pointerId));

  return {
    hit: () => null,
    press(at, event) {
      if (event.pointerType === "touch") fingers.set(event.pointerId, at);
      return fingers.size === 2;
    },
  };
}
