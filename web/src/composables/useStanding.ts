import { shallowRef, watch } from "vue";
import { api } from "@/api/client";
import type { Standing } from "@/api/types";
import { useJob } from "@/stores/job";

interface Options {
  islands: () => number[];
  /** how they are moved at the moment, px; null while they are not */
  moved: () => DOMMatrix | null;
}

/** How islands would stand where a drag has them. The server is asked again as soon as it has answered; what is told may lag behind the hand by one answer. */
export function useStanding({ islands, moved }: Options) {
  const jobs = useJob();
  const standing = shallowRef<Standing | null>(null);
  let asking = false;

  async function ask() {
    const job = jobs.job;
    const change = moved();
    if (asking || !job || !change) return;
    asking = true;
    try {
      const told = await api.standing(job.id, job.revision, islands(), [change.a, change.c, change.e, change.b, change.d, change.f]);
      if (moved()) standing.value = told;
    } catch {
      standing.value = null; // a hint only: what goes wrong shows when the hand lets go
    } finally {
      asking = false;
    }
    if (moved() !== change) void ask();
  }

  watch(moved, (change) => {
    if (!change) standing.value = null;
    else void ask();
  });

  return standing;
}
