import { watchDebounced } from "@vueuse/core";
import { defineStore } from "pinia";
import { computed, watch } from "vue";
import { api } from "@/api/client";
import type { Preflight } from "@/api/types";
import { useAnswer } from "@/composables/useAnswer";
import { useSheetImage } from "./image";
import { useJob } from "./job";

/**
 * The preflight report of the job on the screen. It follows every change once the hand rests and the sheet is drawn;
 * until then the former one is shown.
 */
export const usePreflight = defineStore("preflight", () => {
  const jobs = useJob();
  const images = useSheetImage();
  const { value: report, ask, stop } = useAnswer<Preflight & { revision: number }>({ goodFor: () => jobs.job?.id });

  const due = () => {
    const at = jobs.job;
    return at && jobs.saved && !images.busy && !images.holding && report.value?.revision !== at.revision
      ? `${at.id} ${at.revision}`
      : null;
  };

  watchDebounced(
    due,
    (now) =>
      now && ask(async (id, revision, followed) => ({ ...(await api.preflight(id, revision, followed)), revision })),
    { debounce: 250, immediate: true },
  );
  // What a change makes out of date, or is about to, is not worked out to its end.
  watch(
    () => jobs.saved && !images.holding,
    (rests) => rests || stop(),
  );

  const findings = computed(() => report.value?.findings ?? []);
  const checking = computed(() => report.value === null || report.value.revision !== jobs.job?.revision);
  const serious = computed(() => findings.value.filter((finding) => finding.severity !== "hint"));

  return { report, findings, serious, checking };
});
