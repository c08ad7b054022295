import { computed, watch, type Ref } from "vue";
import type { Pair } from "@/api/types";
import { useCage } from "@/hand/cage";
import { useCorners } from "@/hand/corners";
import { useFitting } from "@/stages/fit/fitting";
import { useJob } from "@/stores/job";
import { byMatrix, placeWhile, useMoving } from "@/hand/moving";
import { useSelection } from "@/stores/selection";
import { useSettings } from "@/stores/settings";
import { useSurface } from "@/stores/surface";

/** Something small on the sheet that a press picks and, where it is movable, a drag moves. */
export interface SheetHandle {
  /** what is held to pixels */
  place: Pair;
  movable: boolean;
  done: (shift: Pair) => Promise<unknown>;
}

/** Corners and edges of islands, and handles of the cage. */
export function useHandles(reach: () => number) {
  const jobs = useJob();
  const corners = useCorners();
  const cage = useCage();
  const fitting = useFitting();
  const settings = useSettings();

  const cornerAt = (at: Pair) =>
    corners.on && (corners.at(at, reach()) !== null || (fitting.active && corners.edgeAt(at, reach()) !== null));
  const over = (at: Pair) => cage.at(at, reach()) !== null || cornerAt(at);

  function take(at: Pair, extend: boolean): SheetHandle | null {
    cage.held = cage.at(at, reach());
    if (cage.held !== null) return { place: cage.handles[cage.held]!, movable: true, done: cage.pull };
    if (!cornerAt(at)) return null;
    corners.pickAt(at, reach(), extend);
    const to = settings.pixelHold;
    return {
      place: corners.places[0] ?? at,
      movable: fitting.active,
      done: (move_px) => jobs.operate("move_points", { points: [...corners.picked], move_px, to }),
    };
  }

  /** Picks all of the border in a row at a place where no corner is. */
  function takeRow(at: Pair, extend: boolean) {
    if (corners.on && corners.at(at, reach()) === null) corners.pickRow(at, reach(), extend);
  }

  return { over, take, takeRow };
}

/**
 * Tells the proof, and whoever draws, what is moved at the moment: islands by a drag, corners or a handle of the cage
 * by a shift.
 */
export function useMovingHand(moved: Ref<DOMMatrix | null>, shift: Ref<Pair | null>) {
  const jobs = useJob();
  const corners = useCorners();
  const cage = useCage();
  const selection = useSelection();
  const surfaces = useSurface();
  const store = useMoving();

  /** the picked islands with all that lie on them */
  const islands = computed(() => new Set(selection.islands.flatMap((index) => jobs.islands[index]?.stack ?? [])));
  const none: Set<number> = new Set();

  watch([moved, shift], ([matrix, by]) => {
    if (matrix) store.now = { islands: islands.value, place: byMatrix(matrix), points: none, shift: [0, 0] };
    else if (by && cage.held !== null)
      store.now = { islands: islands.value, place: cage.bend(by), points: none, shift: [0, 0] };
    else if (by) store.now = { islands: none, place: (x, y) => [x, y], points: new Set(corners.picked), shift: by };
    else store.now = null;
  });

  /** The points of the map as they lie while corners or a cage are pulled. */
  function bent(): Float32Array | null {
    const { surface, points } = surfaces;
    if (!surface || !points) return null;
    const places = points.slice();
    for (let point = 0; point < points.length / 2; point += 1)
      [places[2 * point], places[2 * point + 1]] = placeWhile(
        store.now,
        points[2 * point]!,
        points[2 * point + 1]!,
        point,
        surface.pointIslands[point]!,
      );
    return places;
  }

  /** Picked corners, and handles of the cage, where the hand has them. */
  const places = computed<Pair[]>(() => {
    const [dx, dy] = shift.value ?? [0, 0];
    const pulled = (all: Pair[], which: (i: number) => boolean) =>
      all.map(([x, y], i): Pair => (which(i) ? [x + dx, y + dy] : [x, y]));
    return [...pulled(corners.places, () => cage.held === null), ...pulled(cage.handles, (i) => i === cage.held)];
  });

  return { islands, bent, places };
}
