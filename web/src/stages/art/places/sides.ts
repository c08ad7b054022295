import type { FromSide } from "@/api/types";

const WORDS: Record<FromSide["side"], string> = {
  front: "the front",
  right: "the right",
  back: "the back",
  left: "the left",
  above: "above",
  below: "below",
};

export const sideInWords = (side: FromSide["side"]) => WORDS[side];

/** The sides of a model, to choose from. */
export const SIDES = Object.entries(WORDS).map(([value, text]) => ({ value, text }));
