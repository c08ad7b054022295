import { useBroadcastChannel, useEventSource, tryOnScopeDispose } from "@vueuse/core";
import { effectScope, watch } from "vue";
import { api } from "@/api/client";

/** What the server tells all pages; "open": whatever was told before may have been missed. */
export type ServerEvent =
  | { kind: "open" }
  | { kind: "revision"; job: string; revision: number }
  | { kind: "progress"; work: string; share: number };

const NAME = "sheet-trace-events";
/** How long the page waits before it looks for a server that went away, ms. */
const AGAIN_MS = 2000;

/**
 * Hears what the server tells. All pages of a browser share one connection, as a browser grants only six to a server:
 * the page that holds a lock reads it, and passes on to the others. The lock goes to the next when the page goes.
 */
export function useServerEvents(hear: (event: ServerEvent) => void) {
  const channel = useBroadcastChannel<ServerEvent, ServerEvent>({ name: NAME });
  const left = new AbortController();
  watch(channel.data, (event) => event && hear(event), { flush: "sync" });

  function pass(event: ServerEvent) {
    hear(event);
    channel.post(event);
  }

  const lead = () =>
    new Promise<void>((release) => {
      const scope = effectScope(true);
      left.signal.addEventListener("abort", () => {
        scope.stop();
        release();
      });
      scope.run(() => {
        const kinds: ("revision" | "progress")[] = ["revision", "progress"];
        const { event, data, status } = useEventSource(api.urls.events, kinds, { autoReconnect: { delay: AGAIN_MS } });
        watch(status, (now) => now === "OPEN" && pass({ kind: "open" }), { flush: "sync" });
        watch(data, (text: string | null) => text && pass({ kind: event.value, ...JSON.parse(text) } as ServerEvent), {
          flush: "sync",
        });
      });
    });

  navigator.locks?.request(NAME, { signal: left.signal }, lead).catch(() => undefined);
  tryOnScopeDispose(() => left.abort());
}
