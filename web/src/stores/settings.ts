import { useStorage } from "@vueuse/core";
import { defineStore } from "pinia";
import { computed, watchEffect } from "vue";
import type { Look } from "@/api/types";

export type Theme = "light" | "dark";
export type Unit = "px" | "mm";
/** what a drag holds the box of islands to */
export type Hold = "free" | "gutter" | "corners" | "middles";
/** whether single px of the sheet's picture are squares on the screen */
export type Pixels = "auto" | "hard" | "smooth";
export type Light = "even" | "shaded";

/** What the proof draws beside the model itself, and how. */
export interface Aids {
  edges: boolean;
  floor: boolean;
  facing: boolean;
  one_sided: boolean;
  see_through: boolean;
  cut_outs: boolean;
  relief: boolean;
}

/** What the painter likes, kept in the browser. */
export const useSettings = defineStore("settings", () => {
  const theme = useStorage<Theme>(
    "sheet-trace-theme",
    matchMedia("(prefers-color-scheme: dark)").matches ? "dark" : "light",
  );
  const unit = useStorage<Unit>("sheet-trace-unit", "px");
  const look = useStorage<Look>("sheet-trace-look", "art");
  const proof = useStorage<Aids>(
    "sheet-trace-proof",
    {
      edges: false,
      floor: false,
      facing: false,
      one_sided: false,
      see_through: false,
      cut_outs: false,
      relief: true,
    },
    undefined,
    { mergeDefaults: true },
  );
  /** how strongly the model shows the relief */
  const relief = useStorage("sheet-trace-relief", 1);
  const light = useStorage<Light>("sheet-trace-light", "shaded");
  const hold = useStorage<Hold>("sheet-trace-hold", "free");
  /** the part of a pixel that what is moved comes to lie on; null: any */
  const pixelHold = computed(() => (hold.value === "corners" || hold.value === "middles" ? hold.value : null));
  const pixels = useStorage<Pixels>("sheet-trace-pixels", "auto");
  /** degrees that the keys , and . turn by */
  const turn_step_deg = useStorage("sheet-trace-turn-step", 5);

  watchEffect(() => document.documentElement.setAttribute("data-bs-theme", theme.value));

  return { theme, unit, look, light, proof, relief, hold, pixelHold, pixels, turn_step_deg };
});
