import { computed, effectScope, shallowRef, watch, type Ref } from "vue";
import { previewed, useMoving } from "@/hand/moving";
import { usePlacing } from "@/stages/art/placing";
import { useBand } from "@/stages/cut/band";
import { useSheetImage } from "@/stores/image";
import { api } from "@/api/client";
import { useJob } from "@/stores/job";
import { usePicks } from "@/stores/picks";
import { usePreview } from "@/stores/preview";
import { useSeams } from "@/stores/seams";
import { useSelection } from "@/stores/selection";
import { useSettings } from "@/stores/settings";
import { useSurface } from "@/stores/surface";
import { useVisibility } from "@/stores/visibility";
import { boxOf, cornersOf, edgeLines, facingLines, lengthOf, outlines, rimOf, tintsOf } from "./geometry";
import {
  CasedLines,
  DoubleLines,
  ElementMarks,
  INK,
  Patches,
  PICKED,
  SEAM,
  Spots,
  ThinLines,
  WARNING,
} from "./objects";
import { DecalShown } from "./passes/decal";
import { PathShown } from "./passes/path";
import { Floor } from "./passes/floor";
import { pass, type Pass } from "./passes/pass";
import type { ProofScene } from "./scene";

/** px of an image that is shown with hard pixels by itself */
const SMALL_PX = 256 * 256;
/** length of a square of the floor, mm */
const SQUARE_MM = 10;
const NOTHING = { faces: [], edges: [], corners: [] };

