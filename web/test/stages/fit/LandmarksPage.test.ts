import { mount } from "@vue/test-utils";
import { beforeEach, describe, expect, it } from "vitest";
import { useDrawing } from "@/hand/drawing";
import LandmarksPage from "@/stages/fit/LandmarksPage.vue";
import { useSettings } from "@/stores/settings";
import { job, openJob } from "../../support";

// The job has one landmark, on Front.
const plain = (({ triangle, shares, to_px }) => ({ triangle, shares, to_px }))(job.fit_setup.landmarks[0]!);

describe("the landmarks of a fit", () => {
  let operate: ReturnType<typeof openJob>["operate"];
  const button = (wrapper: ReturnType<typeof mount>, text: string) =>
    wrapper.findAll("button").find((one) => one.text().startsWith(text))!;

  beforeEach(() => {
    localStorage.clear();
    ({ operate } = openJob());
  });

  it("say how many more a kind of fit takes", async () => {
    const page = mount(LandmarksPage);
    expect(button(page, "1 more for this kind").attributes("disabled")).toBeDefined();
    await page.get("#fit-kind").setValue("soft");
    expect(button(page, "Fit by 1 landmark").attributes("disabled")).toBeUndefined();
  });

  it("are added by a line that the hand pulls, held to pixels by the core", async () => {
    useSettings().hold = "middles";
    const page = mount(LandmarksPage);
    await button(page, "Set landmarks").trigger("click");
    expect(button(page, "Done setting").attributes("aria-pressed")).toBe("true");
    await useDrawing().take({ from: [30, 40], to: [50.3, 60.8], point: null, island: 1 });
    expect(operate).toHaveBeenCalledWith("set_landmarks", {
      landmarks: [plain, { island: 1, at_px: [30, 40], to_px: [50.3, 60.8], hold: "middles" }],
    });
    await useDrawing().take({ from: [30, 40], to: [50.3, 60.8], point: 2, island: 1 });
    expect(operate.mock.calls[1]![1]).toEqual({
      landmarks: [plain, { point: 2, to_px: [50.3, 60.8], hold: "middles" }],
    });
  });

  it("are not added where a line starts beside all islands", async () => {
    const page = mount(LandmarksPage);
    await button(page, "Set landmarks").trigger("click");
    await useDrawing().take({ from: [0, 0], to: [5, 5], point: null, island: null });
    expect(operate).not.toHaveBeenCalled();
  });

  it("are moved by typing and taken out", async () => {
    const page = mount(LandmarksPage);
    const id = page
      .findAll("label")
      .find((label) => label.text() === "Landmark 1 y")!
      .attributes("for")!;
    await page.get(`[id="${id}"]`).setValue("40");
    await page.get(`[id="${id}"]`).trigger("keydown.enter");
    expect(operate).toHaveBeenCalledWith("set_landmarks", {
      landmarks: [{ ...plain, to_px: [plain.to_px[0], 40] }],
    });
    await page.get("[aria-label='Remove landmark 1']").trigger("click");
    expect(operate).toHaveBeenLastCalledWith("set_landmarks", { landmarks: [] });
  });

  it("say how far each is off", () => {
    expect(mount(LandmarksPage).get("tbody").text()).toContain("470");
  });
});
