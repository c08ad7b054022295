import { defineStore } from "pinia";
import { computed, ref } from "vue";

/** How long work goes on before the painter is told of it, ms. */
const SHOWN_AFTER_MS = 500;

interface Work {
  id: string;
  /** what is being done, in a word or two */
  label: string;
  /** 0 to 1; null as long as the server has not told */
  share: number | null;
  shown: boolean;
  control: AbortController;
}

/** What the server is at for this page: how far it is, and the way to stop it. */
export const useWork = defineStore("work", () => {
  const all = ref<Work[]>([]);
  const shown = computed(() => all.value.filter((work) => work.shown));

  /** Has something done that can be followed and stopped; a signal of the caller's stops it too. */
  async function follow<T>(
    label: string,
    run: (followed: { work: string; signal: AbortSignal }) => Promise<T>,
    signal?: AbortSignal,
  ) {
    const id = crypto.randomUUID();
    const control = new AbortController();
    all.value.push({ id, label, share: null, shown: false, control });
    const work = all.value.at(-1)!;
    const timer = setTimeout(() => (work.shown = true), SHOWN_AFTER_MS);
    const stopped = () => control.abort();
    signal?.addEventListener("abort", stopped);
    try {
      return await run({ work: id, signal: control.signal });
    } finally {
      clearTimeout(timer);
      signal?.removeEventListener("abort", stopped);
      all.value = all.value.filter((other) => other.id !== id);
    }
  }

  function hear(id: string, share: number) {
    const work = all.value.find((other) => other.id === id);
    if (work) work.share = share;
  }

  function stop(id: string) {
    all.value.find((work) => work.id === id)?.control.abort();
  }

  return { shown, follow, hear, stop };
});

/** The name of an operation as words: lay_flat is "Lay flat". */
export const inWords = (name: string) => (name.charAt(0).toUpperCase() + name.slice(1)).replaceAll("_", " ");
