// Made by `rake api` from the declarations of the core and the server; not to be changed by hand.
import type { Assignment, OperationName, Receiver } from "./operations";

/** What the server's JSON holds. Lengths carry their unit in the name; angles are degrees. */

export interface Sheet {
  width_px: number;
  height_px: number;
}

export interface Picture {
  digest: string;
  name: string;
  media_type: string;
  width_px: number;
  height_px: number;
}

export interface JobCard {
  id: string;
  name: string;
  updated_at: string;
  revision_id: number;
}

export interface Failure {
  code: string;
  message: string;
  where: Record<string, unknown>;
}

export interface Mask {
  islands: number[] | null;
  parts: number[] | null;
  materials: number[] | null;
  faces: number[] | null;
}

export interface Layer {
  id: string;
  name: string;
  /** what it shows */
  content: { kind: "picture"; picture: { digest: string; name: string; width_px: number; height_px: number; drawing?: boolean }; crop: [number, number, number, number]; recolour: { from: string; to: string; within?: number }[] } | { kind: "fill"; color: string } | { kind: "gradient"; color: string; to: string; turn_deg: number; round: boolean } | { kind: "lettering"; text: string; font: string; color: string; align: "left" | "centre" | "right"; tracking: number; leading: number; outline: number; outline_color: string; cap_mm: number; em_mm: number; cap_texels: number; stroke_texels: number; breaks_up: boolean; line_height: number } | { kind: "guide"; color: string; line_px: number; edges: "all" | "outline" } | { kind: "seam_blend"; width_mm: number; between: ((number | string)[])[] } | { kind: "merged"; layers: string[] };
  /** where it lies */
  place: { kind: "sheet"; box: [number, number, number, number] } | { kind: "island"; island: number; width_mm: number; x_mm: number; y_mm: number; turn_deg: number; along: "straight" | "rim"; bend_deg: number; corners: [number, number, number, number, number, number, number, number]; height_mm: number; middle_px: [number, number]; frame_px: [number, number][]; outline_px: [number, number][]; edges_mm: [number, number, number, number]; upright_lines: { at_mm: number; name: string }[]; level_lines: { at_mm: number; name: string }[]; panel: string; stretch_mean: number; stretch_worst: number; round_mm: number; rim_widths_mm: [number, number]; mm_per_px: [number, number, number, number] } | { kind: "surface"; face: number; at: [number, number, number]; width_mm: number; turn_deg: number; way: "smooth" | "creased" | "square_on"; over_edges: boolean; depth_mm: number; height_mm: number; islands: number[]; stretch_mean: number; stretch_worst: number; cracks_mm: number; laid: number } | { kind: "level"; face: number; at: [number, number, number]; height_mm: number; offset_mm: number; all_round: boolean; trim_mm: [number, number]; length_mm: number; closed: boolean; islands: number[] } | { kind: "path"; spots: { face: number; at: [number, number, number] }[]; back: boolean; edges: number[]; rim_of: number; height_mm: number; offset_mm: number; all_round: boolean; trim_mm: [number, number]; length_mm: number; closed: boolean; islands: number[] } | { kind: "model"; painted_on: string; guide_px: number } | { kind: "side"; side: "front" | "back" | "left" | "right" | "above" | "below" };
  visible: boolean;
  locked: boolean;
  opacity: number;
  blend: "normal" | "multiply" | "screen" | "overlay" | "darken" | "lighten" | "color-dodge" | "color-burn" | "hard-light" | "soft-light" | "difference" | "exclusion" | "hue" | "saturation" | "color" | "luminosity";
  /** what it shows on; null: everything */
  mask: Mask | null;
  /** by the edition shown */
  replaced: boolean;
  /** px of its picture to a texel; null where it says no size */
  picture_px_per_texel: number | null;
  /** by that number */
  picture_judged: "wasted" | "enough" | "coarse" | null;
  /** id of the layer whose content it shows */
  follows: string | null;
  /** name of the group that it is in */
  group: string | null;
}

export interface LayerGroup {
  name: string;
  visible: boolean;
  locked: boolean;
  opacity: number;
}

