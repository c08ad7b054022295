import { watchDebounced } from "@vueuse/core";
import { defineStore } from "pinia";
import { computed, shallowRef } from "vue";
import { api } from "@/api/client";
import type { Preflight } from "@/api/types";
import { useJob } from "./job";
import { useMessages } from "./messages";

/** The preflight report of the job on the screen. It follows every change once the hand rests. */
export const usePreflight = defineStore("preflight", () => {
  const jobs = useJob();
  const messages = useMessages();
  const report = shallowRef<(Preflight & { revision: number }) | null>(null);

  watchDebounced(
    () => jobs.job && ([jobs.job.id, jobs.job.revision] as const),
    async (now) => {
      if (!now) {
        report.value = null;
        return;
      }
      try {
        const found = await api.preflight(...now);
        if (jobs.job?.revision === now[1]) report.value = { ...found, revision: now[1] };
      } catch (error) {
        if (jobs.job?.revision === now[1]) messages.fail(error);
      }
    },
    { debounce: 250, immediate: true },
  );

  const findings = computed(() => report.value?.findings ?? []);
  const checking = computed(() => report.value === null || report.value.revision !== jobs.job?.revision);
  const serious = computed(() => findings.value.filter((finding) => finding.severity !== "hint"));

  return { report, findings, serious, checking };
});
