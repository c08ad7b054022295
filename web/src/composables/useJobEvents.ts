import { useDocumentVisibility, useEventListener, useEventSource } from "@vueuse/core";
import { watch } from "vue";
import { api } from "@/api/client";
import { useJob } from "@/stores/job";

/** How long the page waits before it looks for a server that went away, ms. */
const AGAIN_MS = 2000;

/**
 * Follows changes that are made to the job on another page. A page that is not seen lets go of its
 * connection, as a browser grants only six to a server, and looks again when it comes back.
 */
export function useJobEvents(id: () => string) {
  const jobs = useJob();
  const visibility = useDocumentVisibility();
  const { data, open, close } = useEventSource(() => api.urls.events(id()), ["revision"] as const, {
    autoReconnect: { delay: AGAIN_MS },
  });

  watch(data, (revision: string | null) => {
    if (revision !== null) void jobs.refresh(Number(revision));
  });
  watch(visibility, (seen) => {
    if (seen === "hidden") return close();
    open();
    void jobs.refresh();
  });
  useEventListener(window, "pagehide", close);
  useEventListener(window, "pageshow", (event) => {
    if (event.persisted) open();
  });
}
