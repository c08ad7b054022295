import { computed } from "vue";
import { useFitting } from "@/stages/fit/fitting";
import { useMatching } from "@/stages/fit/matching";
import { usePacking } from "@/stages/layout/packing";
import { usePicks } from "@/stores/picks";
import { usePreview } from "@/stores/preview";
import { useRelaxing } from "@/stages/cut/relaxing";
import { useSeams } from "@/stores/seams";
import { useSurface } from "@/stores/surface";
import type { MarkedShape, SeamsDrawing } from "./passes/cut";
import type { FitDrawing } from "./passes/fit";
import { edgesShape, facesShape, linesShape, vertexPlaces } from "./shapes";

/**
 * What the cut stage draws on the sheet, in step with what is picked and cut, null in other stages; and a change that
 * is not taken yet.
 */
export function useSheetMarks(cutting: () => boolean) {
  const surfaces = useSurface();
  const picks = usePicks();
  const seams = useSeams();
  const previews = usePreview();
  const packing = usePacking();
  const relaxing = useRelaxing();

  const ground = computed(() =>
    cutting() && surfaces.surface && surfaces.points ? { surface: surfaces.surface, points: surfaces.points } : null,
  );
  const seamsDrawing = computed<SeamsDrawing | null>(() => {
    if (!ground.value) return null;
    const { surface, points } = ground.value;
    return {
      seams: edgesShape(surface, points, seams.cut),
      openEnds: vertexPlaces(surface, points, seams.pieces?.open_ends.map((end) => end.vertex) ?? []),
    };
  });
  const picked = computed(() => shapeOf(picks.sets));
  const hovered = computed(() => {
    const under = picks.hovered === null ? [...picks.passed] : [...picks.passed, picks.hovered];
    return shapeOf({ faces: [], edges: [], corners: [], ...(picks.part ? { [picks.part]: under } : {}) });
  });
  const preview = computed(() => {
    const lines = relaxing.steps.at(-1)?.lines ?? packing.shown?.lines ?? previews.shown?.lines;
    return lines ? linesShape(lines) : null;
  });

  function shapeOf({
    faces,
    edges,
    corners,
  }: Record<"faces" | "edges" | "corners", Iterable<number>>): MarkedShape | null {
    if (!ground.value) return null;
    const { surface, points } = ground.value;
    const wanted = [...faces];
    return {
      faces: wanted.length > 0 ? (facesShape(surface, points, wanted)?.path ?? null) : null,
      edges: edgesShape(surface, points, edges),
      corners: vertexPlaces(surface, points, corners),
    };
  }

  const fitting = useFitting();
  const matching = useMatching();
  const fit = computed<FitDrawing | null>(() => {
    if (!fitting.active) return null;
    const wanted = new Set(
      matching.proposals?.flatMap((proposal) => (matching.lit === proposal ? proposal.cells : [])) ?? [],
    );
    const shown = fitting.page === "cells" || fitting.page === "match" ? fitting.cells : [];
    return {
      cells: shown.map((cell, index) => ({
        name: cell.name,
        corners: cell.corners_px,
        picked: index === fitting.cell || wanted.has(index),
        named: index === fitting.cell,
      })),
      landmarks:
        fitting.page === "landmarks"
          ? fitting.fit_setup.landmarks.map((mark, index) => ({
              at: mark.at_px,
              to: mark.to_px,
              picked: index === fitting.landmark,
            }))
          : [],
    };
  });

  return { seams: seamsDrawing, picked, hovered, preview, fit };
}
