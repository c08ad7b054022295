import { flushPromises, mount } from "@vue/test-utils";
import { describe, expect, it } from "vitest";
import { defineComponent, h, nextTick } from "vue";
import ChoiceBar from "@/ui/ChoiceBar.vue";
import ColorField from "@/ui/ColorField.vue";
import ColorSwatch from "@/ui/ColorSwatch.vue";
import DropZone from "@/ui/DropZone.vue";
import FigureTable from "@/ui/FigureTable.vue";
import FileButton from "@/ui/FileButton.vue";
import PageTabs from "@/ui/PageTabs.vue";
import RenameField from "@/ui/RenameField.vue";
import TakeCard from "@/ui/TakeCard.vue";
import { openJob } from "../support";

const file = (name: string) => new File(["x"], name);

describe("a choice bar", () => {
  it("is a group of radio buttons with a name, of which one is chosen", async () => {
    const bar = mount(ChoiceBar, {
      props: { label: "Unit", choices: { px: "px", mm: "mm" }, modelValue: "px" as string },
    });
    expect(bar.get("[role=radiogroup]").attributes("aria-label")).toBe("Unit");
    await bar.findAll("input")[1]!.setValue(true);
    expect(bar.emitted("update:modelValue")).toEqual([["mm"]]);
  });
});

describe("page tabs", () => {
  const page = (text: string) => defineComponent({ render: () => h("p", text) });
  const pages = { one: { title: "One", panel: page("first") }, two: { title: "Two", panel: page("second") } };

  it("show one page and make the others only when they are opened", async () => {
    const tabs = mount(PageTabs, { props: { label: "Tools", pages, modelValue: "one" as "one" | "two" } });
    expect(tabs.text()).toContain("first");
    expect(tabs.text()).not.toContain("second");
    await tabs.findAll("[role=tab]")[1]!.trigger("click");
    expect(tabs.emitted("update:modelValue")?.at(-1)).toEqual(["two"]);
    expect(tabs.text()).toContain("second");
    expect(tabs.text()).not.toContain("first");
  });
});

describe("a table of figures", () => {
  it("has a row header that can be pressed, figures beside it, and marks the rows that are on", async () => {
    const rows = [
      { name: "Front", on: true, now: "1.000" },
      { name: "Back", on: false, now: "1.200" },
    ];
    const table = mount(FigureTable, {
      props: { of: "Island", rows, figures: { now: "now" } },
      slots: { now: `<template #now="{ row }"><b>{{ row.now }}</b></template>` },
    });
    expect(table.findAll("thead th").map((cell) => cell.text())).toEqual(["Island", "now"]);
    expect(table.findAll("tbody tr").map((row) => row.classes("table-active"))).toEqual([true, false]);
    expect(table.findAll("td b").map((cell) => cell.text())).toEqual(["1.000", "1.200"]);
    await table.findAll("button")[1]!.trigger("click");
    expect(table.emitted("press")![0]![0]).toMatchObject({ name: "Back" });
  });
});

describe("files", () => {
  const choose = async (wrapper: ReturnType<typeof mount>, ...files: File[]) => {
    await nextTick();
    const input = wrapper.get("input[type=file]").element as HTMLInputElement;
    Object.defineProperty(input, "files", { value: files, configurable: true });
    input.dispatchEvent(new Event("change"));
  };

  it("are handed on when they are chosen, unless it is busy", async () => {
    const button = mount(FileButton, { props: { accept: ".json", label: "Load a layout file" } });
    await choose(button, file("a.json"));
    expect((button.emitted("files")![0]![0] as File[])[0]!.name).toBe("a.json");
    await button.setProps({ disabled: true });
    await choose(button, file("b.json"));
    expect(button.emitted("files")).toHaveLength(1);
  });

  it("may be several, and are of the kinds that are taken", async () => {
    const zone = mount(DropZone, { props: { accept: ".obj,.mtl", label: "Choose a model", multiple: true } });
    await nextTick();
    const input = zone.get("input").element as HTMLInputElement;
    expect([input.accept, input.multiple, input.getAttribute("aria-label")]).toEqual([
      ".obj,.mtl",
      true,
      "Choose a model",
    ]);
  });

  it("can be dropped, and show that they would be taken", async () => {
    const zone = mount(DropZone, { props: { accept: "", label: "Choose", multiple: true } });
    const drag = (type: string) => {
      const event = new Event(type, { bubbles: true, cancelable: true });
      const files = [file("a.obj"), file("a.mtl")];
      const items = files.map((own) => ({ kind: "file", type: "", getAsFile: () => own }));
      Object.assign(event, { dataTransfer: { items, files } });
      zone.element.dispatchEvent(event);
      return flushPromises();
    };
    await nextTick();
    await drag("dragenter");
    expect(zone.classes("over")).toBe(true);
    await drag("drop");
    expect(zone.classes("over")).toBe(false);
    expect((zone.emitted("files")![0]![0] as File[]).map(({ name }) => name)).toEqual(["a.obj", "a.mtl"]);
    await zone.setProps({ busy: true });
    await drag("drop");
    expect(zone.emitted("files")).toHaveLength(1);
  });
});

describe("a name that can be changed", () => {
  const field = () => mount(RenameField, { props: { name: "lid", label: "Name" } });

  it("is taken without the room round it, once it differs", async () => {
    const name = field();
    await name.get("input").setValue("  cover ");
    expect(name.emitted("rename")).toEqual([["cover"]]);
  });

  it("is left as it was where nothing is left of it, or it is the same", async () => {
    const name = field();
    for (const text of ["   ", "lid"]) {
      await name.get("input").setValue(text);
    }
    expect(name.emitted("rename")).toBeUndefined();
    expect((name.get("input").element as HTMLInputElement).value).toBe("lid");
  });
});

describe("a colour", () => {
  it("is taken as #rrggbb, and stays to be mended where it is none", async () => {
    const color = mount(ColorField, { props: { label: "Colour", value: "#102030" } });
    const typed = color.get("input[aria-label=Colour]");
    await typed.setValue("#12");
    expect(color.emitted("change")).toBeUndefined();
    expect(typed.classes("is-invalid")).toBe(true);
    await typed.setValue("#AABBCC");
    expect(color.emitted("change")).toEqual([["#aabbcc"]]);
  });

  it("is shown in a swatch, by shares of one; without one the swatch is hatched", () => {
    const style = (value: number[] | null) => mount(ColorSwatch, { props: { color: value } }).attributes("style") ?? "";
    expect(style([1, 0.5, 0, 0.25])).toContain("rgba(255, 128, 0, 0.25)");
    expect(style(null)).toBe("");
  });
});

describe("what is shown and not taken", () => {
  it("can be taken or left while it is undecided", async () => {
    openJob();
    const card = mount(TakeCard, { props: { take: "Keep it" }, slots: { default: "Step 3" } });
    expect(card.text()).toContain("Step 3");
    const [take, leave] = card.findAll("button");
    expect(take!.text()).toBe("Keep it");
    await take!.trigger("click");
    await leave!.trigger("click");
    expect([card.emitted("take"), card.emitted("leave")].map((calls) => calls?.length)).toEqual([1, 1]);
    await card.setProps({ undecided: false });
    expect(card.findAll("button")).toHaveLength(0);
  });
});
