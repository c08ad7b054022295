import { defineStore } from "pinia";
import { ref, shallowRef } from "vue";
import { api } from "@/api/client";
import type { PaintedOn, Picture } from "@/api/types";
import { useAdding } from "@/stages/art/adding";
import { useQuestions } from "@/composables/useAnswer";
import { useJob } from "@/stores/job";
import { useSelection } from "@/stores/selection";

/** Painted sheets that come back: which template each was painted over is found out, or else asked. */
export const useReturning = defineStore("returning", () => {
  const jobs = useJob();
  const selection = useSelection();
  const adding = useAdding();
  const ask = useQuestions(() => jobs.job?.id);
  const busy = ref(false);
  /** a picture of which it can't be told, and what it may have been painted over */
  const unsure = shallowRef<{ picture: Picture; found: PaintedOn } | null>(null);
  /** what came back last, and how sure that was */
  const last = shallowRef<{ picture: Picture; found: PaintedOn } | null>(null);

  async function bring(file: File) {
    busy.value = true;
    const [picture] = await jobs.bringPictures(file);
    if (picture) await takeBack(picture);
    busy.value = false;
  }

  async function takeBack(picture: Picture) {
    unsure.value = last.value = null;
    const found = await ask((id, revision) => api.paintedOn(id, revision, picture.digest));
    if (!found) return;
    if (found.code === null) unsure.value = { picture, found };
    else if (await land(picture, found.code)) last.value = { picture, found };
  }

  /** Says which it was painted over; it is stretched where it has other proportions. */
  async function choose(template: PaintedOn["templates"][number]) {
    const asked = unsure.value;
    if (asked && (await land(asked.picture, template.code, !template.fits))) unsure.value = null;
  }

  async function land(picture: Picture, layout: string, stretched = false): Promise<boolean> {
    return adding.added(jobs.operate("bring_back", { picture: picture.digest, layout, stretched }));
  }

  /** Fills the guide's lines that were left in from beside. */
  async function takeLinesOut() {
    const { id, place } = jobs.layers.find((layer) => layer.id === selection.layer) ?? {};
    const guide_px = last.value?.found.guide_px;
    if (!id || place?.kind !== "model" || !guide_px) return;
    if (await jobs.operate("change_layer", { id, place: { guide_px } })) last.value = null;
  }

  return { busy, unsure, last, bring, takeBack, choose, takeLinesOut };
});
