import { useDocumentVisibility, useEventListener } from "@vueuse/core";
import { onScopeDispose, watch } from "vue";
import { api } from "@/api/client";
import { useJob } from "@/stores/job";

/**
 * Follows changes that are made to the job on another page. A page that is not seen lets go of its
 * connection, as a browser grants only six to a server, and looks again when it comes back.
 */
export function useJobEvents(id: () => string) {
  const jobs = useJob();
  const visibility = useDocumentVisibility();
  let source: EventSource | null = null;

  function close() {
    source?.close();
    source = null;
  }

  function open() {
    close();
    source = api.events(id());
    source.addEventListener("revision", (event) => void jobs.refresh(Number(event.data)));
  }

  watch([id, visibility], ([now, seen], [before]) => {
    if (seen === "hidden") close();
    else open();
    if (seen === "visible" && now === before) void jobs.refresh();
  });
  open();
  useEventListener(window, "pagehide", close);
  useEventListener(window, "pageshow", (event) => {
    if (event.persisted) open();
  });
  onScopeDispose(close);
}
