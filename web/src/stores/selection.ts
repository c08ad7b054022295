import { defineStore } from "pinia";
import { ref } from "vue";

/** The picked islands and layer, and what the pointer is over: one selection for strip, sheet and proof. */
export const useSelection = defineStore("selection", () => {
  const islands = ref<number[]>([]);
  const hovered = ref<number | null>(null);
  const layer = ref<string | null>(null);
  /** px on the sheet under the pointer */
  const pointer = ref<{ x: number; y: number } | null>(null);

  /** Picks one island, or adds and takes away with extend; null picks none. */
  function pick(island: number | null, extend = false) {
    if (island === null) {
      if (!extend) islands.value = [];
    } else if (!extend) {
      islands.value = [island];
    } else if (islands.value.includes(island)) {
      islands.value = islands.value.filter((picked) => picked !== island);
    } else {
      islands.value = [...islands.value, island];
    }
  }

  function clear() {
    islands.value = [];
    hovered.value = null;
    layer.value = null;
  }

  return { islands, hovered, layer, pointer, pick, clear };
});
