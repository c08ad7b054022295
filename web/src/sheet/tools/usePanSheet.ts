import { useEventListener } from "@vueuse/core";
import type { Ref } from "vue";
import type { Pair } from "@/api/types";
import type { Tool } from "@/hand/tool";

interface Options {
  pan: (dx: number, dy: number) => void;
  zoomAt: (x: number, y: number, factor: number) => void;
}

/** Pans with the other buttons or the space bar held, and zooms with the wheel. */
export function usePanSheet(canvas: Ref<HTMLElement | null>, { pan, zoomAt }: Options): Tool {
  let space = false;
  let last: Pair = [0, 0];

  useEventListener(canvas, "contextmenu", (event) => event.preventDefault());
  useEventListener(
    canvas,
    "wheel",
    (event: WheelEvent) => {
      event.preventDefault();
      zoomAt(event.offsetX, event.offsetY, Math.exp(-event.deltaY * (event.deltaMode === 1 ? 0.05 : 0.0018)));
    },
    { passive: false },
  );
  useEventListener(document, "keydown", (event: KeyboardEvent) => {
    if (event.key !== " " || event.target !== canvas.value) return;
    space = true;
    event.preventDefault();
  });
  useEventListener(document, "keyup", (event: KeyboardEvent) => {
    if (event.key === " ") space = false;
  });

  return {
    hit: () => (space ? "grab" : null),
    press(at, event) {
      last = at;
      return event.button !== 0 || space;
    },
    move(at) {
      pan(at[0] - last[0], at[1] - last[1]);
      last = at;
    },
  };
}
