import { useJob } from "@/stores/job";
import { useWork } from "@/stores/work";
import { useServerEvents } from "./useServerEvents";

/** Follows changes that are made to the job on another page, and how far the work for this page is. */
export function useJobEvents(id: () => string) {
  const jobs = useJob();
  const work = useWork();

  useServerEvents((event) => {
    if (event.kind === "progress") work.hear(event.work, event.share);
    else if (event.kind === "open") void jobs.refresh();
    else if (event.job === id()) void jobs.refresh(event.revision);
  });
}
