import type { Operations } from "@/api/types";

type LayFlat = Operations["lay_flat"];

/** A way to lay pieces flat, as it is offered. */
export interface Method {
  value: string;
  text: string;
  what: string;
  /** what the core calls it */
  by: LayFlat["by"];
}

export const METHODS: Method[] = [
  {
    value: "best",
    by: "best",
    text: "Best for each part",
    what: "Flat panels become nets, bands are rolled out, the rest is unfolded with hidden seams. True wherever it can be.",
  },
  {
    value: "unfold",
    by: "unfold",
    text: "Unfold",
    what: "Least distortion for any piece, no face turned over. Cuts that are missing are made where nobody looks.",
  },
  {
    value: "rollout",
    by: "rollout",
    text: "Roll out",
    what: "A cylinder or cone is fitted and developed exactly: front level in the middle, seam at the back or as drawn.",
  },
  {
    value: "wrap",
    by: "wrap",
    text: "One-seam wrap",
    what: "Lids are cut off, then one seam at the back opens the rest.",
  },
  {
    value: "direction",
    by: "direction",
    text: "By sides",
    what: "Parted by the side that faces look to, each seen straight from there.",
  },
  {
    value: "angle",
    by: "angle",
    text: "By angle",
    what: "Parted where faces lean further apart than the limit, each piece seen square-on.",
  },
  {
    value: "seen",
    by: "seen",
    text: "As seen from",
    what: "Straight from one direction: what leans away comes out shortened, as a gradient over slopes wants it.",
  },
  {
    value: "square_on",
    by: "square_on",
    text: "Square-on",
    what: "Each piece as seen straight on. True only where it is flat.",
  },
];

export const SIDES: { value: NonNullable<LayFlat["sides"]>; text: string }[] = [
  { value: "six", text: "six sides" },
  { value: "three", text: "three axes, both ways as one" },
  { value: "left_right", text: "left and right" },
  { value: "top_bottom", text: "top and bottom" },
  { value: "front_back", text: "front and back" },
];
