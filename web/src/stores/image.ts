import { defineStore } from "pinia";
import { computed, ref, shallowRef, watch } from "vue";
import { api } from "@/api/client";
import { useJob } from "./job";
import { useMessages } from "./messages";
import { useSettings } from "./settings";

/** The image on the sheet and on the model: the composed art, or the test chart. */
export const useSheetImage = defineStore("sheet-image", () => {
  const jobs = useJob();
  const settings = useSettings();
  const messages = useMessages();
  const image = shallowRef<HTMLImageElement | null>(null);
  /** the revision that the image shows */
  const revision = ref<number | null>(null);

  /** what is shown: without an underlay, the art in its place */
  const look = computed(() =>
    settings.look === "underlay" && jobs.job?.fit_setup.shown === null ? "art" : settings.look,
  );
  const address = computed(() => {
    const job = jobs.job;
    if (!job) return null;
    return api.urls.look(job.id, job.revision, look.value);
  });

  watch(
    address,
    async (url) => {
      if (!url) {
        image.value = revision.value = null;
        return;
      }
      const next = new Image();
      const shown = jobs.job!.revision;
      next.src = url;
      try {
        await next.decode();
        if (address.value === url) {
          image.value = next;
          revision.value = shown;
        }
      } catch {
        if (address.value === url)
          messages.fail("The sheet could not be drawn; undo the last change or reload the page.");
      }
    },
    { immediate: true },
  );

  return { image, revision, look };
});
