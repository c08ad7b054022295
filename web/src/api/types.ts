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

export interface Island {
  index: number;
  name: string;
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
  /** 0: model-up points to the top of the sheet; clockwise */
  up_angle_deg: number;
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

export interface Job {
  id: string;
  name: string;
  revision: number;
  saved_at: string;
  /** what the last change did, in one sentence */
  done: string;
  history: { undo: string | null; redo: string | null };
  source_name: string;
  notes: Note[];
  /** digests: the arrays of the surface, and the places of the islands, change with them */
  surface: string;
  placements: string;
  unit_mm: number;
  bounds_mm: { min: number[]; max: number[] };
  counts: { vertices: number; faces: number; triangles: number; parts: number; materials: number };
  parts: string[];
  materials: string[];
  sheet: Sheet;
  density_px_per_mm: number;
  chart_square_mm: number;
  islands: Island[];
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
  | "bare_positions"
  | "triangle_points"
  | "triangle_islands"
  | "point_islands"
  | "edges"
  | "edge_outlines"
  | "points";
