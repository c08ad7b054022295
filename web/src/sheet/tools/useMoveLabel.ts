import { computed, shallowRef } from "vue";
import type { Layer, Pair } from "@/api/types";
import type { Tool } from "@/hand/tool";
import { useJob } from "@/stores/job";
import { useSelection } from "@/stores/selection";
import type { SheetGround } from "../ground";
import { labelDrag, labelHit, STILL, type LabelChange } from "../labelHand";

const hundredths = (value: number) => Math.round(value * 100) / 100;

/** Moves and sizes the picked layer that is set on an island. */
export function useMoveLabel(ground: SheetGround, on: () => boolean) {
  const jobs = useJob();
  const selection = useSelection();
  const layer = computed<Layer | null>(
    () => (on() && jobs.layers.find(({ id, place }) => id === selection.layer && place.kind === "island")) || null,
  );
  const change = shallowRef<LabelChange>(STILL);
  let held: { layer: Layer; from: Pair; sizing: boolean } | null = null;

  async function place({ id, place }: Layer, { shift_px: [right, down], scale }: LabelChange) {
    if (place.kind !== "island") return;
    const [xRight, xDown, yRight, yDown] = place.mm_per_px;
    const moved = {
      x_mm: hundredths(place.x_mm + xRight * right + xDown * down),
      y_mm: hundredths(place.y_mm + yRight * right + yDown * down),
    };
    await jobs.operate("change_layer", {
      id,
      place: scale === 1 ? moved : { width_mm: hundredths(place.width_mm * scale) },
    });
  }

  const tool: Tool = {
    hit: (at) =>
      ({ size: "nwse-resize", move: "move", none: null })[labelHit(ground.view.value, layer.value, at) ?? "none"],
    press(at, event) {
      const hit = event.button === 0 ? labelHit(ground.view.value, layer.value, at) : null;
      held = hit && layer.value ? { layer: layer.value, from: ground.px(at), sizing: hit === "size" } : null;
      return held !== null;
    },
    move(at, _event, far) {
      if (held && far) change.value = labelDrag(held.layer, held.sizing, held.from, ground.px(at));
    },
    async release() {
      if (held && change.value !== STILL) await place(held.layer, change.value);
      change.value = STILL;
    },
    leave: () => (change.value = STILL),
  };

  return { tool, layer, change };
}