export interface Swatch {
  /** #rrggbb */
  color: string;
  name: string;
}

export interface Relief {
  from: "lightness" | "color";
  color: string;
  low: number;
  high: number;
  noise_px: number;
  smooth_px: number;
  height_mm: number;
}

export interface MaskPicture {
  from: "paint" | "lightness" | "color";
  color: string;
  low: number;
  high: number;
  noise_px: number;
  smooth_px: number;
  inverted: boolean;
  /** ids; null: all */
  layers: string[] | null;
}

export interface EditionColumn {
  /** id */
  layer: string;
  member: "picture" | "text" | "color" | "visible";
  title: string;
}

export interface Artwork {
  bleed_px: number;
  /** the smallest reduced copy that it does for is so many times smaller */
  bleed_copy: number | null;
  layers: Layer[];
  groups: LayerGroup[];
  /** whether layers are blended in linear light */
  linear: boolean;
  /** their names */
  editions: string[];
  /** of the editions */
  shown: number;
  palette: Swatch[];
  /** how the art is raised */
  relief: Relief | null;
  /** what the mask beside the texture is made of */
  mask: MaskPicture | null;
  /** colours of layers and of the underlay's cells, #rrggbb */
  in_use: string[];
  /** what editions can replace */
  columns: EditionColumn[];
  /** by edition and column; null: as in the stack */
  cells: ((string | null)[])[];
}

export interface Band {
  kind: "cylinder" | "cone";
  axis: [number, number, number];
  /** the apex of a cone */
  origin: [number, number, number];
  radius: number | null;
  half_angle_deg: number;
  /** how far the surface lies from it, as a share of the band's size */
  error: number;
  /** an end of the axis beside the band */
  low: [number, number, number];
  high: [number, number, number];
}

export interface Border {
  island: number;
  cell: number;
  /** below 0 where it juts out */
  inside_px: number;
  /** nearer to the border than the inset */
  near: boolean;
  /** the least reduction at which a rim of another colour shows: 1 is the sheet's own size */
  rim_from: number | null;
  rims: Record<string, number>;
}

export interface Borders {
  borders: Border[];
}

export interface RuleBreak {
  rule: string;
  message: string;
  cure: string;
}

export interface RuleBreaks {
  breaks: RuleBreak[];
}

export interface BroughtFile {
  digest: string;
}

export interface Brought {
  pictures: Picture[];
  notes: string[];
}

export interface Clearance {
  /** to the nearest of the others, between outlines; null where there are none */
  gap_px: number | null;
  nearest: number | null;
  /** islands that they touch or lie on */
  over: number[];
  /** least and most */
  density_px_per_mm: [number, number];
}

export interface MainColors {
  /** #rrggbb, what takes up most of it first */
  colors: string[];
}

export interface Done {
  sentence: string;
}

export interface ExchangedFile {
  /** within the folder */
  path: string;
  state: "given" | "taken" | "broken";
  /** what came of it */
  message: string;
  came_at: string;
}

export interface Exchange {
  /** its path; null where there is none */
  folder: string | null;
  /** it is not there any more */
  gone: boolean;
  files: ExchangedFile[];
}

export interface PlainCell {
  name: string;
  x: number;
  y: number;
  width: number;
  height: number;
  outline: [number, number][] | null;
  color: [number, number, number] | null;
  /** of one colour */
  flat: boolean;
  /** where a gradient runs */
  shade: "across" | "down" | null;
}

export interface Cell {
  name: string;
  x: number;
  y: number;
  width: number;
  height: number;
  outline: [number, number][] | null;
  color: [number, number, number] | null;
  /** of one colour */
  flat: boolean;
  /** where a gradient runs */
  shade: "across" | "down" | null;
  /** px of the sheet; the rest of a cell is px of the picture */
  corners_px: [number, number][];
}

