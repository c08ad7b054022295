import { watch } from "vue";
import { api } from "@/api/client";
import type { Clearance } from "@/api/types";
import { useAnswer } from "./useAnswer";

interface Options {
  islands: () => number[];
  /** how they are moved at the moment, px; null while they are not */
  moved: () => DOMMatrix | null;
}

/**
 * How near islands come to others where a drag has them. The server is asked again as soon as it has answered; the
 * answer may lag behind the hand by one.
 */
export function useClearance({ islands, moved }: Options) {
  const { value: clearance, ask, forget } = useAnswer<Clearance>({ quiet: true });
  let busy = false;

  async function follow() {
    const change = moved();
    if (busy || !change) return;
    busy = true;
    await ask((id, revision) =>
      api.clearance(id, revision, islands(), [change.a, change.c, change.e, change.b, change.d, change.f]),
    );
    busy = false;
    if (!moved()) forget();
    else if (moved() !== change) void follow();
  }

  watch(moved, (change) => {
    if (!change) forget();
    else void follow();
  });

  return clearance;
}
