import type { Operations } from "@/api/types";

/** What islands with art are read by, in words. */
export const FIRST_RULES: Record<NonNullable<Operations["arrange_islands"]["first"]>, string> = {
  side: "side: front, back, left, right",
  size: "size: the larger first",
  height: "height: from the top down",
  name: "name",
};
