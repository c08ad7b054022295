import { computed, shallowRef } from "vue";
import type { Layer, OnIsland, Pair } from "@/api/types";
import { usePulling } from "@/hand/pulling";
import { straight, type Tool } from "@/hand/tool";
import { useSheetImage } from "@/stores/image";
import { useJob } from "@/stores/job";
import { useSelection } from "@/stores/selection";
import type { SheetGround } from "../ground";
import {
  labelHit,
  labelMove,
  labelScale,
  pulledCorners,
  STILL,
  toMm,
  type LabelChange,
  type LabelHit,
} from "../labelHand";

const hundredths = (value: number) => Math.round(value * 100) / 100;
const CURSORS = { size: "nwse-resize", move: "move" };

/** Moves and sizes the picked layer that is set on an island, and pulls its corners. Alt moves it past all lines. */
export function useMoveLabel(ground: SheetGround, on: () => boolean) {
  const jobs = useJob();
  const selection = useSelection();
  const images = useSheetImage();
  const pulling = usePulling();
  const layer = computed<Layer | null>(
    () => (on() && jobs.layers.find(({ id, place }) => id === selection.layer && place.kind === "island")) || null,
  );
  const change = shallowRef<LabelChange>(STILL);
  let held: { layer: Layer; from: Pair; hit: LabelHit } | null = null;

  const hitAt = (at: Pair) => labelHit(ground.view.value, layer.value, at, pulling.on);

  function placed(place: OnIsland, { shift_px, scale, pull }: LabelChange): Partial<OnIsland> {
    if (pull) return { corners: pulledCorners(place, pull) };
    if (scale !== 1) return { width_mm: hundredths(place.width_mm * scale) };
    const [x, y] = toMm(place, shift_px);
    return { x_mm: hundredths(place.x_mm + x), y_mm: hundredths(place.y_mm + y) };
  }

  function changeOf({ layer, from, hit }: NonNullable<typeof held>, to: Pair, event: PointerEvent): LabelChange {
    const shift = straight([to[0] - from[0], to[1] - from[1]], event.shiftKey);
    if (hit === "size") return labelScale(layer, from, to);
    if (typeof hit === "number") return { ...STILL, pull: { corner: hit, by_px: shift } };
    const others = jobs.layers.filter(({ id, visible }) => visible && id !== layer.id);
    return event.altKey ? { ...STILL, shift_px: shift } : labelMove(layer, others, shift, ground.reach());
  }

  /** What letting go does. */
  const meant = () =>
    held?.layer.place.kind === "island" && change.value !== STILL
      ? {
          name: "change_layer" as const,
          parameters: { id: held.layer.id, place: placed(held.layer.place, change.value) },
        }
      : null;

  const tool: Tool = {
    hit(at) {
      const hit = hitAt(at);
      return typeof hit === "number" ? "crosshair" : hit && CURSORS[hit];
    },
    press(at, event) {
      const hit = event.button === 0 ? hitAt(at) : null;
      held = hit !== null && layer.value ? { layer: layer.value, from: ground.px(at), hit } : null;
      return held !== null;
    },
    move(at, event, far) {
      if (!held || !far) return;
      change.value = changeOf(held, ground.px(at), event);
      images.foresee(meant());
    },
    async release() {
      const call = meant();
      if (call) {
        images.letGo(call);
        if (!(await jobs.operate(call.name, call.parameters))) images.foresee(null);
      }
      change.value = STILL;
    },
    leave() {
      images.foresee(null);
      change.value = STILL;
    },
  };

  return { tool, layer, change, pulling: computed(() => pulling.on) };
}
