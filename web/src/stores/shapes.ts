import { defineStore } from "pinia";
import { shallowRef, watch } from "vue";
import { nameSpots, type NameSpot } from "@/sheet/nameSpots";
import { MOST_MARKED } from "@/sheet/passes/islands";
import { islandShapes, movedIslands, type IslandShape } from "@/sheet/shapes";
import { useJob } from "./job";
import { useSurface, type Surface } from "./surface";

interface Built {
  surface: Surface;
  points: Float32Array;
  shapes: IslandShape[];
  /** where names have room */
  spots: (NameSpot | null)[];
}

/** What the islands look like on the sheet. Those that lie as they did keep their shape. */
export const useShapes = defineStore("shapes", () => {
  const jobs = useJob();
  const surfaces = useSurface();
  const built = shallowRef<Built | null>(null);

  /** @param points where they lie, px: also while a hand bends some */
  function build(surface: Surface | null, points: Float32Array | null) {
    if (!surface || !points) return (built.value = null);
    const count = jobs.islands.length;
    const former = built.value;
    const known =
      former?.surface === surface && former.points.length === points.length && former.shapes.length === count
        ? former
        : null;
    const moved = known && movedIslands(surface, known.points, points);
    if (known && moved?.size === 0) return known;
    return (built.value = {
      surface,
      points: points.slice(),
      shapes: islandShapes(surface, points, count, known && { shapes: known.shapes, moved: moved! }),
      spots:
        count <= MOST_MARKED ? nameSpots(surface, points, count, known && { spots: known.spots, moved: moved! }) : [],
    });
  }
  watch([() => surfaces.surface, () => surfaces.points], ([surface, points]) => build(surface, points), {
    immediate: true,
  });

  return { built, build };
});
