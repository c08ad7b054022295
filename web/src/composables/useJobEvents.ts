import { onScopeDispose, watch } from "vue";
import { api } from "@/api/client";
import { useJob } from "@/stores/job";

/** Follows changes that are made to the job on another page. */
export function useJobEvents(id: () => string) {
  const jobs = useJob();
  let source: EventSource | null = null;

  watch(
    id,
    (now) => {
      source?.close();
      source = api.events(now);
      source.addEventListener("revision", (event) => void jobs.refresh(Number(event.data)));
    },
    { immediate: true },
  );
  onScopeDispose(() => source?.close());
}
