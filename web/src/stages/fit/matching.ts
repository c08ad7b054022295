import { defineStore } from "pinia";
import { shallowRef, watch } from "vue";
import { api } from "@/api/client";
import type { Proposal } from "@/api/types";
import { useAnswer } from "@/composables/useAnswer";
import { useJob } from "@/stores/job";
import { usePreview } from "@/stores/preview";
import { useSelection } from "@/stores/selection";

/** Which islands would go into which cells, as the server proposes. Nothing is changed until a proposal is accepted. */
export const useMatching = defineStore("matching", () => {
  const jobs = useJob();
  const previews = usePreview();
  const selection = useSelection();
  // Islands keep their numbers when they are set into cells, so the other proposals stay good.
  const {
    value: proposals,
    asking: looking,
    ask,
    forget,
  } = useAnswer<Proposal[]>({
    goodFor: () => [jobs.job?.id, jobs.islands.length, jobs.job?.fit_setup.shown].join(),
  });
  /** the one that is looked at on the sheet, as it would lie */
  const lit = shallowRef<Proposal | null>(null);
  let accepting = false;

  const propose = (islands: number[] | null) =>
    ask((id, revision, followed) => api.matches(id, revision, islands, followed));

  async function accept(taken: Proposal[]) {
    accepting = true;
    const done = await jobs.operate("set_into_cells", assigned(taken));
    accepting = false;
    if (done) proposals.value = (proposals.value ?? []).filter((proposal) => !taken.includes(proposal));
    return done;
  }

  const assigned = (taken: Proposal[]) => ({ assignments: taken.flatMap((proposal) => proposal.assignments) });

  /** Shows on sheet and model what it would do; the same again leaves it. */
  function look(proposal: Proposal) {
    if (lit.value === proposal) return previews.leave();
    lit.value = proposal;
    selection.islands = [...proposal.islands];
    return previews.show("set_into_cells", assigned([proposal]), () => accept([proposal]));
  }

  function leave() {
    if (lit.value) previews.leave();
    return forget();
  }

  watch(
    () => jobs.job?.placements,
    () => {
      if (!accepting) leave();
    },
  );
  watch([proposals, () => previews.shown ?? previews.looking], ([any, preview]) => {
    if (!any || !preview) lit.value = null;
  });

  return { proposals, lit, looking, propose, look, accept, leave };
});
