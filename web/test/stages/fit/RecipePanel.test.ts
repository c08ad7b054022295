import { mount } from "@vue/test-utils";
import { beforeEach, describe, expect, it } from "vitest";
import type { CorrectionStep, Underlay } from "@/api/types";
import { useDrawing } from "@/hand/drawing";
import RecipePanel from "@/stages/fit/RecipePanel.vue";
import { job, openJob } from "../../support";

const trim: CorrectionStep = { step: "trim", left: 1, top: 2, right: 3, bottom: 4 };
const straighten: CorrectionStep = {
  step: "straighten",
  corners: [
    [0, 0],
    [9, 0],
    [9, 9],
    [0, 9],
  ],
};

describe("the corrections of a picture", () => {
  let operate: ReturnType<typeof openJob>["operate"];
  const panel = (recipe: CorrectionStep[], locked = false) =>
    mount(RecipePanel, {
      props: { underlay: { ...job.fit_setup.underlays[0]!, recipe, locked } as Underlay, index: 0 },
    });
  const type = async (wrapper: ReturnType<typeof panel>, label: string, text: string) => {
    const id = wrapper
      .findAll("label")
      .find((one) => one.text() === label)!
      .attributes("for")!;
    await wrapper.get(`[id="${id}"]`).setValue(text);
    await wrapper.get(`[id="${id}"]`).trigger("keydown.enter");
  };
  const add = async (wrapper: ReturnType<typeof panel>, step: string) => {
    await wrapper.get("select").setValue(step);
    await wrapper
      .findAll("button")
      .find((button) => button.text() === "Add")!
      .trigger("click");
  };

  beforeEach(() => ({ operate } = openJob()));

  it("change one number of one step and leave the others", async () => {
    await type(panel([trim, trim]), "left of step 2", "7");
    expect(operate).toHaveBeenCalledWith("correct_underlay", { index: 0, recipe: [trim, { ...trim, left: 7 }] });
  });

  it("move one corner along one axis", async () => {
    await type(panel([straighten]), "Corner 3 y of step 1", "8.5");
    const [, { recipe }] = operate.mock.calls[0] as unknown as [string, { recipe: (typeof straighten)[] }];
    expect(recipe[0]!.corners).toEqual([
      [0, 0],
      [9, 0],
      [9, 8.5],
      [0, 9],
    ]);
  });

  it("take a step out", async () => {
    await panel([trim, straighten]).get("[aria-label='Remove step 1']").trigger("click");
    expect(operate).toHaveBeenCalledWith("correct_underlay", { index: 0, recipe: [straighten] });
  });

  it("begin what needs no hand at once, and ask the hand for the rest", async () => {
    const wrapper = panel([]);
    await add(wrapper, "even_light");
    expect(operate).toHaveBeenCalledWith("add_correction", { index: 0, step: "even_light", places_px: [] });
    await add(wrapper, "trim");
    expect(useDrawing().purpose).toMatch("what is kept");
    await useDrawing().take({ from: [1, 2], to: [9, 8], point: null, island: null });
    expect(operate).toHaveBeenLastCalledWith("add_correction", {
      index: 0,
      step: "trim",
      places_px: [
        [1, 2],
        [9, 8],
      ],
    });
  });

  it("rest while the picture is locked", () => {
    const wrapper = panel([trim], true);
    expect(wrapper.get("[aria-label='Remove step 1']").attributes("disabled")).toBeDefined();
  });
});
