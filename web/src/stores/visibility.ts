import { useStorage } from "@vueuse/core";
import { defineStore } from "pinia";
import { computed } from "vue";
import { useJob } from "./job";
import { useSurface } from "./surface";

/** Parts that are hidden to see others better. Nothing of the job depends on it; it is kept in the browser. */
export const useVisibility = defineStore("visibility", () => {
  const jobs = useJob();
  const surfaces = useSurface();
  const kept = useStorage<Record<string, number[]>>("sheet-trace-hidden-parts", {});

  const id = computed(() => jobs.job?.id);
  /** the same set for as long as it stays as it is */
  const hidden = computed(() => new Set(id.value ? (kept.value[id.value] ?? []) : []));

  function set(parts: number[]) {
    if (jobs.job) kept.value = { ...kept.value, [jobs.job.id]: parts };
  }

  const toggle = (part: number) =>
    set(hidden.value.has(part) ? [...hidden.value].filter((other) => other !== part) : [...hidden.value, part]);
  const showOnly = (part: number) => set((jobs.job?.parts ?? []).map((_, i) => i).filter((i) => i !== part));
  const showAll = () => set([]);

  /** Islands of which no face is shown. */
  const hiddenIslands = computed(() => {
    const surface = surfaces.surface;
    if (!surface || hidden.value.size === 0) return new Set<number>();
    const shown = new Set<number>();
    surface.triangleParts.forEach((part, k) => {
      if (!hidden.value.has(part)) shown.add(surface.triangleIslands[k]!);
    });
    return new Set(jobs.islands.map((island) => island.index).filter((index) => !shown.has(index)));
  });

  return { hidden, hiddenIslands, toggle, showOnly, showAll };
});
