import { useEventListener } from "@vueuse/core";
import { computed, shallowRef } from "vue";
import type { Pair, Picks } from "@/api/types";
import type { Under } from "@/picking/elements";
import { usePicks } from "@/stores/picks";

interface Options {
  /** things are picked by this hand; islands by a click are picked as everywhere else */
  on: () => boolean;
  /** @param at px from the view's top left corner */
  underAt: (at: Pair) => Under | null;
  /** what the core is asked about a box between two places */
  boxFrom: (from: Pair, to: Pair) => Picks["box"];
}

type Drag = { kind: "box"; from: Pair; to: Pair; remove: boolean } | { kind: "stroke"; at: Pair; remove: boolean };

const CLICK = 3; // px that a press may move and still be a click
const AGAIN_MS = 400; // between the clicks of a double click

/** The hand that picks faces, edges and corners in a view: by click, by a box pulled open, by a stroke over them. */
export function usePickHand({ on, underAt, boxFrom }: Options) {
  const picks = usePicks();
  const drag = shallowRef<Drag | null>(null);

  const box = computed(() => {
    if (drag.value?.kind !== "box") return null;
    const { from, to } = drag.value;
    return { left: `${Math.min(from[0], to[0])}px`, top: `${Math.min(from[1], to[1])}px`, width: `${Math.abs(to[0] - from[0])}px`, height: `${Math.abs(to[1] - from[1])}px` };
  });

  /** @param at null: the pointer left the view */
  function hover(at: Pair | null) {
    picks.hovered = at && on() && picks.part && !drag.value ? picks.meant(underAt(at)) : null;
  }

  /** @return whether a box or a stroke begins, so that the press means nothing else */
  function press(event: PointerEvent): boolean {
    if (!on() || event.button !== 0) return false;
    const at: Pair = [event.offsetX, event.offsetY];
    const remove = event.ctrlKey;
    if (picks.gesture === "box" || event.altKey) drag.value = { kind: "box", from: at, to: at, remove };
    else if (picks.gesture === "stroke") drag.value = { kind: "stroke", at, remove };
    else return false;
    picks.hovered = null;
    if (drag.value.kind === "stroke") pass(at);
    return true;
  }

  function move(event: PointerEvent) {
    const at: Pair = [event.offsetX, event.offsetY];
    if (!drag.value) return;
    if (drag.value.kind === "box") drag.value = { ...drag.value, to: at };
    else {
      // The pointer jumps: what lies between two of its places is passed over too.
      const from = drag.value.at;
      const count = Math.max(Math.ceil(Math.hypot(at[0] - from[0], at[1] - from[1]) / 6), 1);
      for (let i = 1; i <= count; i += 1) pass([from[0] + ((at[0] - from[0]) * i) / count, from[1] + ((at[1] - from[1]) * i) / count]);
      drag.value = { ...drag.value, at };
    }
  }

  function pass(at: Pair) {
    const one = picks.meant(underAt(at));
    if (one !== null && !picks.passed.has(one)) picks.passed = new Set([...picks.passed, one]);
  }

  /** @return whether a box or a stroke ended here */
  async function release(): Promise<boolean> {
    const done = drag.value;
    if (!done) return false;
    const passed = [...picks.passed];
    leave();
    const how = done.remove ? "remove" : "add";
    if (done.kind === "stroke") await picks.take(passed, how);
    else if (Math.hypot(done.to[0] - done.from[0], done.to[1] - done.from[1]) > CLICK) await picks.box(boxFrom(done.from, done.to), how);
    return true;
  }

  let last = { at: [-9, -9] as Pair, time: 0 };
  async function click(event: PointerEvent) {
    const at: Pair = [event.offsetX, event.offsetY];
    const again = event.timeStamp - last.time < AGAIN_MS && Math.hypot(at[0] - last.at[0], at[1] - last.at[1]) <= CLICK;
    last = { at, time: again ? 0 : event.timeStamp };
    const under = underAt(at);
    if (under) await picks.click(under, { shift: event.shiftKey, ctrl: event.ctrlKey || event.metaKey, again });
  }

  function leave(): boolean {
    const was = drag.value !== null;
    drag.value = null;
    picks.passed = new Set();
    return was;
  }

  useEventListener(document, "keydown", (event: KeyboardEvent) => {
    if (event.key === "Escape" && leave()) event.preventDefault();
  }, { capture: true });

  /** a click picks a face, edge or corner */
  const picking = () => on() && picks.part !== null;

  return { picking, box, hover, press, move, release, click, leave, dragging: computed(() => drag.value !== null) };
}
