import { mount } from "@vue/test-utils";
import { createPinia, setActivePinia } from "pinia";
import { beforeEach, describe, expect, it } from "vitest";
import { useBench } from "@/stores/bench";
import FoldSection from "@/ui/FoldSection.vue";

const section = (props: { title: string; folded?: boolean }) =>
  mount(FoldSection, { props, slots: { default: "inside" } });

describe("a section that folds", () => {
  beforeEach(() => {
    localStorage.clear();
    setActivePinia(createPinia());
  });

  it("is folded or opened by its heading, and stays so", async () => {
    const align = section({ title: "Align", folded: true });
    expect(align.text()).not.toContain("inside");
    await align.get("h3 button").trigger("click");
    expect(align.text()).toContain("inside");
    expect(align.get("h3 button").attributes("aria-expanded")).toBe("true");
    align.unmount();
    expect(section({ title: "Align", folded: true }).text()).toContain("inside");
    expect(section({ title: "Corners", folded: true }).text()).not.toContain("inside");
  });

  it("is opened from elsewhere", async () => {
    const sheet = section({ title: "Sheet", folded: true });
    useBench().unfold("Sheet");
    await sheet.vm.$nextTick();
    expect(sheet.text()).toContain("inside");
  });
});
