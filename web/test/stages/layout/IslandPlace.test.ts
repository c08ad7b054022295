import { mount } from "@vue/test-utils";
import { beforeEach, describe, expect, it } from "vitest";
import IslandPlace from "@/stages/layout/IslandPlace.vue";
import { useSelection } from "@/stores/selection";
import { useSettings } from "@/stores/settings";
import { openJob } from "../../support";

// Front lies at 24, 24 to 344, 504 px, Left at 368, 24 to 568, 504; 4 px are a mm.
describe("the typed place of islands", () => {
  let operate: ReturnType<typeof openJob>["operate"];
  const field = (wrapper: ReturnType<typeof mount>, label: string) => {
    const id = wrapper
      .findAll("label")
      .find((one) => one.text() === label)!
      .attributes("for")!;
    return wrapper.get<HTMLInputElement>(`[id="${id}"]`);
  };
  const type = async (wrapper: ReturnType<typeof mount>, label: string, text: string) => {
    await field(wrapper, label).setValue(text);
    await field(wrapper, label).trigger("keydown.enter");
  };

  beforeEach(() => {
    localStorage.clear();
    ({ operate } = openJob());
    useSelection().islands = [0];
  });

  it("is that of the box's middle, in px or mm", async () => {
    const place = mount(IslandPlace);
    expect(field(place, "Centre x").element.value).toBe("184");
    useSettings().unit = "mm";
    await place.vm.$nextTick();
    expect(field(place, "Centre x").element.value).toBe("46");
    await type(place, "Centre x", "50");
    expect(operate).toHaveBeenCalledWith("place_island", { island: 0, free_proportions: false, x_px: 200 });
  });

  it("turns one island by where model-up points", async () => {
    const place = mount(IslandPlace);
    await type(place, "Model-up", "90");
    expect(operate).toHaveBeenCalledWith("place_island", { island: 0, free_proportions: false, up_angle_deg: 90 });
  });

  it("moves and scales several together, evenly unless width and height go apart", async () => {
    useSelection().islands = [0, 1];
    const place = mount(IslandPlace);
    await type(place, "Centre x", "306");
    expect(operate.mock.calls[0]).toEqual([
      "transform_islands",
      { islands: [0, 1], about: "common", move_px: [10, 0] },
    ]);
    await type(place, "Width", "1088");
    expect(operate.mock.calls[1]![1]).toMatchObject({ scale: [2, 2] });
    await place.get("input[type=checkbox]").setValue(true);
    await type(place, "Height", "240");
    expect(operate.mock.calls[2]![1]).toMatchObject({ scale: [1, 0.5] });
  });

  it("turns by the set step, about what is chosen", async () => {
    useSelection().islands = [0, 1];
    const place = mount(IslandPlace);
    await place
      .findAll("input[type=radio]")
      .find((radio) => (radio.element as HTMLInputElement).value === "each")!
      .setValue(true);
    await place.get("[aria-label='Turn left']").trigger("click");
    expect(operate).toHaveBeenCalledWith("transform_islands", { islands: [0, 1], about: "each", turn_deg: -5 });
  });
});
