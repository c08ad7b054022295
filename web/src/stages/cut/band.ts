import { defineStore } from "pinia";
import { shallowRef } from "vue";
import { api } from "@/api/client";
import type { Band, Triple } from "@/api/types";
import { useAnswer } from "@/composables/useAnswer";

type Given = { axis?: Triple; origin?: Triple };

/** The cylinder or cone that a band is rolled off, shown on the model and corrected by hand. */
export const useBand = defineStore("band", () => {
  const { value: shown, asking: looking, ask, forget } = useAnswer<Band>();
  const faces = shallowRef<number[]>([]);
  /** typed axis and place on it; what is not typed is fitted */
  const typed = shallowRef<Given>({});

  async function look(chosen: number[], given: Given) {
    if ((await ask((id, revision) => api.band(id, revision, chosen, given))) === null) return;
    faces.value = chosen;
    typed.value = given;
  }

  const show = (chosen: number[]) => look(chosen, {});
  const correct = (given: Given) => look(faces.value, { ...typed.value, ...given });

  function leave() {
    forget();
    typed.value = {};
  }

  return { shown, faces, typed, looking, show, correct, leave };
});
