import type { Pair } from "./types";

/** What islands are fitted to: underlays with their cells, landmarks, and the answers to questions about them. */

export type Step =
  | { step: "straighten"; corners: Pair[]; width_px?: number | null; height_px?: number | null }
  | { step: "trim"; left?: number; top?: number; right?: number; bottom?: number }
  | { step: "leave_out"; way: "across" | "down"; from_px: number; to_px: number }
  | { step: "even_light"; radius?: number }
  | { step: "unroll"; left_px: number; right_px: number; from_px?: number | null; to_px?: number | null; sag_px?: number };

/** px of the corrected picture */
export interface PlainCell {
  name: string;
  x: number;
  y: number;
  width: number;
  height: number;
  outline: Pair[] | null;
  color: [number, number, number] | null;
  /** of one colour */
  flat: boolean;
  /** where a gradient runs */
  shade: "across" | "down" | null;
}

export interface Cell extends PlainCell {
  /** px of the sheet */
  corners_px: Pair[];
}

export interface Underlay {
  name: string;
  picture: string;
  /** of the file, and corrected */
  picture_px: Pair;
  size_px: Pair;
  recipe: Step[];
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
  /** where its place of the surface lies on the sheet now, and where it must */
  at_px: Pair;
  to_px: Pair;
  off_px: number;
}

export interface Backdrop {
  shown: number | null;
  inset_px: number;
  underlays: Underlay[];
  landmarks: Landmark[];
}

export interface Swap {
  size_px: Pair;
  former_px: Pair | null;
  same: boolean;
  /** of its px, over the whole sheet */
  stretch: number;
  /** share of it that would lie beside the sheet at its own scale */
  lost: number;
  kept_box: [number, number, number, number];
  /** islands that could go along to the same cells */
  followers: number;
}

export type FitWay = "inside" | "fill" | "cover" | "true_shape";

export interface Assignment {
  islands?: number[];
  faces?: number[];
  material?: number;
  cell?: number;
  cells?: number[];
  way?: FitWay;
  together?: boolean;
  turn?: "up" | "keep";
  turn_deg?: number;
  mirrored?: boolean;
}

export interface Proposal {
  islands: number[];
  cells: number[];
  turn_deg: number;
  mirrored: boolean;
  confidence: number;
  /** 0 to 1 each */
  reasons: Record<string, number>;
  assignments: Assignment[];
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
