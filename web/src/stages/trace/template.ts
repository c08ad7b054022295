import { useStorage } from "@vueuse/core";
import type { TemplateFile, TemplateOptions } from "@/api/types";

interface Template {
  options: TemplateOptions & { marks: NonNullable<TemplateOptions["marks"]> };
  file: TemplateFile;
}

const USUAL: Template = {
  options: {
    line_px: 1,
    color: "#1f2a36",
    edges: "all",
    background: "white",
    fill: "none",
    marks: ["names", "arrows"],
    diagonals: true,
    hard: false,
  },
  file: { format: "png", ground: "none", crop: false, hairlines: false },
};

/** How the painter likes templates, kept in the browser for all jobs. */
export const useTemplate = () =>
  useStorage<Template>("sheet-trace-template", structuredClone(USUAL), undefined, {
    mergeDefaults: ({ options, file }, usual) => ({
      options: { ...usual.options, ...options },
      file: { ...usual.file, ...file },
    }),
  });
