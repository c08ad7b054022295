import { defineStore } from "pinia";
import { computed } from "vue";
import { Elements } from "@/picking/elements";
import { useSurface } from "./surface";

/** Faces, edges and corners of the job's surface, to be picked and drawn. Sorted out when they are first asked for. */
export const useElements = defineStore("elements", () => {
  const surfaces = useSurface();
  const elements = computed(() => surfaces.surface && new Elements(surfaces.surface));

  return { elements };
});
