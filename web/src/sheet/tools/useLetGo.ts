import type { Pair } from "@/api/types";
import type { Tool } from "@/hand/tool";

/** What is left of the sheet: a drag pans, a click on nothing lets go of what is picked. */
export function useLetGo(pan: (dx: number, dy: number) => void, letGo: (extend: boolean) => void): Tool {
  let last: Pair = [0, 0];
  return {
    hit: () => null,
    press(at) {
      last = at;
      return true;
    },
    move(at) {
      pan(at[0] - last[0], at[1] - last[1]);
      last = at;
    },
    release: (_at, event, clicks) => clicks > 0 && letGo(event.shiftKey),
  };
}
