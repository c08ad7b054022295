import { computed, ref, watch, type Ref } from "vue";
import type { Sheet } from "@/api/types";
import type { Box } from "@/sheet/handles";
import { centred, fitted, framing, zoomedAt, type Viewport } from "@/sheet/viewport";

/** Pan and zoom of the sheet. It stays fitted until the hand moves it. */
export function useViewport(sheet: () => Sheet | null, width: Ref<number>, height: Ref<number>) {
  const view = ref<Viewport>({ scale: 1, x: 0, y: 0 });
  const free = ref(false);

  function fit() {
    const target = sheet();
    if (!target || width.value === 0) return;
    view.value = fitted(target, width.value, height.value);
    free.value = false;
  }

  function zoomAt(x: number, y: number, factor: number) {
    view.value = zoomedAt(view.value, x, y, factor);
    free.value = true;
  }

  const zoomBy = (factor: number) => zoomAt(width.value / 2, height.value / 2, factor);

  function pan(dx: number, dy: number) {
    view.value = { ...view.value, x: view.value.x + dx, y: view.value.y + dy };
    free.value = true;
  }

  function frame(box: Box) {
    if (width.value === 0) return;
    view.value = framing(box, width.value, height.value);
    free.value = true;
  }

  function actualSize() {
    const target = sheet();
    if (!target) return;
    view.value = centred(target, width.value, height.value, 1);
    free.value = true;
  }

  watch(
    [() => sheet()?.width_px, () => sheet()?.height_px, width, height],
    (now, before) => {
      const sheetChanged = now[0] !== before[0] || now[1] !== before[1];
      if (sheetChanged || !free.value) fit();
    },
    { flush: "post" },
  );

  return {
    view,
    percent: computed(() => Math.round(view.value.scale * 100)),
    fit,
    frame,
    zoomAt,
    zoomBy,
    pan,
    actualSize,
  };
}
