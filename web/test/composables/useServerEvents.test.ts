import { afterEach, beforeEach, describe, expect, it, vi } from "vitest";
import { effectScope, type EffectScope } from "vue";
import { useServerEvents, type ServerEvent } from "@/composables/useServerEvents";

/** Streams that are open, and what is sent on them. */
const streams: Stream[] = [];
class Stream extends EventTarget {
  onopen?: () => void;
  readyState = 1;
  constructor(readonly url: string) {
    super();
    streams.push(this);
  }
  close() {
    streams.splice(streams.indexOf(this), 1);
  }
  send(kind: string, data: object) {
    this.dispatchEvent(new MessageEvent(kind, { data: JSON.stringify(data) }));
  }
}

/** One lock at a time, the next when it is given back. */
function locks() {
  let last: Promise<unknown> = Promise.resolve();
  return {
    request: (_name: string, { signal }: { signal: AbortSignal }, work: () => Promise<void>) =>
      (last = last.then(() => (signal.aborted ? undefined : work()))),
  };
}

/** What is posted on one channel arrives at all others. */
const channels = new Set<Channel>();
class Channel extends EventTarget {
  constructor() {
    super();
    channels.add(this);
  }
  postMessage(data: unknown) {
    for (const other of channels) if (other !== this) other.dispatchEvent(new MessageEvent("message", { data }));
  }
  close() {
    channels.delete(this);
  }
}

describe("what the server tells pages", () => {
  const scopes: EffectScope[] = [];

  function page() {
    const heard: ServerEvent[] = [];
    const scope = effectScope();
    scopes.push(scope);
    scope.run(() => useServerEvents((event) => heard.push(event)));
    return { heard, leave: () => scope.stop() };
  }
  const settle = () => new Promise((done) => setTimeout(done));

  beforeEach(() => {
    vi.stubGlobal("EventSource", Stream);
    vi.stubGlobal("BroadcastChannel", Channel);
    vi.stubGlobal("navigator", { locks: locks() });
  });
  afterEach(() => {
    scopes.splice(0).forEach((scope) => scope.stop());
    vi.unstubAllGlobals();
  });

  it("comes over one stream for all pages of a browser", async () => {
    const [first, second] = [page(), page()];
    await settle();
    expect(streams.map(({ url }) => url)).toEqual(["/api/events"]);
    streams[0]!.send("revision", { job: "a", revision: 7 });
    streams[0]!.send("progress", { work: "w", share: 0.5 });
    const told = [
      { kind: "revision", job: "a", revision: 7 },
      { kind: "progress", work: "w", share: 0.5 },
    ];
    expect([first.heard, second.heard]).toEqual([told, told]);
  });

  it("goes on with the next page when the one that reads goes, and says that something may be missing", async () => {
    const [first, second] = [page(), page()];
    await settle();
    first.leave();
    await settle();
    expect(streams.length).toBe(1);
    streams[0]!.onopen!();
    expect(second.heard).toEqual([{ kind: "open" }]);
    second.leave();
    expect(streams.length).toBe(0);
  });
});
