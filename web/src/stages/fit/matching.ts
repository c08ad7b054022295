import { defineStore } from "pinia";
import { shallowRef, watch } from "vue";
import { api } from "@/api/client";
import type { Proposal } from "@/api/types";
import { useAnswer } from "@/composables/useAnswer";
import { useJob } from "@/stores/job";

/** Which islands would go into which cells, as the server proposes. Nothing is changed until a proposal is accepted. */
export const useMatching = defineStore("matching", () => {
  const jobs = useJob();
  // Islands keep their numbers when they are set into cells, so the other proposals stay good.
  const {
    value: proposals,
    asking: looking,
    ask,
    forget,
  } = useAnswer<Proposal[]>({
    goodFor: () => [jobs.job?.id, jobs.islands.length, jobs.job?.fit_setup.shown].join(),
  });
  /** the one that is looked at on the sheet */
  const lit = shallowRef<Proposal | null>(null);
  let accepting = false;

  const propose = (islands: number[] | null) =>
    ask((id, revision, followed) => api.matches(id, revision, islands, followed));

  async function accept(taken: Proposal[]) {
    accepting = true;
    const done = await jobs.operate("set_into_cells", {
      assignments: taken.flatMap((proposal) => proposal.assignments),
    });
    accepting = false;
    if (done) proposals.value = (proposals.value ?? []).filter((proposal) => !taken.includes(proposal));
    return done;
  }

  function leave() {
    lit.value = null;
    return forget();
  }

  watch(
    () => jobs.job?.placements,
    () => {
      if (!accepting) leave();
    },
  );
  watch(proposals, (now) => {
    if (!now) lit.value = null;
  });

  return { proposals, lit, looking, propose, accept, leave };
});
