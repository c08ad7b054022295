import { beforeEach, describe, expect, it } from "vitest";
import type { Pair } from "@/api/types";
import type { Hit } from "@/proof/hits";
import { usePickIsland } from "@/proof/tools/usePickIsland";
import { useSelection } from "@/stores/selection";
import { openJob, pointer } from "../../support";

const hit = (face: number, island: number | null): Hit => ({
  face,
  island,
  part: 0,
  point: [face, 0, 0],
  normal: [0, 0, 1],
});

describe("picking islands on the model", () => {
  let hits: Hit[];
  const click = (at: Pair, held: Partial<PointerEvent> = {}) => {
    const tool = usePickIsland(() => hits);
    return { tool, press: () => tool.press(at, pointer(held)), release: () => tool.release!(at, pointer(held), 1) };
  };

  beforeEach(() => {
    openJob();
    hits = [hit(1, 2)];
  });

  it("picks the island of the nearest face, and lets go beside the model", () => {
    const { press, release } = click([1, 1]);
    press();
    release();
    expect(useSelection().islands).toEqual([2]);
    hits = [];
    press();
    release();
    expect(useSelection().islands).toEqual([]);
  });

  it("goes on to what lies behind in one place, click by click, and round", () => {
    hits = [hit(1, 0), hit(2, 3)];
    const { press, release } = click([1, 1]);
    const picked = [1, 2, 3].map(() => {
      press();
      release();
      return useSelection().islands[0];
    });
    expect(picked).toEqual([0, 3, 0]);
    expect(useSelection().stacked).toHaveLength(2);
  });

  it("starts with the front one where the pointer went elsewhere", () => {
    hits = [hit(1, 0), hit(2, 3)];
    const { press, release, tool } = click([1, 1]);
    press();
    release();
    hits = [hit(5, 4), hit(6, 1)];
    tool.hover!([2, 2]);
    expect(useSelection().hovered).toBe(4);
    expect(useSelection().touched).toEqual([5, 0, 0]);
  });

  it("leaves a drag to the model, which it turns", async () => {
    const { press, tool } = click([1, 1]);
    press();
    await tool.release!([40, 1], pointer(), 0);
    expect(useSelection().islands).toEqual([]);
  });

  it("forgets what was under the pointer when it goes away", () => {
    const { tool } = click([1, 1]);
    tool.hover!([1, 1]);
    tool.hover!(null);
    expect([useSelection().hovered, useSelection().touched, useSelection().stacked]).toEqual([null, null, []]);
  });
});
