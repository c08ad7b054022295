import { beforeEach, describe, expect, it, vi, type MockInstance } from "vitest";
import { api } from "@/api/client";
import { useSheetImage } from "@/stores/image";
import { useSettings } from "@/stores/settings";
import { job, openJob } from "../support";

const flush = () => new Promise((done) => setTimeout(done));

describe("the image on the sheet", () => {
  let jobs: ReturnType<typeof openJob>["jobs"];
  let images: ReturnType<typeof useSheetImage>;
  let tiles: MockInstance<typeof api.sheetTiles>;
  const asked = () => tiles.mock.calls.map(([, revision, known]) => [revision, known]);
  const goTo = async (revision: number) => {
    jobs.job = { ...job, revision };
    await flush();
  };

  beforeEach(async () => {
    vi.restoreAllMocks();
    tiles = vi.spyOn(api, "sheetTiles").mockImplementation(async (_id, revision) => ({
      head: { width_px: 64 * revision, height_px: 64, tile_px: 256, marks: [`mark ${revision}`], sent: [] } as never,
      texels: new ArrayBuffer(0),
    }));
    ({ jobs } = openJob({ revision: 1 }));
    useSettings().look = "art";
    images = useSheetImage();
    await flush();
  });

  it("is drawn ahead of the job itself, and shown only with it", async () => {
    images.drawAhead(2);
    await flush();
    expect(asked()).toEqual([
      [1, []],
      [2, ["mark 1"]],
    ]);
    expect(images.revision).toBe(1);
    await goTo(2);
    expect(images.revision).toBe(2);
    expect(tiles).toHaveBeenCalledTimes(2);
  });

  it("is asked for again where another one is shown by then", async () => {
    images.drawAhead(3);
    await goTo(2);
    await goTo(3);
    expect(asked().slice(1)).toEqual([
      [3, ["mark 1"]],
      [2, ["mark 1"]],
      [3, ["mark 2"]],
    ]);
    expect(images.revision).toBe(3);
  });

  it("is not drawn ahead where it is there, or something else is looked at", async () => {
    images.drawAhead(1);
    images.instead = "a template";
    images.drawAhead(2);
    await flush();
    expect(asked()).toEqual([[1, []]]);
  });

  it("that could not be drawn ahead is told once it is wanted", async () => {
    tiles.mockRejectedValueOnce(new Error("ended"));
    images.drawAhead(2);
    await goTo(2);
    expect(images.revision).toBe(1);
    expect(images.busy).toBe(false);
  });
});
