import { defineStore } from "pinia";
import { ref, shallowRef } from "vue";

/** Faces and islands that a finding or a step speaks of, to be lit and looked at. */
export interface Spot {
  faces: number[];
  islands: number[];
}

/**
 * The picked islands and layer, what is lit, and what the pointer is over: one selection for strip, sheet and proof.
 */
export const useSelection = defineStore("selection", () => {
  const islands = ref<number[]>([]);
  const hovered = ref<number | null>(null);
  const layer = ref<string | null>(null);
  /** px on the sheet under the pointer */
  const pointer = ref<{ x: number; y: number } | null>(null);
  /** place on the model under the pointer, model units */
  const touched = shallowRef<[number, number, number] | null>(null);
  /** from the model's middle to the eye, as the proof is seen now */
  const eye = shallowRef<[number, number, number]>([0, 0, 1]);
  /** a new object each time it is asked for, so that views look again */
  const spot = shallowRef<Spot | null>(null);
  /** what lies in one place under the pointer in the proof, the front one first */
  const stacked = shallowRef<string[]>([]);

  /** what is picked is added, as with Shift: for a pen or a finger */
  const adding = ref(false);

  /** Picks one island, or adds and takes away with extend; null picks none. */
  function pick(island: number | null, shift = false) {
    const extend = shift || adding.value;
    spot.value = null;
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

  /** Lights a place and has sheet and proof look at it. */
  function lookAt(place: Spot) {
    islands.value = [...place.islands];
    spot.value = { faces: [...place.faces], islands: [...place.islands] };
  }

  function clear() {
    islands.value = [];
    adding.value = false;
    hovered.value = null;
    layer.value = null;
    spot.value = null;
    stacked.value = [];
    touched.value = null;
  }

  return { islands, hovered, layer, pointer, touched, eye, spot, stacked, adding, pick, lookAt, clear };
});