export interface Underlay {
  name: string;
  /** digest */
  picture: string;
  /** of the file */
  picture_px: [number, number];
  /** corrected */
  size_px: [number, number];
  recipe: ({ step: "straighten"; corners: [number, number][]; width_px?: number | null; height_px?: number | null } | { step: "trim"; left?: number; top?: number; right?: number; bottom?: number } | { step: "leave_out"; way: "across" | "down"; from_px: number; to_px: number } | { step: "even_light"; radius?: number } | { step: "unroll"; left_px: number; right_px: number; from_px?: number | null; to_px?: number | null; sag_px?: number })[];
  /** left, top, width and height as shares of the sheet */
  box: [number, number, number, number];
  opacity: number;
  locked: boolean;
  /** only looked at */
  reference: boolean;
  scale_note: string;
  /** how much wider than high its px are shown; 1 where they are square */
  stretch: number;
  cells: Cell[];
}

export interface Landmark {
  triangle: number;
  shares: [number, number, number];
  island: number;
  /** where its place of the surface lies on the sheet now */
  at_px: [number, number];
  /** where it must */
  to_px: [number, number];
  off_px: number;
}

export interface FitSetup {
  shown: number | null;
  inset_px: number;
  underlays: Underlay[];
  landmarks: Landmark[];
}

export interface FoundCells {
  cells: PlainCell[];
}

export interface Composed {
  picture: Picture;
  cells: PlainCell[];
}

export interface NextLandmark {
  at_px: [number, number] | null;
}

export interface PastState {
  revision: number;
  /** from 1 */
  number: number;
  /** what made it */
  what: string;
  /** done by another page, or from a folder */
  elsewhere: boolean;
  at: string;
  /** name that was given to it */
  mark: string | null;
  /** it is the present one */
  shown: boolean;
  /** redo leads to it */
  undone: boolean;
}

export interface PastStates {
  states: PastState[];
}

export interface Differences {
  /** a sentence each */
  lines: string[];
}

export interface Island {
  index: number;
  name: string;
  tag: "art" | "plain";
  /** density wanted beside that of others */
  weight: number;
  /** packing goes round it */
  locked: boolean;
  /** islands that lie exactly on each other here, itself among them */
  stack: number[];
  faces: number;
  size_mm: [number, number];
  /** that of the surface, and no estimate from a map that stretches it */
  size_exact: boolean;
  size_px: [number, number];
  /** left, top, right, bottom */
  box_px: [number, number, number, number];
  density_px_per_mm: number;
  /** null: endless, as some triangle has no area on the sheet */
  stretch_mean: number | null;
  stretch_worst: number | null;
  flat_triangles: number;
  mirrored: boolean;
  /** how lettering on the sheet reads on the model */
  reading: "right" | "turned" | "reflected";
  /** 0: model-up points to the top of the sheet; clockwise */
  up_angle_deg: number;
  /** more than its tag allows */
  stretched: boolean;
  /** some of it lies beside the sheet */
  off_sheet: boolean;
  /** all of it does */
  beside_sheet: boolean;
}

export interface JobChange {
  /** the revision that the page has */
  since: number;
  /** members of Job that differ, but for islands */
  changed: Record<string, unknown>;
  /** those that differ, each by its index */
  islands: Island[];
}

export interface Note {
  code: string;
  message: string;
  where: Record<string, unknown>;
}

export interface Part {
  name: string;
  faces: number;
  /** parts that are alike have the same number */
  like: number | null;
}

export interface Material {
  name: string;
  /** red, green, blue and opacity, 0 to 1 */
  color: [number, number, number, number] | null;
  image: string | null;
  faces: number;
}

export interface BroughtInFont {
  /** digest of its file */
  name: string;
  title: string;
}

export interface Step {
  what: string;
  /** done by another page */
  elsewhere: boolean;
}

export interface History {
  undo: Step | null;
  redo: Step | null;
}

export interface UvSet {
  index: number;
  name: string;
}

export interface Source {
  name: string;
  format: string;
  unit_mm: number | null;
  up_axis: string | null;
  uv_sets: UvSet[];
}

export interface Exported {
  /** of the layout that it was made from */
  code: string;
  width_px: number;
  height_px: number;
  format: string;
  at: string;
}

export interface Bounds {
  min: [number, number, number];
  max: [number, number, number];
}

