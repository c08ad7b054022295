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

  describe("while the hand holds something", () => {
    const call = (x_mm: number) => ({
      name: "change_layer" as const,
      parameters: { id: "l", place: { kind: "island" as const, x_mm } },
    });
    const calls = () => tiles.mock.calls.flatMap(([, , , asked]) => (asked ? [asked] : []));
    beforeEach(() => {
      tiles.mockImplementation(async (_id, revision) => ({
        head: { width_px: 64, height_px: 64, tile_px: 256, marks: [`mark ${revision}`], sent: [] } as never,
        texels: new ArrayBuffer(0),
      }));
    });
    const rest = () => new Promise((done) => setTimeout(done, 60));

    it("is worked out as it would be once the hand rests, and shown with the first word that it was done", async () => {
      images.foresee(call(1));
      images.foresee(call(2));
      images.foresee(call(2));
      await rest();
      expect(calls()).toEqual([call(2)]);
      expect(images.revision).toBe(1);
      images.letGo(call(2));
      images.drawAhead(2);
      await flush();
      // What was foreseen is of revision 1, by its mark; the server is asked what differs from it.
      expect(asked().at(-1)).toEqual([2, ["mark 1"]]);
      expect([images.revision, images.early, images.busy]).toEqual([2, 2, false]);
      await goTo(2);
      expect([images.revision, images.early]).toEqual([2, null]);
      expect(tiles).toHaveBeenCalledTimes(3);
    });

    it("is of no use where the hand went on, let go of something else, or at once", async () => {
      images.foresee(call(1));
      await rest();
      const [, , , , signal] = tiles.mock.calls.at(-1)!;
      images.foresee(call(2));
      expect(signal!.aborted).toBe(true);
      images.letGo(call(2)); // it has not rested there
      images.drawAhead(2);
      await rest();
      expect(calls()).toEqual([call(1)]);
      expect(images.early).toBeNull();
      await goTo(2);
      images.foresee(call(3));
      await rest();
      images.letGo(call(4));
      images.drawAhead(3);
      await flush();
      expect(images.revision).toBe(2);
    });

    it("is not shown for a change of another page, which comes while the hand still holds it", async () => {
      images.foresee(call(1));
      await rest();
      images.drawAhead(2);
      await flush();
      expect([images.revision, images.early]).toEqual([1, null]);
      await goTo(2);
      expect(images.revision).toBe(2);
    });

    it("is worked out afterwards where the server could not foresee it", async () => {
      tiles.mockRejectedValueOnce(new Error("ended"));
      images.foresee(call(1));
      await rest();
      images.letGo(call(1));
      images.drawAhead(2);
      await goTo(2);
      expect([images.revision, images.busy]).toEqual([2, false]);
    });

    it("is asked for whole where the sheet has another size by then", async () => {
      images.foresee(call(1));
      await rest();
      tiles.mockImplementation(async (_id, revision, known) => ({
        head: {
          width_px: 300,
          height_px: 300,
          tile_px: 256,
          marks: [`${revision} ${known.length}`],
          sent: [],
        } as never,
        texels: new ArrayBuffer(0),
      }));
      images.letGo(call(1));
      images.drawAhead(2);
      await flush();
      expect(tiles).toHaveBeenCalledTimes(4);
      await goTo(2);
      expect([images.revision, images.early, images.image!.width]).toEqual([2, null, 300]);
    });

    it("is shown before the server has said what differs from it after all", async () => {
      images.foresee(call(1));
      await rest();
      let answer = () => {};
      const told = tiles.getMockImplementation()!;
      tiles.mockImplementationOnce(async (...of) => {
        await new Promise<void>((done) => (answer = done));
        return told(...of);
      });
      images.letGo(call(1));
      images.drawAhead(2);
      await flush();
      expect([images.revision, images.early, images.busy]).toEqual([2, 2, false]);
      answer();
      await goTo(2);
      expect([images.revision, images.early]).toEqual([2, null]);
      expect(tiles).toHaveBeenCalledTimes(3);
    });
  });
});
