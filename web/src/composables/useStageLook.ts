import { onUnmounted, watch } from "vue";
import type { Look } from "@/api/types";
import { useSettings } from "@/stores/settings";

/**
 * A stage shows what it is about on sheet and model as soon as it is entered. The former look comes back when the stage
 * is left, unless the painter has chosen another one meanwhile.
 *
 * @param wanted the stage's look; null while it has none
 */
export function useStageLook(wanted: () => Look | null) {
  const settings = useSettings();
  let former: Look | null = null;
  let set: Look | null = null;

  function restore() {
    if (former !== null && settings.look === set) settings.look = former;
    former = set = null;
  }

  watch(
    wanted,
    (now) => {
      restore();
      if (now === null || settings.look === now) return;
      former = settings.look;
      settings.look = set = now;
    },
    { immediate: true },
  );
  onUnmounted(restore);
}
