import { describe, expect, it } from "vitest";
import type { Triple } from "@/api/types";
import { frameOf } from "@/proof/modelPicture";

describe("a small picture of the model", () => {
  // The model's up is +y, its front looks to +z, its right side to +x (docs/conventions.md).
  const seen: [string, Triple, Triple, Triple][] = [
    ["the front", [0, 0, 1], [1, 0, 0], [0, 1, 0]],
    ["the back", [0, 0, -1], [-1, 0, 0], [0, 1, 0]],
    ["the right", [1, 0, 0], [0, 0, -1], [0, 1, 0]],
    ["the left", [-1, 0, 0], [0, 0, 1], [0, 1, 0]],
    ["above", [0, 1, 0], [1, 0, 0], [0, 0, -1]],
    ["below", [0, -1, 0], [1, 0, 0], [0, 0, 1]],
  ];
  it.each(seen)("seen from %s is upright and not reflected", (_, from, right, up) => {
    const frame = frameOf(from).map((axis) => axis.map((value) => value + 0));
    expect(frame).toEqual([right, up, from]);
  });
});
