import type { Backdrop } from "./backdrop";

/** What the server's JSON holds. Lengths carry their unit in the name; angles are degrees. */

export type Pair = [number, number];

export interface JobCard {
  id: string;
  name: string;
  updated_at: string;
  revision_id: number;
}

export interface Note {
  code: string;
  message: string;
  where: Record<string, unknown>;
}

export type Tag = "art" | "plain";

export interface Island {
  index: number;
  name: string;
  tag: Tag;
  /** density wanted beside that of others */
  weight: number;
  /** packing goes round it */
  locked: boolean;
  /** islands that lie exactly on each other here, itself among them */
  stack: number[];
  faces: number;
  size_mm: Pair;
  size_px: Pair;
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
}

/** How islands would stand among the others. */
export interface Standing {
  /** to the nearest of the others, between outlines; null where there are none */
  gap_px: number | null;
  nearest: number | null;
  /** islands that they touch or lie on */
  over: number[];
  /** least and most */
  density_px_per_mm: Pair;
}

export interface LabelPlace {
  island: number;
  width_mm: number;
  height_mm: number;
  x_mm: number;
  y_mm: number;
  turn_deg: number;
  /** corners on the sheet, px: top left, top right, bottom right, bottom left */
  frame_px: Pair[];
  /** how x_mm and y_mm change with px right and px down: [x/right, x/down, y/right, y/down] */
  mm_per_px: [number, number, number, number];
}

export interface Layer {
  id: string;
  kind: "skin" | "label";
  name: string;
  picture: string;
  visible: boolean;
  opacity: number;
  place: LabelPlace | null;
  /** the one material a skin shows on; null: all */
  material: number | null;
}

export interface Picture {
  digest: string;
  name: string;
  media_type: string;
  width_px: number;
  height_px: number;
}

export interface Sheet {
  width_px: number;
  height_px: number;
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

export type Severity = "error" | "warning" | "hint";

export interface Place {
  text: string;
  islands: number[];
  faces: number[];
  numbers: Record<string, number | null>;
}

export interface Finding {
  index: number;
  code: string;
  severity: Severity;
  message: string;
  meaning: string;
  /** places there are; those listed may be fewer */
  count: number;
  places: Place[];
  mend: { label: string; operation: string; parameters: object } | null;
}

export interface Preflight {
  findings: Finding[];
  counts: Record<Severity, number>;
}

/** What can be picked on the surface; a corner stands for all corners of faces in one place. */
export type PickKind = "faces" | "edges" | "corners";

/** What seams part the surface into. */
export interface Pieces {
  count: number;
  pieces: { piece: number; faces: number; part: string; missing_cut: string | null; some_faces: number[] }[];
  /** ends of drawn seams that lead nowhere, and the edges that would close each; none where nothing is within reach */
  open_ends: { vertex: number; gap: number[] }[];
}

/** The plane about which a model is its own mirror image, as "x = 0"; null where there is none. */
export interface Symmetry {
  plane: string | null;
  tolerance_mm?: number;
  error_mm?: number;
}

export type Triple = [number, number, number];

/** The cylinder or cone that fits a band, in model units; origin is the apex of a cone. */
export interface Band {
  kind: "cylinder" | "cone";
  axis: Triple;
  origin: Triple;
  radius: number | null;
  half_angle_deg: number;
  /** how far the surface lies from it, as a share of the band's size */
  error: number;
  /** ends of the axis beside the band */
  low: Triple;
  high: Triple;
}

/** What a change would do to the sheet. Lines: x and y of both ends, one after the other, in hundredths of a px. */
export interface Preview {
  description: string;
  sheet: Sheet;
  lines: number[];
  islands: { name: string; stretch_mean: number | null; stretch_worst: number | null }[];
}

/** One attempt at packing; lines as of a preview. */
export interface Packing {
  attempt: number;
  share_used: number;
  density_px_per_mm: number;
  sheet: Sheet;
  lines: number[];
}

export interface RelaxStep {
  step: number;
  /** the factor by which spacing is off, 1 where it is true */
  spacing: number;
  lines: number[];
}

/** How an island lies otherwise than on a kept map; figures are null where it was cut anew. */
export interface IslandChange {
  name: string;
  cut_anew: boolean;
  moved_px: number | null;
  turn_deg: number | null;
  scale: number | null;
  reflected: boolean | null;
}

/** A layout to be looked at beside another. */
export interface SheetMap {
  name: string;
  sheet: Sheet;
  /** side of the largest square that is free */
  free_square_px: number;
  summary: { islands: number; stretch_mean: number; stretch_worst: number | null; density_px_per_mm: Pair; used: number; turned: number };
  lines: number[];
}

export type MeasureKind = "stretch" | "density";
/** what sheet and model wear */
export type Look = "art" | "underlay" | "chart" | "checker" | MeasureKind;

export interface WorstFace {
  face: number;
  island: number;
  /** null: endless */
  value: number | null;
}

/** bands from the lowest up; upto of the last is null */
export type Legends = Record<MeasureKind, { upto: number | null; color: string; period_px: number }[]>;

export interface Solid {
  kind: string;
  name: string;
  measures: { name: string; label: string; default: number; least: number; most: number; unit: string }[];
}

export interface Job {
  id: string;
  name: string;
  revision: number;
  saved_at: string;
  /** what the last change did, in one sentence */
  done: string;
  history: { undo: string | null; redo: string | null };
  source: { name: string; format: string; unit_mm: number | null; up_axis: string | null; uv_sets: { index: number; name: string }[] };
  notes: Note[];
  /** digests: the arrays of the surface, and the places of the islands, change with them */
  surface: string;
  placements: string;
  /** digest of the seams drawn; null where they are those of the map */
  seams: string | null;
  unit_mm: number;
  bounds_mm: { min: number[]; max: number[] };
  counts: { vertices: number; faces: number; triangles: number; parts: number; materials: number };
  parts: Part[];
  materials: Material[];
  /** names of maps set aside to compare with */
  kept_maps: string[];
  /** px kept free along the border, and rectangles kept free: left, top, width, height */
  margin_px: number;
  reserved_px: [number, number, number, number][];
  /** px wanted between islands */
  gutter_px: number;
  sheet: Sheet;
  density_px_per_mm: number;
  chart_square_mm: number;
  islands: Island[];
  backdrop: Backdrop;
  edition: { name: string; bleed_px: number; layers: Layer[] };
  pictures: Picture[];
}

export interface TraceSettings extends Sheet {
  line_px: number;
  color: string;
  background: string;
  edges: "all" | "outline";
  islands: number[] | null;
}

export type ArrayName =
  | "positions"
  | "normals"
  | "triangle_faces"
  | "triangle_parts"
  | "edge_neighbours"
  | "mesh_edges"
  | "vertices"
  | "seams"
  | "triangle_pieces"
  | "bare_positions"
  | "bare_faces"
  | "bare_vertices"
  | "triangle_points"
  | "triangle_islands"
  | "point_islands"
  | "edges"
  | "edge_outlines"
  | "edge_mesh_edges"
  | "point_vertices"
  | "points";