export interface Counts {
  vertices: number;
  faces: number;
  triangles: number;
  vertex_colors: boolean;
  parts: number;
  materials: number;
}

export interface Job {
  id: string;
  name: string;
  revision: number;
  saved_at: string;
  /** what the last change did, in one sentence */
  done: string;
  /** why an earlier state is shown, which can't be changed */
  damage: string | null;
  history: History;
  source: Source;
  notes: Note[];
  /** digest: the arrays of the surface change with it */
  surface: string;
  /** digest: the places of the islands change with it */
  placements: string;
  /** digest of the seams drawn; null where they are those of the map */
  seams: string | null;
  /** changes as soon as anything moves on the sheet */
  layout_code: string;
  /** the template that was exported last */
  exported: Exported | null;
  unit_mm: number;
  bounds_mm: Bounds;
  counts: Counts;
  parts: Part[];
  materials: Material[];
  /** names of layouts kept to compare with */
  kept_maps: string[];
  /** kept free along the border */
  margin_px: number;
  /** rectangles kept free: left, top, width, height */
  reserved_px: [number, number, number, number][];
  /** wanted between islands */
  gutter_px: number;
  sheet: Sheet;
  density_px_per_mm: number;
  chart_square_mm: number;
  islands: Island[];
  fit_setup: FitSetup;
  artwork: Artwork;
  pictures: Picture[];
  /** that were brought in */
  fonts: BroughtInFont[];
}

export interface Jobs {
  jobs: JobCard[];
}

export interface LegendBand {
  /** null for the last */
  upto: number | null;
  color: string;
  period_px: number;
}

export interface Legends {
  stretch: LegendBand[];
  density: LegendBand[];
}

export interface Summary {
  islands: number;
  stretch_mean: number;
  stretch_worst: number | null;
  density_px_per_mm: [number, number];
  used: number;
  turned: number;
}

export interface IslandChange {
  name: string;
  /** the figures are null then */
  cut_anew: boolean;
  moved_px: number | null;
  turn_deg: number | null;
  scale: number | null;
  reflected: boolean | null;
}

export interface SheetMap {
  name: string;
  sheet: Sheet;
  /** side of the largest square that is free */
  free_square_px: number;
  summary: Summary;
  lines: number[];
}

export interface ComparedFigures {
  stretch_mean: number;
  stretch_worst: number;
  density_px_per_mm: number;
  used: number;
  turned: number;
}

export interface KeptSheetMap {
  name: string;
  sheet: Sheet;
  /** side of the largest square that is free */
  free_square_px: number;
  summary: Summary;
  lines: number[];
  changes: IslandChange[];
  /** 1 where the kept map is better than the present one, -1 where it is worse */
  compared: ComparedFigures;
}

export interface ExportedTemplate {
  code: string;
  width_px: number;
  height_px: number;
  /** ISO 8601 */
  at: string;
  /** islands lie so now */
  present: boolean;
  /** the picture has its proportions */
  fits: boolean;
}

export interface PaintedOn {
  /** of the layout; null where it can't be told */
  code: string | null;
  /** 0 to 1 */
  certainty: number;
  by: "code" | "lines" | null;
  /** width of the template's lines, where they were left in; else 0 */
  guide_px: number;
  /** the last one first */
  templates: ExportedTemplate[];
}

export interface Picked {
  kind: "faces" | "edges" | "corners";
  indices: number[];
}

export interface Piece {
  piece: number;
  faces: number;
  /** by part, side and place; no two alike */
  name: string;
  missing_cut: string | null;
  some_faces: number[];
}

export interface OpenEnd {
  vertex: number;
  /** edges that would close it; none where nothing is within reach */
  gap: number[];
}

export interface Pieces {
  count: number;
  pieces: Piece[];
  open_ends: OpenEnd[];
}

export interface Place {
  text: string;
  islands: number[];
  faces: number[];
  numbers: Record<string, unknown>;
}

export interface Mend {
  label: string;
  operation: OperationName;
  /** of the operation */
  parameters: Record<string, unknown>;
}

