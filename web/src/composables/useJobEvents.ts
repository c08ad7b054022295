import { useSheetImage } from "@/stores/image";
import { useJob } from "@/stores/job";
import { useWork } from "@/stores/work";
import { useServerEvents } from "./useServerEvents";

/** Follows changes that are made to the job, on this page or another, and how far the work for this page is. */
export function useJobEvents(id: () => string) {
  const jobs = useJob();
  const work = useWork();
  const images = useSheetImage();

  useServerEvents((event) => {
    if (event.kind === "progress") work.hear(event.work, event.share);
    else if (event.kind === "open") void jobs.refresh();
    else if (event.job === id()) {
      images.drawAhead(event.revision);
      void jobs.refresh(event.revision);
    }
  });
}
