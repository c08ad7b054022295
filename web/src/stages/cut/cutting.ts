import { defineStore } from "pinia";
import { computed, ref } from "vue";
import type { OperationName, Operations } from "@/api/types";
import { useJob } from "@/stores/job";
import { counted, usePicks } from "@/stores/picks";
import { useSelection } from "@/stores/selection";

export type CutPage = "seams" | "flat" | "shape" | "compare";

/** The work of the cut stage: which tools are shown, what they work on, and the figures from before the last change. */
export const useCutting = defineStore("cutting", () => {
  const jobs = useJob();
  const picks = usePicks();
  const selection = useSelection();
  const page = ref<CutPage>("seams");
  const working = ref(false);
  /** worst stretch by island name, as it was */
  const before = ref<Record<string, number | null>>({});

  /** What is laid flat: picked faces go before picked islands; nothing picked means all. */
  const target = computed(() => {
    const faces = picks.kind === "faces" && picks.sets.faces.size > 0 ? [...picks.sets.faces] : null;
    const islands = !faces && selection.islands.length > 0 ? [...selection.islands] : null;
    const name = islands?.length === 1 ? jobs.islands[islands[0]!]?.name : null;
    return {
      faces,
      islands,
      words: faces
        ? counted(faces.length, "faces")
        : islands
          ? (name ?? counted(islands.length, "islands"))
          : "everything",
    };
  });

  /** Runs a change and keeps the figures from before it beside those after. */
  async function run<N extends OperationName>(name: N, parameters: Operations[N]): Promise<boolean> {
    const former = Object.fromEntries(jobs.islands.map((island) => [island.name, island.stretch_worst]));
    const count = jobs.islands.length;
    working.value = true;
    const done = await jobs.operate(name, parameters);
    working.value = false;
    if (done) {
      before.value = former;
      if (jobs.islands.length !== count) selection.pick(null);
    }
    return done;
  }

  return { page, working, before, target, run };
});
