import { computed, shallowRef } from "vue";
import type { Pair, Picks } from "@/api/types";
import type { Under } from "@/picking/elements";
import { usePicks } from "@/stores/picks";
import type { Tool } from "./tool";

interface Options {
  /** things are picked in this view; islands by a click are picked as everywhere else */
  on: () => boolean;
  underAt: (at: Pair) => Under | null;
  /** what the core is asked about a box between two places */
  boxFrom: (from: Pair, to: Pair) => Picks["box"];
  /** what a drag does where it neither pulls a box nor strokes */
  pan?: (dx: number, dy: number) => void;
}

type Drag =
  | { kind: "box"; from: Pair; to: Pair; remove: boolean }
  | { kind: "stroke"; at: Pair; remove: boolean }
  | { kind: "click"; at: Pair };

/** Picks faces, edges and corners: by click, by a box pulled open, by a stroke over them. */
export function usePickElements({ on, underAt, boxFrom, pan }: Options) {
  const picks = usePicks();
  const drag = shallowRef<Drag | null>(null);

  /** a click picks a face, edge or corner */
  const picking = () => on() && picks.part !== null;

  const box = computed(() => {
    if (drag.value?.kind !== "box") return null;
    const { from, to } = drag.value;
    return {
      left: `${Math.min(from[0], to[0])}px`,
      top: `${Math.min(from[1], to[1])}px`,
      width: `${Math.abs(to[0] - from[0])}px`,
      height: `${Math.abs(to[1] - from[1])}px`,
    };
  });

  function pass(at: Pair) {
    const under = picks.meant(underAt(at));
    if (under !== null && !picks.passed.has(under)) picks.passed = new Set([...picks.passed, under]);
  }

  function end(): Drag | null {
    const ended = drag.value;
    drag.value = null;
    picks.passed = new Set();
    return ended;
  }

  async function click(at: Pair, event: PointerEvent, clicks: number) {
    const under = underAt(at);
    const again = clicks % 2 === 0;
    if (under) await picks.click(under, { shift: event.shiftKey, ctrl: event.ctrlKey || event.metaKey, again });
  }

  const tool: Tool = {
    hit: () => (picking() ? "crosshair" : null),
    hover: (at) => (picks.hovered = at && picking() ? picks.meant(underAt(at)) : null),
    press(at, event) {
      if (!on() || event.button !== 0) return false;
      const remove = event.ctrlKey;
      if (picks.gesture === "box" || event.altKey) drag.value = { kind: "box", from: at, to: at, remove };
      else if (picks.gesture === "stroke") drag.value = { kind: "stroke", at, remove };
      else if (picking()) drag.value = { kind: "click", at };
      else return false;
      picks.hovered = null;
      if (drag.value.kind === "stroke") pass(at);
      return true;
    },
    move(at) {
      const now = drag.value;
      if (now?.kind === "box") drag.value = { ...now, to: at };
      else if (now?.kind === "click") {
        pan?.(at[0] - now.at[0], at[1] - now.at[1]);
        drag.value = { ...now, at };
      } else if (now) {
        // The pointer jumps: what lies between two of its places is passed over too.
        const count = Math.max(Math.ceil(Math.hypot(at[0] - now.at[0], at[1] - now.at[1]) / 6), 1);
        for (let i = 1; i <= count; i += 1)
          pass([now.at[0] + ((at[0] - now.at[0]) * i) / count, now.at[1] + ((at[1] - now.at[1]) * i) / count]);
        drag.value = { ...now, at };
      }
    },
    async release(at, event, clicks) {
      const passed = [...picks.passed];
      const ended = end();
      if (ended?.kind === "stroke") await picks.take(passed, ended.remove ? "remove" : "add");
      else if (ended?.kind === "box" && clicks === 0)
        await picks.box(boxFrom(ended.from, at), ended.remove ? "remove" : "add");
      else if (ended?.kind === "click" && clicks > 0) await click(at, event, clicks);
    },
    leave: end,
  };

  /** a box or a stroke is under way, so that a drag means nothing else */
  const pulling = computed(() => drag.value !== null && drag.value.kind !== "click");

  return { tool, picking, box, pulling };
}
