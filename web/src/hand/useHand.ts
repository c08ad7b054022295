import { useEventListener } from "@vueuse/core";
import { computed, ref, shallowRef, type Ref } from "vue";
import type { Pair } from "@/api/types";
import { CLICK, type Tool } from "./tool";

/** Gives what the pointer does over a view to its tools, the upper ones first. Escape leaves a drag. */
export function useHand(element: Ref<HTMLElement | null>, tools: Tool[]) {
  const active = shallowRef<Tool | null>(null);
  const cursor = ref("default");
  let pressed: Pair = [0, 0];
  let far = false;
  /** how many presses came quickly after each other, as the system counts them: the painter's own setting */
  let presses = 1;

  const place = (event: MouseEvent): Pair => [event.offsetX, event.offsetY];

  function press(event: PointerEvent) {
    element.value?.setPointerCapture(event.pointerId);
    element.value?.focus({ preventScroll: true });
    pressed = place(event);
    far = false;
    if (active.value) leave(); // another finger
    active.value = tools.find((tool) => tool.press(pressed, event)) ?? null;
  }

  function move(event: PointerEvent) {
    const at = place(event);
    far ||= Math.hypot(at[0] - pressed[0], at[1] - pressed[1]) >= CLICK;
    if (active.value) active.value.move?.(at, event, far);
    else if (event.buttons === 0) {
      tools.forEach((tool) => tool.hover?.(at));
      cursor.value = tools.reduce<string | null>((found, tool) => found ?? tool.hit(at), null) ?? "default";
    }
  }

  async function release(event: PointerEvent) {
    const tool = active.value;
    const at = place(event);
    const clicked = !far && Math.hypot(at[0] - pressed[0], at[1] - pressed[1]) < CLICK;
    active.value = null;
    await tool?.release?.(at, event, clicked ? presses : 0);
  }

  /** Gives false where nothing was dragged. */
  function leave(): boolean {
    const tool = active.value;
    active.value = null;
    tool?.leave?.();
    return tool !== null;
  }

  useEventListener(element, "pointerdown", press);
  useEventListener(element, "mousedown", (event: MouseEvent) => (presses = event.detail));
  useEventListener(element, "pointermove", move);
  useEventListener(element, "pointerup", release);
  useEventListener(element, "pointercancel", leave);
  useEventListener(element, "pointerleave", () => tools.forEach((tool) => tool.hover?.(null)));

  return { active, cursor, dragging: computed(() => active.value !== null), leave };
}
