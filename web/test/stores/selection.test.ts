import { beforeEach, describe, expect, it } from "vitest";
import { useSelection } from "@/stores/selection";
import { useVisibility } from "@/stores/visibility";
import { openJob } from "../support";

describe("the selection", () => {
  beforeEach(() => {
    localStorage.clear();
    openJob();
  });

  it("is one island, or several with extend, which also takes one away", () => {
    const selection = useSelection();
    selection.pick(2);
    selection.pick(4, true);
    expect(selection.islands).toEqual([2, 4]);
    selection.pick(2, true);
    expect(selection.islands).toEqual([4]);
    selection.pick(1);
    expect(selection.islands).toEqual([1]);
  });

  it("adds as long as that is asked for, and not on the next job", () => {
    const selection = useSelection();
    selection.adding = true;
    selection.pick(2);
    selection.pick(4);
    expect(selection.islands).toEqual([2, 4]);
    selection.clear();
    selection.pick(2);
    selection.pick(4);
    expect(selection.islands).toEqual([4]);
  });

  it("lets go of all, but not with extend", () => {
    const selection = useSelection();
    selection.pick(2);
    selection.pick(null, true);
    expect(selection.islands).toEqual([2]);
    selection.pick(null);
    expect(selection.islands).toEqual([]);
  });

  it("looks at a place anew each time, and forgets it when something else is picked", () => {
    const selection = useSelection();
    const place = { faces: [3], islands: [1] };
    selection.lookAt(place);
    const first = selection.spot;
    selection.lookAt(place);
    expect(selection.spot).toEqual(first);
    expect(selection.spot).not.toBe(first);
    expect(selection.islands).toEqual([1]);
    selection.pick(0);
    expect(selection.spot).toBeNull();
  });
});

describe("hidden parts", () => {
  it("are kept by job, and hide nothing of another", () => {
    localStorage.clear();
    const { jobs } = openJob();
    const visibility = useVisibility();
    visibility.toggle(0);
    expect([...visibility.hidden]).toEqual([0]);
    jobs.job = { ...jobs.job!, id: "another" };
    expect(visibility.hidden.size).toBe(0);
    visibility.showAll();
    jobs.job = { ...jobs.job, id: "a1b2c3d4e5" };
    expect([...visibility.hidden]).toEqual([0]);
    visibility.toggle(0);
    expect(visibility.hidden.size).toBe(0);
  });
});
