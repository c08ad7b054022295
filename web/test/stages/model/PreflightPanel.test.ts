import { mount } from "@vue/test-utils";
import { beforeEach, describe, expect, it, vi } from "vitest";
import type { Finding, Preflight } from "@/api/types";
import PreflightPanel from "@/stages/model/PreflightPanel.vue";
import { usePreflight } from "@/stores/preflight";
import { useSelection } from "@/stores/selection";
import { openJob } from "../../support";

const places = Array.from({ length: 6 }, (_, i) => ({
  text: `place ${i}`,
  islands: [i % 3],
  faces: [i],
  numbers: {},
}));
const finding: Finding = {
  index: 0,
  code: "overlap",
  severity: "error",
  message: "6 pairs lie on each other",
  meaning: "Paint on one appears on the other.",
  count: 6,
  places,
  mend: { label: "Separate them", operation: "separate_islands", parameters: { islands: [0] } },
};

describe("the preflight report", () => {
  let operate: ReturnType<typeof openJob>["operate"];
  const panel = (findings: Finding[]) => {
    usePreflight().report = {
      findings,
      counts: { error: findings.length, warning: 0, hint: 0 },
      revision: 6,
    } as Preflight & { revision: number };
    return mount(PreflightPanel);
  };
  const shownPlaces = (wrapper: ReturnType<typeof panel>) => wrapper.findAll(".places button").map((row) => row.text());

  beforeEach(() => {
    vi.useFakeTimers();
    ({ operate } = openJob());
    vi.useRealTimers();
  });

  it("says where nothing is to be mended", () => {
    expect(panel([]).text()).toContain("Nothing to mend");
  });

  it("opens a finding with what it means, and looks at its first place", async () => {
    const wrapper = panel([finding]);
    await wrapper.get(".head").trigger("click");
    expect(wrapper.text()).toContain("Paint on one appears on the other.");
    expect(wrapper.get(".head").attributes("aria-expanded")).toBe("true");
    expect(useSelection().spot).toEqual({ faces: [0], islands: [0] });
    expect(shownPlaces(wrapper)).toEqual(["place 0", "place 1", "place 2", "place 3"]);
  });

  it("steps through the places, round and round, and keeps the one that is lit in sight", async () => {
    const wrapper = panel([finding]);
    await wrapper.get(".head").trigger("click");
    await wrapper.get("[aria-label='Place before']").trigger("click");
    expect(useSelection().spot?.faces).toEqual([5]);
    expect(shownPlaces(wrapper)).toContain("place 5");
    await wrapper.get("[aria-label='Next place']").trigger("click");
    expect(wrapper.get(".lit").text()).toBe("place 0");
  });

  it("mends by the operation that the core names", async () => {
    const wrapper = panel([finding]);
    await wrapper.get(".head").trigger("click");
    await wrapper.get(".mend").trigger("click");
    expect(operate).toHaveBeenCalledWith("separate_islands", { islands: [0] });
  });

  it("closes a finding again, and offers no steps for few places", async () => {
    const wrapper = panel([{ ...finding, count: 2, places: places.slice(0, 2), mend: null }]);
    await wrapper.get(".head").trigger("click");
    expect(wrapper.find("[aria-label='Next place']").exists()).toBe(false);
    expect(wrapper.find(".mend").exists()).toBe(false);
    await wrapper.get(".head").trigger("click");
    expect(wrapper.find(".places").exists()).toBe(false);
  });
});
