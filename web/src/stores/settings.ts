import { useStorage } from "@vueuse/core";
import { defineStore } from "pinia";
import { watchEffect } from "vue";

export type Theme = "light" | "dark";
export type Unit = "px" | "mm";
export type Look = "art" | "chart";
export type Light = "even" | "shaded";

/** What the painter likes, kept in the browser. */
export const useSettings = defineStore("settings", () => {
  const theme = useStorage<Theme>("sheet-trace-theme", matchMedia("(prefers-color-scheme: dark)").matches ? "dark" : "light");
  const unit = useStorage<Unit>("sheet-trace-unit", "px");
  const look = useStorage<Look>("sheet-trace-look", "art");
  const light = useStorage<Light>("sheet-trace-light", "even");
  /** degrees that the keys , and . turn by */
  const turn_step_deg = useStorage("sheet-trace-turn-step", 5);

  watchEffect(() => document.documentElement.setAttribute("data-bs-theme", theme.value));

  return { theme, unit, look, light, turn_step_deg };
});
