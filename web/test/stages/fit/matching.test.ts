import { createPinia, setActivePinia } from "pinia";
import { beforeEach, describe, expect, it, vi } from "vitest";
import { nextTick } from "vue";
import { api } from "@/api/client";
import type { Job, Preview, Proposal } from "@/api/types";
import { useJob } from "@/stores/job";
import { usePreview } from "@/stores/preview";
import { useMatching } from "@/stages/fit/matching";
import sample from "../../../../test/data/api/job.json";

const job = sample as unknown as Job;
const proposal = (island: number): Proposal => ({
  islands: [island],
  cells: [0],
  turn_deg: 0,
  mirrored: false,
  confidence: 0.9,
  reasons: { outline: 1 },
  assignments: [{ islands: [island], cell: 0, way: "fill" }],
});

describe("proposals of cells", () => {
  beforeEach(() => {
    setActivePinia(createPinia());
    vi.restoreAllMocks();
    useJob().job = job;
    vi.spyOn(api, "matches").mockResolvedValue([proposal(0), proposal(1)]);
  });

  it("are taken one by one, and the others stay", async () => {
    const matching = useMatching();
    await matching.propose(null);
    const operate = vi
      .spyOn(api, "operate")
      .mockResolvedValue({ ...job, revision: job.revision + 1, placements: "other" });
    await matching.accept([matching.proposals![0]!]);
    await nextTick();
    expect(operate.mock.calls[0]!.slice(1, 3)).toEqual([
      "set_into_cells",
      { assignments: [{ islands: [0], cell: 0, way: "fill" }] },
    ]);
    expect(matching.proposals!.map((one) => one.islands)).toEqual([[1]]);
  });

  it("are shown as they would lie before they are taken, and taking one keeps the others", async () => {
    const matching = useMatching();
    await matching.propose(null);
    const preview = vi
      .spyOn(api, "preview")
      .mockResolvedValue({ sentence: "Front set into Cell 1", islands: [], lines: "" } as unknown as Preview);
    vi.spyOn(api, "operate").mockResolvedValue({ ...job, revision: job.revision + 1, placements: "other" });
    await matching.look(matching.proposals![1]!);
    expect(preview.mock.calls[0]!.slice(2, 4)).toEqual(["set_into_cells", { assignments: proposal(1).assignments }]);
    expect(matching.lit).toBe(matching.proposals![1]);
    await usePreview().take();
    await nextTick();
    expect(matching.proposals!.map((one) => one.islands)).toEqual([[0]]);
    expect(matching.lit).toBeNull();
  });

  it("are dropped when islands were moved otherwise, or another picture is shown", async () => {
    const matching = useMatching();
    await matching.propose(null);
    useJob().job = { ...job, placements: "moved" };
    await nextTick();
    expect(matching.proposals).toBeNull();
    await matching.propose(null);
    useJob().job = { ...job, placements: "moved", fit_setup: { ...job.fit_setup, shown: null } };
    await nextTick();
    expect(matching.proposals).toBeNull();
  });

  it("that come too late are left out", async () => {
    const matching = useMatching();
    vi.spyOn(api, "matches").mockImplementation(async () => {
      useJob().job = { ...job, revision: job.revision + 5 };
      return [proposal(0)];
    });
    await matching.propose(null);
    expect(matching.proposals).toBeNull();
  });
});
