import { defineStore } from "pinia";
import { computed, ref, watch } from "vue";
import { api } from "@/api/client";
import { LIMITS } from "@/api/operations";
import type { TraceSettings } from "@/api/types";
import { useSheetSize } from "@/composables/useSheetSize";
import { useJob } from "@/stores/job";
import { useSelection } from "@/stores/selection";
import { within } from "@/ui/sums";
import { useTemplate } from "./template";

/** px of a side that the sheet shows the template with at the most */
const SHOWN_PX = 2048;
/** and where more is asked for */
const MOST_PX = 4096;

/** The template that is set up: its size, which islands, and what comes of it. */
export const useTracing = defineStore("tracing", () => {
  const jobs = useJob();
  const selection = useSelection();
  const template = useTemplate();
  const page = ref<"size" | "lines" | "marks" | "back">("size");
  const size = ref({ width_px: 1024, height_px: 1024 });
  const by = ref<"px" | "document">("px");
  const dpi = ref(300);
  /** "all", "picked", or a part or a material by its number: "part 2", "material 0" */
  const which = ref("all");
  useSheetSize((own) => (size.value = own));

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
    strip_px: file.value.strip_px,
    ...chosen.value,
  }));
  const chosen = computed(() => {
    const [kind, number] = which.value.split(" ");
    return {
      islands: kind === "picked" ? [...selection.islands] : null,
      parts: kind === "part" ? [Number(number)] : null,
      materials: kind === "material" ? [Number(number)] : null,
    };
  });
  const choices = computed(() => {
    const list = (kind: string, all: { name: string }[]) =>
      all.length > 1 ? all.map(({ name }, i) => ({ value: `${kind} ${i}`, text: `${kind} ${name}` })) : [];
    return [
      { value: "all", text: "all islands" },
      { value: "picked", text: `picked islands (${selection.islands.length})` },
      ...list("part", jobs.job?.parts ?? []),
      ...list("material", jobs.job?.materials ?? []),
    ];
  });
  watch(choices, (now) => {
    if (!now.some(({ value }) => value === which.value)) which.value = "all";
  });
  const nothing = computed(() => which.value === "picked" && selection.islands.length === 0);
  const wrong = computed(() => {
    for (const [side, px] of [
      ["width", size.value.width_px],
      ["height", size.value.height_px],
    ] as const) {
      if (!within(px, LIMITS.template_side_px)) {
        return `The ${side} is ${px} px; give ${LIMITS.template_side_px.join(" to ")}.`;
      }
    }
    const line = options.value.line_px ?? 1;
    return within(line, LIMITS.line_px) ? "" : `The line is ${line} px wide; give ${LIMITS.line_px.join(" to ")}.`;
  });
  /** px of the preview to one of the template: as goes, or as is chosen */
  const ratio = ref<"auto" | "1" | "0.5">("auto");
  /** share of the template's own size that the sheet shows it at */
  const share = computed(() => {
    const longest = Math.max(size.value.width_px, size.value.height_px);
    const wanted = ratio.value === "auto" ? SHOWN_PX / longest : Number(ratio.value);
    return Math.min(1, wanted, MOST_PX / longest);
  });
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

  return { page, size, by, dpi, which, choices, ratio, options, file, nothing, wrong, share, preview, url };
});
