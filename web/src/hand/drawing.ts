import { defineStore } from "pinia";
import { computed, shallowRef } from "vue";
import type { Pair } from "@/api/types";
import type { Box } from "@/sheet/handles";
import { wholeBox } from "@/sheet/handles";

/**
 * What a hand drew on the sheet: from a press to a release, px; the corner of an island that the press was on, and the
 * island.
 */
export interface Drawn {
  from: Pair;
  to: Pair;
  point: number | null;
  island: number | null;
}

interface Wish {
  shape: "box" | "point" | "pull";
  /** what is drawn, in words */
  purpose: string;
  done: (drawn: Drawn) => unknown;
}

/**
 * Something that is to be drawn on the sheet next: a rectangle, a place, or a line pulled from a place of an island to
 * where it must lie.
 */
export const useDrawing = defineStore("drawing", () => {
  const wish = shallowRef<Wish | null>(null);

  const shape = computed(() => wish.value?.shape ?? null);
  const purpose = computed(() => wish.value?.purpose ?? "");

  /** One rectangle, in whole px. */
  function box(what: string, done: (box: Box) => unknown) {
    wish.value = {
      shape: "box",
      purpose: `Draw ${what} on the sheet; Escape leaves`,
      done: ({ from, to }) => done(wholeBox(from, to)),
    };
  }

  /** Places, one click each. */
  function places(names: string[], done: (places: Pair[]) => unknown) {
    const found: Pair[] = [];
    const next = () => {
      wish.value = {
        shape: "point",
        purpose: `Click ${names[found.length]}; Escape leaves`,
        done: ({ to }) => {
          found.push(to);
          if (found.length < names.length) next();
          else done(found);
        },
      };
    };
    next();
  }

  /** Lines, as many as are wanted, until it is left. */
  function pulls(purpose: string, done: (drawn: Drawn) => unknown) {
    wish.value = {
      shape: "pull",
      purpose,
      done: (drawn) => {
        pulls(purpose, done);
        return done(drawn);
      },
    };
  }

  function take(drawn: Drawn) {
    const wanted = wish.value;
    wish.value = null;
    return wanted?.done(drawn);
  }

  /** Gives false where nothing was to be drawn. */
  function leave() {
    const was = wish.value !== null;
    wish.value = null;
    return was;
  }

  return { shape, purpose, box, places, pulls, take, leave };
});
