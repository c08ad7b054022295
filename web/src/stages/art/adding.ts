import { defineStore } from "pinia";
import { ref } from "vue";
import type { Operations } from "@/api/types";
import { useJob } from "@/stores/job";
import { useSelection } from "@/stores/selection";

export type NewLayer = Operations["add_layer"];
/** what a painter makes a layer of */
export type NewContent = Exclude<NewLayer["content"], { kind: "same" | "guide" | "merged" | "seam_blend" }>;
export type ArtPage = "layers" | "add" | "editions";

/** The pages of the art stage; what is added is picked among the layers, to be placed and changed. */
export const useAdding = defineStore("adding", () => {
  const jobs = useJob();
  const selection = useSelection();
  const page = ref<ArtPage>("layers");

  /** Picks the layer that comes, by whatever is done. */
  async function added(done: Promise<boolean>): Promise<boolean> {
    selection.layer = null; // what is typed now is not meant for the one before
    if (!(await done)) return false;
    selection.layer = jobs.layers.at(-1)?.id ?? null;
    page.value = "layers";
    return true;
  }

  const add = (layer: NewLayer) => added(jobs.operate("add_layer", layer));

  return { page, added, add };
});
