import { nextTick, watch, type Ref } from "vue";
import type { Layer, Pair, PreviewedIsland } from "@/api/types";
import { useFitting } from "@/stages/fit/fitting";
import { useSheetImage } from "@/stores/image";
import { useJob } from "@/stores/job";
import { usePreview } from "@/stores/preview";
import { useSelection } from "@/stores/selection";
import { useSettings } from "@/stores/settings";
import { useVisibility } from "@/stores/visibility";
import { sheetColors } from "./colors";
import type { Box } from "./handles";
import type { LabelChange } from "./labelHand";
import { drawMarked, drawPreview, drawPreviewNames, drawSeams } from "./passes/cut";
import { drawCells, drawFit, drawPull } from "./passes/fit";
import { drawCorners, drawFrame, drawLabel } from "./passes/frame";
import { drawMat, drawPaper } from "./passes/ground";
import { drawIslands, drawLit, drawLively, drawMarks, drawReserved } from "./passes/islands";
import { Painter } from "./passes/painter";
import { pass, type Pass } from "./passes/pass";
import { drawRulers } from "./passes/rulers";
import type { NameSpot } from "./nameSpots";
import type { IslandShape } from "./shapes";
import { useSheetMarks } from "./useSheetMarks";
import type { Viewport } from "./viewport";

/** one and the same list, so that nothing is drawn anew for it */
const NONE: PreviewedIsland[] = [];

interface Options {
  width: Ref<number>;
  height: Ref<number>;
  pixelRatio: Ref<number>;
  view: Ref<Viewport>;
  shapes: Ref<IslandShape[]>;
  /** where names have room */
  spots: Ref<(NameSpot | null)[]>;
  cutting: () => boolean;
  /** faces that are lit */
  lit: Ref<Path2D | null>;
  /** how islands are moved while a drag lasts, and which */
  moved: Ref<DOMMatrix | null>;
  moving: Ref<Set<number> | null>;
  /** what the grips go round, px; null where nothing can be moved */
  frame: Ref<Box | null>;
  label: Ref<Layer | null>;
  labelChange: Ref<LabelChange>;
  labelPulled: Ref<boolean>;
  /** picked corners, and handles of the cage, px */
  corners: Ref<Pair[]>;
  pull: Ref<{ from: Pair; to: Pair } | null>;
}

/** Draws the sheet whenever something that a pass asks for has changed, once a frame of the screen at the most. */
export function usePainting(
  canvas: Ref<HTMLCanvasElement | null>,
  {
    width,
    height,
    pixelRatio,
    view,
    shapes,
    spots,
    cutting,
    lit,
    moved,
    moving,
    frame,
    label,
    labelChange,
    labelPulled,
    corners,
    pull,
  }: Options,
) {
  const jobs = useJob();
  const selection = useSelection();
  const settings = useSettings();
  const images = useSheetImage();
  const visibility = useVisibility();
  const fitting = useFitting();
  const previews = usePreview();
  const marks = useSheetMarks(cutting);

  const islands = () => [jobs.islands, shapes.value, visibility.hiddenIslands] as const;
  /** islands at rest: not over a template, which has lines of its own */
  const resting = () => [images.instead === null ? jobs.islands : [], shapes.value, visibility.hiddenIslands] as const;
  /** names and marks are those of the layout as it is: none while another one is looked at */
  const marked = () =>
    [
      marks.preview.value || images.instead !== null ? [] : jobs.islands,
      shapes.value,
      spots.value,
      visibility.hiddenIslands,
    ] as const;
  const measured = () => images.look === "stretch" || images.look === "density";
  const opacity = () => (images.look === "underlay" ? (fitting.underlay?.opacity ?? 1) : 1);
  const [RESTS, LIVES] = [true, false];
  const passes: Pass[] = [
    pass(RESTS, () => [], drawMat),
    pass(RESTS, () => [jobs.job!.sheet, images.image, opacity(), settings.pixels], drawPaper),
    pass(RESTS, () => [marks.fit.value], drawCells),
    pass(RESTS, () => [...resting(), moving.value], drawIslands),
    pass(RESTS, () => [jobs.job!.reserved_px], drawReserved),
    pass(LIVES, () => [...islands(), selection.islands, selection.hovered, moving.value, moved.value], drawLively),
    pass(RESTS, () => [marks.preview.value, jobs.job!.sheet], drawPreview),
    pass(RESTS, () => [previews.shown?.islands ?? NONE], drawPreviewNames),
    pass(RESTS, () => [marks.fit.value], drawFit),
    pass(RESTS, () => [marks.seams.value], drawSeams),
    pass(RESTS, () => [marks.picked.value, 0.8], drawMarked),
    pass(RESTS, () => [lit.value], drawLit),
    pass(RESTS, () => [...marked(), selection.islands, moving.value, !measured()], drawMarks),
    pass(LIVES, () => [marks.hovered.value, 0.4], drawMarked),
    pass(LIVES, () => [pull.value], drawPull),
    pass(LIVES, () => [marks.preview.value ? null : frame.value], drawFrame),
    pass(LIVES, () => [corners.value], drawCorners),
    pass(LIVES, () => [label.value, labelChange.value, labelPulled.value], drawLabel),
    pass(LIVES, () => [settings.unit, jobs.job!.density_px_per_mm], drawRulers),
  ];
  const painter = new Painter(passes);

  function paint() {
    const context = canvas.value?.getContext("2d");
    if (!context || !jobs.job || width.value === 0) return;
    const ratio = pixelRatio.value;
    const size = { width: Math.round(width.value * ratio), height: Math.round(height.value * ratio) };
    if (context.canvas.width !== size.width || context.canvas.height !== size.height)
      Object.assign(context.canvas, size);
    painter.paint({
      context,
      width: width.value,
      height: height.value,
      view: view.value,
      ratio,
      colors: sheetColors(settings.theme),
    });
  }

  let wanted = false;
  function repaint() {
    if (wanted) return;
    wanted = true;
    requestAnimationFrame(() => {
      wanted = false;
      paint();
    });
  }

  watch(
    [
      width,
      height,
      pixelRatio,
      view,
      () => settings.theme,
      () => (jobs.job ? passes.flatMap(({ inputs }) => inputs()) : null),
    ],
    repaint,
    { flush: "post", immediate: true },
  );
  void document.fonts.ready.then(() => nextTick(repaint));
}
