import { computed, shallowRef } from "vue";
import type { Pair } from "@/api/types";
import type { Tool } from "@/hand/tool";
import { useCorners } from "@/hand/corners";
import { useDrawing } from "@/hand/drawing";
import type { SheetGround } from "../ground";

/** Draws what is asked for next: a rectangle, a place, or a line pulled from an island. */
export function useDrawShape(ground: SheetGround) {
  const drawing = useDrawing();
  const corners = useCorners();
  const line = shallowRef<{ from: Pair; to: Pair; island: number | null } | null>(null);

  const tool: Tool = {
    hit: () => (drawing.shape ? "crosshair" : null),
    press(at, event) {
      const from = ground.px(at);
      const island = ground.islandAt(at);
      const starts =
        drawing.shape && (drawing.shape !== "pull" || island !== null || corners.at(from, ground.reach()) !== null);
      if (!starts || event.button !== 0) return false;
      line.value = { from, to: from, island };
      return true;
    },
    move(at, _event, far) {
      if (far && line.value) line.value = { ...line.value, to: ground.px(at) };
    },
    async release(at, _event, clicks) {
      const drawn = line.value;
      line.value = null;
      if (!drawn || (drawing.shape === "box" && clicks)) return;
      await drawing.take({
        from: drawn.from,
        to: ground.px(at),
        island: drawn.island,
        point: corners.at(drawn.from, ground.reach()),
      });
    },
    leave: () => (line.value = null),
  };

  return { tool, drawn: computed(() => line.value && { from: line.value.from, to: line.value.to }) };
}
