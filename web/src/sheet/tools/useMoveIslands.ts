import { computed, shallowRef } from "vue";
import type { Pair } from "@/api/types";
import { straight, type Tool } from "@/hand/tool";
import { useJob } from "@/stores/job";
import { useSelection } from "@/stores/selection";
import { useSettings } from "@/stores/settings";
import type { SheetGround } from "../ground";
import {
  besideMove,
  boxAround,
  changeMatrix,
  gripAt,
  gripChange,
  gripCursor,
  heldMove,
  UNCHANGED,
  type Box,
  type Change,
  type Grip,
} from "../handles";

/** Picks islands, and moves, turns and scales the picked ones where they can be moved. */
export function useMoveIslands(
  ground: SheetGround,
  movable: () => boolean,
  pick: (island: number, extend: boolean) => void,
) {
  const jobs = useJob();
  const selection = useSelection();
  const settings = useSettings();
  const change = shallowRef<Change>(UNCHANGED);
  let held: { grip: Grip | null; box: Box; from: Pair; onClick: () => void } | null = null;

  const frame = computed(() => boxAround(jobs.islands.filter((island) => selection.islands.includes(island.index))));
  /** the preview of a drag, kept until the server's result is drawn */
  const moved = computed(() =>
    change.value === UNCHANGED || !frame.value ? null : changeMatrix(change.value, frame.value),
  );

  /** what is locked has no grips, and the hand does not move it */
  const locked = computed(() =>
    jobs.islands.some((island) => island.locked && selection.islands.includes(island.index)),
  );
  const free = () => movable() && !locked.value;
  const grips = computed(() => (locked.value ? null : frame.value));

  function gripUnder(at: Pair): Grip | null {
    if (!frame.value || !free()) return null;
    const { scale, x, y } = ground.view.value;
    const { left, top, right, bottom } = frame.value;
    return gripAt(
      { left: left * scale + x, top: top * scale + y, right: right * scale + x, bottom: bottom * scale + y },
      at[0],
      at[1],
    );
  }

  /** Ends the preview: after the result is drawn, or when a drag is left. */
  const settle = () => void (change.value = UNCHANGED);

  function whereHeld(move: Pair, box: Box): Pair {
    const { sheet, margin_px: margin, gutter_px: gutter } = jobs.job!;
    if (settings.hold !== "gutter") return heldMove(move, box, settings.hold);
    const mine = new Set(selection.islands.flatMap((index) => jobs.islands[index]?.stack ?? []));
    const boxes = jobs.islands.filter(({ index }) => !mine.has(index)).map((island) => boxAround([island])!);
    const room = {
      left: margin,
      top: margin,
      right: sheet.width_px - margin,
      bottom: sheet.height_px - margin,
    };
    return besideMove(move, box, { boxes, gutter, room, reach: ground.reach() });
  }

  const tool: Tool = {
    hit(at) {
      const grip = gripUnder(at);
      if (grip) return gripCursor(grip);
      const island = ground.islandAt(at);
      return movable() && island !== null && !jobs.islands[island]?.locked ? "move" : null;
    },
    hover(at) {
      selection.hovered = at && ground.islandAt(at);
      const [x, y] = at ? ground.px(at) : [0, 0];
      selection.pointer = at && { x, y };
    },
    press(at, event) {
      held = null;
      if (event.button !== 0) return false;
      const grip = gripUnder(at);
      if (grip && frame.value) {
        held = { grip, box: frame.value, from: ground.px(at), onClick: () => undefined };
        return true;
      }
      const island = ground.islandAt(at);
      if (island === null) return false;
      const extend = event.shiftKey;
      const was = movable() && selection.islands.includes(island);
      if (!was) pick(island, extend);
      // Shift takes a picked island away on a click, and holds to one axis on a drag.
      if (free())
        held = { grip: null, box: frame.value!, from: ground.px(at), onClick: () => was && pick(island, extend) };
      return true;
    },
    move(at, event, far) {
      if (!held || (!far && change.value === UNCHANGED)) return;
      const to = ground.px(at);
      change.value = held.grip
        ? gripChange(held.grip, held.box, held.from, to, event.shiftKey)
        : {
            ...UNCHANGED,
            move_px: straight(whereHeld([to[0] - held.from[0], to[1] - held.from[1]], held.box), event.shiftKey),
          };
    },
    async release(_at, _event, clicks) {
      if (!held) return;
      if (change.value === UNCHANGED) {
        if (clicks) held.onClick();
      } else {
        // What is moved is held to pixels; what is turned or scaled goes free.
        const hold = held.grip ? null : settings.pixelHold;
        const parameters = { islands: [...selection.islands], ...change.value, hold };
        if (!(await jobs.operate("transform_islands", parameters))) settle();
      }
    },
    leave: settle,
  };

  return { tool, frame, grips, change, moved, settle };
}
