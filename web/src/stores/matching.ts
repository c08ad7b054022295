import { defineStore } from "pinia";
import { ref, shallowRef, watch } from "vue";
import { api } from "@/api/client";
import type { Proposal } from "@/api/backdrop";
import { useJob } from "./job";
import { useMessages } from "./messages";

/** Which islands would go into which cells, as the server proposes. Nothing is changed until a proposal is accepted. */
export const useMatching = defineStore("matching", () => {
  const jobs = useJob();
  const messages = useMessages();
  const proposals = shallowRef<Proposal[] | null>(null);
  /** the one that is looked at on the sheet */
  const lit = shallowRef<Proposal | null>(null);
  const looking = ref(false);
  let accepting = false;

  async function propose(islands: number[] | null) {
    const job = jobs.job;
    if (!job) return;
    looking.value = true;
    try {
      const found = await api.matches(job.id, job.revision, islands);
      if (jobs.job?.revision === job.revision) proposals.value = found;
    } catch (error) {
      messages.fail(error);
    } finally {
      looking.value = false;
    }
  }

  /** Islands keep their numbers when they are set into cells, so the other proposals stay. */
  async function accept(taken: Proposal[]) {
    accepting = true;
    const done = await jobs.operate("set_into_cells", { assignments: taken.flatMap((one) => one.assignments) });
    accepting = false;
    if (done) proposals.value = (proposals.value ?? []).filter((one) => !taken.includes(one));
    return done;
  }

  function leave() {
    const was = proposals.value !== null;
    proposals.value = lit.value = null;
    return was;
  }

  watch([() => jobs.job?.id, () => jobs.islands.length, () => jobs.job?.backdrop.shown], leave);
  watch(
    () => jobs.job?.placements,
    () => {
      if (!accepting) leave();
    },
  );

  return { proposals, lit, looking, propose, accept, leave };
});
