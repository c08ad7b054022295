import { mount } from "@vue/test-utils";
import { beforeEach, describe, expect, it } from "vitest";
import LayerList from "@/stages/art/LayerList.vue";
import { useSelection } from "@/stores/selection";
import { openJob } from "../../support";

// The job has a skin, layer-1, and over it a label on Back, layer-2; both are called caddy-front.
describe("the list of layers", () => {
  let operate: ReturnType<typeof openJob>["operate"];
  const list = () => mount(LayerList);
  const button = (wrapper: ReturnType<typeof list>, label: string, at = 0) =>
    wrapper.findAll(`button[aria-label="${label} caddy-front"]`)[at]!;

  beforeEach(() => ({ operate } = openJob()));

  it("shows the upper ones first, each with what it is and where", () => {
    expect(
      list()
        .findAll("small")
        .map((line) => line.text()),
    ).toEqual(["label on Back, 80 × 120 mm", "skin over the sheet"]);
  });

  it("picks a layer with the island it is on, and lets it go with a second press", async () => {
    const wrapper = list();
    const selection = useSelection();
    await wrapper.get(".pick").trigger("click");
    expect([selection.layer, selection.islands]).toEqual(["layer-2", [3]]);
    expect(wrapper.findAll(".pick").map((pick) => pick.attributes("aria-pressed"))).toEqual(["true", "false"]);
    await wrapper.get(".pick").trigger("click");
    expect(selection.layer).toBeNull();
  });

  it("hides one layer", async () => {
    await button(list(), "Hide", 1).trigger("click");
    expect(operate).toHaveBeenCalledWith("change_layer", { id: "layer-1", visible: false });
  });

  it("raises and lowers the picked one as far as there is another", async () => {
    useSelection().layer = "layer-2";
    const wrapper = list();
    expect(button(wrapper, "Raise").attributes("disabled")).toBeDefined();
    await button(wrapper, "Lower").trigger("click");
    expect(operate).toHaveBeenCalledWith("move_layer", { id: "layer-2", to: 0 });
  });

  it("takes the opacity by percent", async () => {
    useSelection().layer = "layer-2";
    const field = list().get(".number-field input");
    await field.setValue("40");
    await field.trigger("keydown.enter");
    expect(operate).toHaveBeenCalledWith("change_layer", { id: "layer-2", opacity: 0.4 });
  });

  it("limits a skin to picked islands, and asks a label for no limit", async () => {
    useSelection().layer = "layer-1";
    useSelection().islands = [0, 1];
    const wrapper = list();
    const shownOn = wrapper.get("select[aria-label='What it shows on']");
    expect(shownOn.findAll("option").map((option) => option.text())).toEqual(["the whole sheet", "2 islands"]);
    await shownOn.setValue("islands");
    expect(operate).toHaveBeenCalledWith("change_layer", { id: "layer-1", mask: { islands: [0, 1] } });
    useSelection().layer = "layer-2";
    await wrapper.vm.$nextTick();
    expect(wrapper.find("select[aria-label='What it shows on']").exists()).toBe(false);
  });

  it("removes the picked one", async () => {
    useSelection().layer = "layer-1";
    await button(list(), "Remove").trigger("click");
    expect(operate).toHaveBeenCalledWith("remove_layer", { id: "layer-1" });
  });
});