export interface Finding {
  index: number;
  code: string;
  severity: "error" | "warning" | "hint";
  message: string;
  meaning: string;
  /** places there are; those listed may be fewer */
  count: number;
  places: Place[];
  mend: Mend | null;
}

export interface FindingCounts {
  error: number;
  warning: number;
  hint: number;
}

export interface Preflight {
  findings: Finding[];
  counts: FindingCounts;
}

export interface PreviewedIsland {
  index: number;
  name: string;
  /** a, b, c, d, e, f of how its px get there: a x + b y + c across, d x + e y + f down; null where it is cut anew */
  move_px: number[] | null;
  /** left, top, right and bottom on the sheet as it would be */
  box_px: number[];
  stretch_mean: number | null;
  stretch_worst: number | null;
}

export interface Preview {
  sentence: string;
  sheet: Sheet;
  islands: PreviewedIsland[];
  /** as OperationFacts has them */
  facts: Record<string, unknown>;
  /** x and y of both ends, one after the other, in hundredths of a px */
  lines: number[];
}

export interface Watched {
  /** as OperationFacts has them */
  facts: Record<string, unknown>;
  sheet: Sheet;
  /** as of a preview */
  lines: number[];
}

export interface Proposal {
  islands: number[];
  cells: number[];
  turn_deg: number;
  mirrored: boolean;
  confidence: number;
  /** 0 to 1 each */
  reasons: Record<string, number>;
  /** what set_into_cells takes */
  assignments: Assignment[];
}

export interface Proposals {
  proposals: Proposal[];
}

export interface LayerReach {
  /** of the layer */
  id: string;
  /** that it has paint on */
  islands: number[];
  /** share of its paint that is hidden */
  covered: number;
  /** ids of layers that hide some of it */
  under: string[];
}

export interface Reach {
  layers: LayerReach[];
}

export interface Receivers {
  receivers: Receiver[];
}

export interface RevisedModel {
  sentence: string;
  /** faces that are as they were */
  kept: number;
  moved: number;
  added: number;
  lost: number;
  /** what else differs, a sentence each */
  lines: string[];
}

export interface CheckedSeam {
  /** on both sides */
  islands: number[];
  /** difference of colours, 0 to 255 */
  mean: number;
  worst: number;
  length_mm: number;
  /** where it is worst */
  faces: number[];
}

export interface CheckedSeams {
  seams: CheckedSeam[];
}

export interface SheetTilesHead {
  width_px: number;
  height_px: number;
  tile_px: number;
  /** of what each tile holds, in rows */
  marks: string[];
  /** tiles, by their place in the list */
  sent: number[];
}

export interface Measure {
  name: string;
  label: string;
  default: number;
  least: number;
  most: number;
  unit: string;
}

export interface Solid {
  kind: string;
  name: string;
  measures: Measure[];
}

export interface Solids {
  solids: Solid[];
}

export interface Swap {
  size_px: [number, number];
  former_px: [number, number] | null;
  /** as many px as the one shown */
  same: boolean;
  /** of its px, over the whole sheet */
  stretch: number;
  /** share of it that would lie beside the sheet at its own scale */
  lost: number;
  kept_box: [number, number, number, number];
  /** islands that could go along to the same cells */
  followers: number;
}

export interface Symmetry {
  /** as "x = 0"; null where there is none */
  plane: string | null;
  tolerance_mm: number | null;
  error_mm: number | null;
}

export interface WorstFace {
  face: number;
  island: number;
  /** null: endless */
  value: number | null;
}

export interface WorstFaces {
  faces: WorstFace[];
}

export type ArrayName =
  | "positions"
  | "normals"
  | "triangle_faces"
  | "triangle_parts"
  | "edge_neighbours"
  | "bare_positions"
  | "bare_vertices"
  | "bare_faces"
  | "triangle_points"
  | "triangle_islands"
  | "point_islands"
  | "edges"
  | "edge_outlines"
  | "edge_mesh_edges"
  | "point_vertices"
  | "mesh_edges"
  | "vertices"
  | "triangle_pieces"
  | "seams"
  | "points";
