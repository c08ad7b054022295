import { shallowRef } from "vue";
import type { Pair } from "@/api/types";
import type { Tool } from "@/hand/tool";
import { usePlacing, type ModelSpot } from "@/stages/art/placing";
import { useJob } from "@/stores/job";
import type { HitsAt } from "./usePickIsland";

/** Puts a decal where the model is clicked, leads a path from click to click, and drags what is picked over the model. */
export function usePlaceDecal(hitsAt: HitsAt) {
  const placing = usePlacing();
  const jobs = useJob();
  /** a press has hold of a decal */
  const holding = shallowRef(false);

  function spotAt(at: Pair): ModelSpot | null {
    const hit = hitsAt(at)[0];
    return hit ? { face: hit.face, at: hit.point, normal: hit.normal } : null;
  }

  /** The pointer is over the picked decal, as far as a ball about its spot says; or over the picked stripe. */
  function overPicked(at: Pair) {
    if (placing.path) return onPath(at) !== null;
    const place = placing.picked?.place;
    const spot = place && spotAt(at);
    if (!place || !spot) return false;
    const unit = jobs.job?.unit_mm ?? 1;
    if (place.kind === "level")
      return Math.abs(spot.at[1] - place.at[1] - place.offset_mm / unit) <= place.height_mm / 2 / unit;
    const reach = Math.max(place.width_mm, place.height_mm) / 2 / unit;
    return Math.hypot(...spot.at.map((value, axis) => value - place.at[axis]!)) <= reach;
  }

  function onPath(at: Pair) {
    const spot = spotAt(at);
    return spot && placing.spotNear(spot.at);
  }

  const tool: Tool = {
    hit(at) {
      if (placing.next) return spotAt(at) ? "copy" : "default";
      return overPicked(at) ? "move" : null;
    },
    hover(at) {
      if (placing.next) placing.show(at && spotAt(at));
    },
    press(at) {
      if (!placing.next && placing.path) placing.held = onPath(at);
      return (holding.value = placing.next ? spotAt(at) !== null : overPicked(at));
    },
    move(at, _event, far) {
      const spot = far ? spotAt(at) : null;
      if (spot) placing.show(spot);
    },
    async release(at, _event, clicks) {
      holding.value = false;
      const spot = spotAt(at);
      if (placing.next?.as === "path" && clicks > 1) await placing.finish();
      else if (spot && (placing.next || clicks === 0)) await placing.put(spot);
      else drop();
    },
    leave() {
      holding.value = false;
      drop();
    },
  };

  function drop() {
    placing.show(null);
    placing.held = null;
  }

  return { tool, holding };
}
