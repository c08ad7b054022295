import { useStorage } from "@vueuse/core";
import { defineStore } from "pinia";
import { computed } from "vue";
import type { OperationName } from "@/api/types";
import { useJob } from "./job";

interface FirstStep {
  what: string;
  how: string;
  /** the stage, and the page of it, where it is done */
  stage: string;
  page?: string;
  /** what ticks it: a change of the job, or a file that is taken away */
  by: OperationName | "trace" | "delivery";
}

/** From a bare box to its files: what somebody does who is here for the first time. */
export const FIRST_STEPS: FirstStep[] = [
  {
    what: "Lay the caddy flat",
    how: "Press the strong button: the box becomes one net in true shape.",
    stage: "cut",
    page: "flat",
    by: "lay_flat",
  },
  {
    what: "Pack the sheet",
    how: "Press Pack, look at the attempts, and take one.",
    stage: "layout",
    page: "pack",
    by: "pack",
  },
  {
    what: "Give it some colour",
    how: "Pick the island, choose Fill and a colour: the model wears it at once.",
    stage: "art",
    by: "add_layer",
  },
  {
    what: "Take the template",
    how: "Export the trace, to paint over it in any program.",
    stage: "trace",
    by: "trace",
  },
  {
    what: "Deliver",
    how: "One zip: the texture, and the model that wears it.",
    stage: "deliver",
    by: "delivery",
  },
];

/** The path through a first job, and how far it was gone, kept in the browser. */
export const useFirstSteps = defineStore("firstSteps", () => {
  const jobs = useJob();
  /** the job that the path goes through; "": none */
  const job = useStorage("sheet-trace-first-job", "");
  const ticked = useStorage<FirstStep["by"][]>("sheet-trace-first-steps", []);

  const shown = computed(() => job.value !== "" && jobs.job?.id === job.value);
  const next = computed(() => FIRST_STEPS.find(({ by }) => !ticked.value.includes(by)) ?? null);

  function begin(id: string) {
    job.value = id;
    ticked.value = [];
  }

  function tick(by: FirstStep["by"]) {
    if (shown.value && !ticked.value.includes(by)) ticked.value = [...ticked.value, by];
  }

  function leave() {
    job.value = "";
  }

  jobs.$onAction(({ name, args, after }) => {
    if (name === "operate") after((done) => done && tick(args[0] as OperationName));
  });

  return { shown, ticked, next, begin, tick, leave };
});
