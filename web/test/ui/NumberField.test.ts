import { mount } from "@vue/test-utils";
import { createPinia, setActivePinia } from "pinia";
import { beforeEach, describe, expect, it } from "vitest";
import NumberField from "@/ui/NumberField.vue";

describe("a number field", () => {
  beforeEach(() => setActivePinia(createPinia()));
  const field = (value = 4) => mount(NumberField, { props: { label: "Width", value, unit: "mm" } });
  const text = (wrapper: ReturnType<typeof field>) => (wrapper.get("input").element as HTMLInputElement).value;

  it("emits a typed sum once, though Enter is followed by leaving", async () => {
    const wrapper = field();
    await wrapper.get("input").setValue("=120/3");
    await wrapper.get("input").trigger("keydown.enter");
    await wrapper.get("input").trigger("blur");
    expect(wrapper.emitted("change")).toEqual([[40]]);
    expect(text(wrapper)).toBe("40");
  });

  it("emits nothing for what was not changed or is no number, which stays with a word why", async () => {
    const wrapper = field();
    await wrapper.get("input").trigger("blur");
    await wrapper.get("input").setValue("wide");
    expect(wrapper.get("input").attributes("aria-invalid")).toBe("true");
    await wrapper.get("input").trigger("blur");
    expect(wrapper.emitted("change")).toBeUndefined();
    expect(text(wrapper)).toBe("wide");
    expect(wrapper.get("[role=alert]").text()).toContain("“wide” is no number");
    await wrapper.get("input").setValue("5");
    expect(wrapper.find("[role=alert]").exists()).toBe(false);
    await wrapper.get("input").trigger("blur");
    expect(wrapper.emitted("change")).toEqual([[5]]);
  });

  it("brings the old number back with Escape", async () => {
    const wrapper = field();
    await wrapper.get("input").setValue("99");
    await wrapper.get("input").trigger("keydown.esc");
    expect(text(wrapper)).toBe("4");
    expect(wrapper.emitted("change")).toBeUndefined();
  });

  it("leaves what is being typed alone when the value changes", async () => {
    const wrapper = field();
    await wrapper.get("input").setValue("7");
    await wrapper.setProps({ value: 5 });
    expect(text(wrapper)).toBe("7");
  });
});
