import { mount } from "@vue/test-utils";
import { describe, expect, it, vi } from "vitest";
import { computed, type Ref } from "vue";
import IslandStrip from "@/ui/IslandStrip.vue";
import { useSelection } from "@/stores/selection";
import { job, openJob } from "../support";

const changed = (changes: object) => [{ ...job.islands[0]!, ...changes }, ...job.islands.slice(1)];

// Nothing has a size here: all cards are shown.
vi.mock("@tanstack/vue-virtual", () => ({
  useVirtualizer: (options: Ref<{ count: number }>) =>
    computed(() => ({
      getVirtualItems: () => Array.from({ length: options.value.count }, (_, index) => ({ index, start: index })),
      getTotalSize: () => options.value.count,
      scrollToIndex: () => undefined,
    })),
}));

describe("the strip of islands", () => {
  const strip = async (islands = job.islands) => {
    openJob({ islands });
    const wrapper = mount(IslandStrip, { attachTo: document.body });
    await wrapper.vm.$nextTick();
    await wrapper.vm.$nextTick();
    return wrapper;
  };

  it("has a card for each, with its size in mm and its density", async () => {
    const cards = (await strip()).findAll(".island-card");
    expect(cards.map((card) => card.attributes("title"))).toEqual(["Front", "Left", "Right", "Back", "Top", "Bottom"]);
    expect(cards[0]!.text()).toContain("80 × 120 mm");
    expect(cards[0]!.text()).toContain("4.00 px/mm");
  });

  it.each([
    [{}, "true shape"],
    [{ off_sheet: true, stretched: true }, "partly off"],
    [{ beside_sheet: true, off_sheet: true }, "off the sheet"],
    [{ mirrored: true, stretched: true }, "mirrored"],
    [{ stretch_worst: null }, "flat"],
    [{ stretch_worst: 1.234, stretched: true }, "stretch 1.23"],
    [{ tag: "plain", up_angle_deg: 180 }, "plain"],
    [{ up_angle_deg: -170 }, "upside down"],
    [{ up_angle_deg: 90 }, "sideways"],
  ])("marks an island with %j as %s", async (changes, mark) => {
    expect((await strip(changed(changes) as never)).get(".island-card").text()).toContain(mark);
  });

  it("picks one, and more with Shift", async () => {
    const wrapper = await strip();
    const cards = wrapper.findAll(".island-card");
    await cards[1]!.trigger("click");
    await cards[2]!.trigger("click", { shiftKey: true });
    expect(useSelection().islands).toEqual([1, 2]);
    expect(wrapper.findAll("[aria-selected=true]")).toHaveLength(2);
  });

  it("goes on by the arrow keys, and stays at its ends", async () => {
    const wrapper = await strip();
    const cards = wrapper.findAll(".island-card");
    await cards[0]!.trigger("click");
    await cards[0]!.trigger("keydown.left");
    expect(useSelection().islands).toEqual([0]);
    await cards[0]!.trigger("keydown.right");
    expect(useSelection().islands).toEqual([1]);
  });

  it("says where no face lies on the sheet", async () => {
    expect((await strip([])).text()).toContain("No face lies on the sheet yet.");
  });
});