/** Draws the proof: the model, and over it, pass by pass, what is picked, cut and looked at. */
export function useProofPasses(scene: Ref<ProofScene | undefined>, cutting: () => boolean) {
  const jobs = useJob();
  const selection = useSelection();
  const settings = useSettings();
  const surfaces = useSurface();
  const images = useSheetImage();
  const visibility = useVisibility();
  const moving = useMoving();
  const previews = usePreview();
  const picks = usePicks();
  const seams = useSeams();
  const bands = useBand();
  const placing = usePlacing();

  const surface = () => surfaces.surface;
  const hidden = () => visibility.hidden;
  const box = computed(() => surfaces.surface && boxOf(surfaces.surface));
  const length = computed(() => (box.value ? lengthOf(box.value) : 0));
  /** Px of a small picture are shown as squares by themselves. */
  const hard = computed(() => {
    const { width = 0, height = 0 } = images.image ?? {};
    return settings.pixels === "hard" || (settings.pixels === "auto" && width * height <= SMALL_PX);
  });
  /** address of the normal map that the model wears, where its art is raised */
  const relief = computed(() => {
    const job = jobs.job;
    if (!job?.artwork.relief || !settings.proof.relief || images.look !== "art" || images.instead) return null;
    return api.urls.relief(job.id, job.revision, "normals");
  });
  const cutOut = computed(() => settings.proof.cut_outs && settings.look === "art");
  /** Until the new sheet is there, islands that were moved wear what they wore: their places wait for it. */
  const settled = shallowRef(surfaces.points);
  watch(
    () => [surfaces.points, surfaces.surface, images.busy] as const,
    ([points, , busy]) => {
      if (!busy || points?.length !== settled.value?.length) settled.value = points;
    },
    { flush: "sync" },
  );
  /** What moves under the hand, or else what is shown as a preview. */
  const elsewhere = computed(() => moving.now ?? (previews.shown && previewed(previews.shown.islands)));
  const outlined = computed(() => [...selection.islands, ...(selection.hovered === null ? [] : [selection.hovered])]);
  const elements = () => (cutting() ? surfaces.elements : null);
  const hovered = () => (picks.hovered === null ? [...picks.passed] : [...picks.passed, picks.hovered]);
  const band = () => (cutting() ? bands.shown : null);
  const tints = () => {
    const pieces = cutting() ? seams.tints : null;
    return pieces?.length === surfaces.surface?.triangleIslands.length ? pieces : null;
  };

  function modelPasses(view: ProofScene): Pass[] {
    const { model } = view;
    return [
      pass(model, () => [surface()], model.setSurface.bind(model)),
      pass(
        model,
        () => [surface(), settled.value, jobs.job?.sheet ?? null, elsewhere.value],
        model.setPoints.bind(model),
      ),
      pass(model, () => [images.image, hard.value, cutOut.value], model.setImage.bind(model)),
      pass(model, () => [settings.light], model.setLight.bind(model)),
      pass(
        model,
        () => [relief.value, settings.relief],
        (url, strength) => model.setRelief(url, strength, () => view.redraw()),
      ),
      pass(model, () => [surface(), hidden()], model.setHidden.bind(model)),
      pass(model, () => [{ ...settings.proof }], model.setAids.bind(model)),
    ];
  }

  function aidPasses(): Pass[] {
    const outline = new CasedLines(PICKED, 3, 2);
    const lit = new DoubleLines();
    const edges = new ThinLines(INK, { transparent: true, opacity: 0.55 });
    const facing = new ThinLines(SEAM);
    const floor = new Floor();
    return [
      pass(
        outline,
        () => [surface(), hidden(), outlined.value],
        (of, without, islands) => outline.draw(of ? outlines(of, without, new Set(islands)) : []),
      ),
      pass(
        lit,
        () => [surface(), selection.spot],
        (of, spot) => lit.draw(of && spot ? rimOf(cornersOf(of, new Set(spot.faces), null)) : []),
      ),
      pass(
        edges,
        () => [settings.proof.edges ? surface() : null, hidden()],
        (of, without) => edges.draw(of ? edgeLines(of, without, () => true) : []),
      ),
      pass(
        facing,
        () => [settings.proof.facing ? surface() : null, hidden(), length.value / 60],
        (of, without, long) => facing.draw(of ? facingLines(of, without, long) : []),
      ),
      pass(
        floor,
        () => [settings.proof.floor ? box.value : null, SQUARE_MM / (jobs.job?.unit_mm ?? 1)],
        floor.draw.bind(floor),
      ),
    ];
  }

  function cutPasses(): Pass[] {
    const pieces = new Patches({ vertexColors: true, opacity: 0.62 }, 0.72, 1);
    const cuts = new CasedLines(SEAM, 2.5, 2, { dashed: true, dashScale: 1 });
    const openEnds = new Spots(WARNING, 15, true);
    const picked = new ElementMarks(0.8, 4, 3);
    const under = new ElementMarks(0.4, 4, 4);
    const axis = new CasedLines(INK, 2, 0, { depthTest: false, dashed: true, dashScale: 1 });
    const apex = new Spots(INK, 13, true);
    axis.renderOrder = apex.renderOrder = 1;
    apex.material.depthTest = false;
    return [
      pass(
        pieces,
        () => [surface(), tints()],
        (of, numbers) => {
          const { colors, hatch } = tintsOf(numbers ?? new Int32Array());
          pieces.draw(of && numbers ? of.positions : new Float32Array(), hatch, colors);
        },
      ),
      pass(
        cuts,
        () => [elements(), seams.cut, length.value / 70],
        (of, cut, dash) => cuts.draw(of?.edgeLines(cut) ?? [], dash),
      ),
      pass(
        openEnds,
        () => [elements(), seams.pieces],
        (of, found) => openEnds.draw(of?.places(found?.open_ends.map(({ vertex }) => vertex) ?? []) ?? []),
      ),
      pass(picked, () => [elements(), picks.sets], picked.show.bind(picked)),
      pass(
        under,
        () => [elements(), picks.part ? { ...NOTHING, [picks.part]: hovered() } : NOTHING],
        under.show.bind(under),
      ),
      pass(
        axis,
        () => [band(), length.value / 35],
        (shown, dash) => axis.draw(shown ? [...shown.low, ...shown.high] : [], dash),
      ),
      pass(
        apex,
        () => [band()],
        (shown) => apex.draw(shown?.kind === "cone" ? shown.origin : []),
      ),
    ];
  }

  function start(view: ProofScene) {
    const decal = new DecalShown(() => view.redraw());
    const path = new PathShown();
    const passes = [
      ...modelPasses(view),
      ...aidPasses(),
      ...cutPasses(),
      pass(decal, () => [placing.shown], decal.draw.bind(decal)),
      pass(path, () => [placing.line], path.draw.bind(path)),
    ];
    const due = new Set<Pass>();
    view.onDraw = () => {
      for (const each of passes) if (due.delete(each)) each.draw();
    };
    for (const each of passes) {
      view.add(each.object);
      watch(
        each.inputs,
        (now, before) => {
          if (before && now.every((input, i) => input === before[i])) return;
          due.add(each);
          view.redraw();
        },
        { immediate: true },
      );
    }
    watch(box, (now) => now && view.goRound(now), { immediate: true });
    // After a change the sheet comes, and the places on it.
    watch(
      () => (!jobs.saved && images.early === null) || images.busy,
      (more) => view.expect(more),
      { flush: "post" },
    );
    watch(
      () => selection.spot,
      (spot) => {
        if (!spot || !surfaces.surface) return;
        const faces = spot.faces.length > 0 ? new Set(spot.faces) : null;
        view.lookAt(cornersOf(surfaces.surface, faces, new Set(spot.islands)));
      },
    );
  }

  const scope = effectScope();
  watch(scene, (view) => view && scope.run(() => start(view)), { immediate: true });
}
