import type { Layer } from "@/api/types";
import { useJob } from "@/stores/job";
import { shown } from "@/ui/sums";
import { sideInWords } from "./places/sides";
import { useMaskChoices } from "./useMaskChoices";

/** Where layers lie, in words. */
export function useLayerWords() {
  const jobs = useJob();
  const masks = useMaskChoices();

  function where({ place, mask, content }: Layer): string {
    const size = (width: number, height: number) => `${shown(width, 1)} × ${shown(height, 1)} mm`;
    switch (place.kind) {
      case "island": {
        const name = jobs.islands[place.island]?.name ?? "";
        const panel = name.endsWith(place.panel) ? "" : `, ${place.panel.toLowerCase()}`;
        return `on ${name}${panel}, ${size(place.width_mm, place.height_mm)}`;
      }
      case "surface":
        return `on ${some(place.islands)}, ${size(place.width_mm, place.height_mm)}`;
      case "level":
        return `round the model, ${shown(place.height_mm, 1)} mm wide, ${shown(place.length_mm, 0)} mm long`;
      case "path":
        return `along a path, ${shown(place.height_mm, 1)} mm wide, ${shown(place.length_mm, 0)} mm long`;
      case "model":
        return "held to the model";
      case "side":
        if (!mask) return `through the model from ${sideInWords(place.side)}`;
    }
    if (content.kind === "merged") return `of ${content.layers.length} layers`;
    if (content.kind === "guide") return "not delivered";
    if (content.kind === "seam_blend") return `within ${shown(content.width_mm, 1)} mm of seams`;
    return mask ? `on ${masks.wordsOf(mask)}` : "over the sheet";
  }

  /** The first two of islands by name, and how many more there are. */
  function some(islands: number[]): string {
    const names = islands.map((island) => jobs.islands[island]?.name ?? "");
    return `${names.slice(0, 2).join(", ")}${names.length > 2 ? ` and ${names.length - 2} more` : ""}`;
  }

  return { where, some };
}
