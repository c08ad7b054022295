import { mount } from "@vue/test-utils";
import { beforeEach, describe, expect, it } from "vitest";
import PartList from "@/stages/model/PartList.vue";
import { useVisibility } from "@/stores/visibility";
import { openJob } from "../../support";

const parts = [
  { name: "lid", faces: 4, like: null },
  { name: "hook left", faces: 6, like: 1 },
  { name: "hook right", faces: 6, like: 1 },
];
const materials = [
  { name: "card", color: [1, 0, 0, 1], image: null, faces: 10 },
  { name: "paper", color: null, image: "paper.png", faces: 6 },
];

describe("the parts and materials of a model", () => {
  let operate: ReturnType<typeof openJob>["operate"];

  beforeEach(() => {
    localStorage.clear();
    ({ operate } = openJob({ parts, materials } as never));
  });

  it("are renamed in their places", async () => {
    const list = mount(PartList);
    const rename = (label: string, name: string) => list.get(`input[aria-label="${label}"]`).setValue(name);
    await rename("Name of part lid", "cover");
    await rename("Name of material paper", "foil");
    expect(operate.mock.calls).toEqual([
      ["rename_part", { part: 0, name: "cover" }],
      ["rename_material", { material: 1, name: "foil" }],
    ]);
  });

  it("can be hidden, shown alone and shown again, for this painter only", async () => {
    const list = mount(PartList);
    await list.get("[aria-label='Hide lid']").trigger("click");
    expect([...useVisibility().hidden]).toEqual([0]);
    await list.get("[aria-label='Show only hook left']").trigger("click");
    expect([...useVisibility().hidden]).toEqual([0, 2]);
    await list
      .findAll("button")
      .find((button) => button.text() === "Show all 3")!
      .trigger("click");
    expect(useVisibility().hidden.size).toBe(0);
    expect(operate).not.toHaveBeenCalled();
  });

  it("that are alike can be laid out once", async () => {
    const list = mount(PartList);
    expect(list.text()).toContain("hook left, hook right are alike.");
    await list
      .findAll("button")
      .find((button) => button.text().startsWith("Lay them out once"))!
      .trigger("click");
    expect(operate).toHaveBeenCalledWith("make_twins", { parts: [1, 2] });
  });

  it("say what the colour of a material is, and how many faces have it", () => {
    const list = mount(PartList);
    expect(list.findAll(".swatch").map((swatch) => swatch.attributes("title"))).toEqual([
      "Base colour",
      "No colour given",
    ]);
    expect(list.text()).toContain("6, picture");
  });
});
