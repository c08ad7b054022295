import { watchDebounced } from "@vueuse/core";
import { defineStore } from "pinia";
import { computed } from "vue";
import { api } from "@/api/client";
import type { Preflight } from "@/api/types";
import { useAnswer } from "@/composables/useAnswer";
import { useJob } from "./job";

/**
 * The preflight report of the job on the screen. It follows every change once the hand rests; until then the former one
 * is shown.
 */
export const usePreflight = defineStore("preflight", () => {
  const jobs = useJob();
  const { value: report, ask } = useAnswer<Preflight & { revision: number }>({ goodFor: () => jobs.job?.id });

  watchDebounced(
    () => jobs.job && `${jobs.job.id} ${jobs.job.revision}`,
    (now) => now && ask(async (id, revision) => ({ ...(await api.preflight(id, revision)), revision })),
    { debounce: 250, immediate: true },
  );

  const findings = computed(() => report.value?.findings ?? []);
  const checking = computed(() => report.value === null || report.value.revision !== jobs.job?.revision);
  const serious = computed(() => findings.value.filter((finding) => finding.severity !== "hint"));

  return { report, findings, serious, checking };
});
