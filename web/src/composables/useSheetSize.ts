import { watch } from "vue";
import type { Sheet } from "@/api/types";
import { useJob } from "@/stores/job";

/** Tells the size of the job's sheet at once, and again when it is another or another job's; not at every change. */
export function useSheetSize(then: (size: Sheet) => void) {
  const jobs = useJob();
  watch(
    [() => jobs.job?.id, () => jobs.job?.sheet.width_px, () => jobs.job?.sheet.height_px],
    () => jobs.job && then({ ...jobs.job.sheet }),
    { immediate: true },
  );
}
