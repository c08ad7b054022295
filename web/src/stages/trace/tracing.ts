import { defineStore } from "pinia";
import { computed, ref, watch } from "vue";
import { api } from "@/api/client";
import { LIMITS } from "@/api/operations";
import type { TraceSettings } from "@/api/types";
import { useJob } from "@/stores/job";
import { useSelection } from "@/stores/selection";
import { within } from "@/ui/sums";
import { useTemplate } from "./template";

/** px of a side that the sheet shows the template with at the most */
const SHOWN_PX = 2048;

/** The template that is set up: its size, which islands, and what comes of it. */
export const useTracing = defineStore("tracing", () => {
  const jobs = useJob();
  const selection = useSelection();
  const template = useTemplate();
  const page = ref<"size" | "lines" | "marks" | "back">("size");
  const size = ref({ width_px: 1024, height_px: 1024 });
  const by = ref<"px" | "document">("px");
  const dpi = ref(300);
  const onlyPicked = ref(false);
  watch(
    () => jobs.job?.sheet,
    (sheet) => sheet && (size.value = { ...sheet }),
    { immediate: true },
  );

  const options = computed(() => template.value.options);
  const file = computed(() => template.value.file);
  const settings = computed<TraceSettings>(() => ({
    ...size.value,
    ...options.value,
    ground: file.value.ground,
    crop: file.value.crop,
    paper: file.value.paper,
    hairlines: file.value.hairlines,
    dpi: by.value === "document" ? dpi.value : null,
    islands: onlyPicked.value ? [...selection.islands] : null,
  }));
  const nothing = computed(() => onlyPicked.value && selection.islands.length === 0);
  const wrong = computed(() => {
    for (const [side, px] of [
      ["width", size.value.width_px],
      ["height", size.value.height_px],
    ] as const) {
      if (!within(px, LIMITS.side_px)) return `The ${side} is ${px} px; give ${LIMITS.side_px.join(" to ")}.`;
    }
    const line = options.value.line_px ?? 1;
    return within(line, LIMITS.line_px) ? "" : `The line is ${line} px wide; give ${LIMITS.line_px.join(" to ")}.`;
  });
  /** share of the template's own size that the sheet shows it at */
  const share = computed(() => Math.min(1, SHOWN_PX / Math.max(size.value.width_px, size.value.height_px)));
  /** Shown on the sheet as it will be; a large one smaller, its lines with it. */
  const preview = computed(() => {
    if (wrong.value || nothing.value || !jobs.job) return null;
    const [width_px, height_px] = [size.value.width_px, size.value.height_px].map((px) =>
      Math.max(Math.round(px * share.value), 1),
    );
    const thinner = (px: number | null | undefined) => px && Math.max(px * share.value, 1);
    const { line_px, seam_px, inner_px } = options.value;
    const lines = { line_px: thinner(line_px) ?? 1, seam_px: thinner(seam_px), inner_px: thinner(inner_px) };
    const whole = { ...settings.value, ...lines, width_px: width_px!, height_px: height_px!, crop: false };
    return api.urls.trace(jobs.job.id, jobs.job.revision, "png", whole, true);
  });
  const url = computed(() =>
    api.urls.trace(jobs.job!.id, jobs.job!.revision, file.value.format ?? "png", settings.value),
  );

  return { page, size, by, dpi, onlyPicked, options, file, nothing, wrong, share, preview, url };
});
