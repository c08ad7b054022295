import { beforeEach, describe, expect, it, vi } from "vitest";
import { api } from "@/api/client";
import type { PaintedOn, Picture } from "@/api/types";
import { useReturning } from "@/stages/trace/returning";
import { openJob } from "../../support";

const template = {
  code: "AAAA-AAAA",
  width_px: 512,
  height_px: 512,
  at: "2026-05-01T10:00:00Z",
  present: true,
  fits: true,
};
const found: PaintedOn = { code: null, certainty: 0.1, by: null, guide_px: 0, templates: [template] };
const picture = { digest: "d", name: "painted.png", media_type: "image/png", width_px: 256, height_px: 256 } as Picture;

describe("painted sheets that come back", () => {
  let operate: ReturnType<typeof openJob>["operate"];

  beforeEach(() => {
    vi.restoreAllMocks();
    ({ operate } = openJob());
  });

  it("lands one that is recognised at once, and tells how sure that is", async () => {
    vi.spyOn(api, "paintedOn").mockResolvedValue({ ...found, code: "AAAA-AAAA", by: "lines", certainty: 0.8 });
    const returning = useReturning();
    await returning.takeBack(picture);
    expect(operate).toHaveBeenCalledWith("bring_back", { picture: "d", layout: "AAAA-AAAA", stretched: false });
    expect([returning.last?.found.certainty, returning.unsure]).toEqual([0.8, null]);
  });

  it("asks about one that is not, and stretches it only where it is said so", async () => {
    vi.spyOn(api, "paintedOn").mockResolvedValue(found);
    const returning = useReturning();
    await returning.takeBack(picture);
    expect(operate).not.toHaveBeenCalled();
    await returning.choose({ ...template, fits: false });
    expect(operate).toHaveBeenCalledWith("bring_back", { picture: "d", layout: "AAAA-AAAA", stretched: true });
    expect(returning.unsure).toBeNull();
  });
});
