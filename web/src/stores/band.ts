import { defineStore } from "pinia";
import { ref, shallowRef, watch } from "vue";
import { api } from "@/api/client";
import type { Band, Triple } from "@/api/types";
import { useJob } from "./job";
import { useMessages } from "./messages";

/** The cylinder or cone that a band is rolled off, shown on the model and corrected by hand. */
export const useBand = defineStore("band", () => {
  const jobs = useJob();
  const messages = useMessages();
  const shown = shallowRef<Band | null>(null);
  const faces = shallowRef<number[]>([]);
  /** typed axis and place on it; what is not typed is fitted */
  const typed = shallowRef<{ axis?: Triple; origin?: Triple }>({});
  const looking = ref(false);

  async function ask(chosen: number[], given: { axis?: Triple; origin?: Triple }) {
    const job = jobs.job;
    if (!job) return;
    looking.value = true;
    try {
      const band = await api.band(job.id, job.revision, chosen, given);
      if (jobs.job?.revision !== job.revision) return;
      shown.value = band;
      faces.value = chosen;
      typed.value = given;
    } catch (error) {
      messages.fail(error);
    } finally {
      looking.value = false;
    }
  }

  const show = (chosen: number[]) => ask(chosen, {});
  const correct = (given: { axis?: Triple; origin?: Triple }) => ask(faces.value, { ...typed.value, ...given });

  function leave() {
    shown.value = null;
    typed.value = {};
  }

  watch(() => jobs.job?.revision, leave);

  return { shown, faces, typed, looking, show, correct, leave };
});
