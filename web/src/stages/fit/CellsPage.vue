<script setup lang="ts">
/** Cells of the picture: found, typed as a grid, drawn; and what goes into the picked one. */
import { BButton } from "bootstrap-vue-next";
import { ref } from "vue";
import { api } from "@/api/client";
import type { PlainCell } from "@/api/types";
import { useAnswer } from "@/composables/useAnswer";
import { useDrawing } from "@/hand/drawing";
import { useFitting } from "@/stages/fit/fitting";
import { useJob } from "@/stores/job";
import { useMessages } from "@/stores/messages";
import FileButton from "@/ui/FileButton.vue";
import NumberField from "@/ui/NumberField.vue";
import CellList from "./CellList.vue";
import IntoCell from "./IntoCell.vue";
import PalettePanel from "./PalettePanel.vue";

const jobs = useJob();
const fitting = useFitting();
const drawing = useDrawing();
const messages = useMessages();
const grid = ref({ columns: 4, rows: 4, gutter_px: 0, margin_px: 0 });
const LABELS = { columns: "Columns", rows: "Rows", gutter_px: "Gutter", margin_px: "Margin" };
const { asking: looking, ask, forget } = useAnswer<PlainCell[]>();

const set = (cells: PlainCell[]) =>
  jobs.operate("set_cells", { index: fitting.fit_setup.shown!, cells: cells.map(plain) });
const plain = ({ name, x, y, width, height, outline, color, flat, shade }: PlainCell) => ({
  name,
  x,
  y,
  width,
  height,
  outline: outline ?? null,
  color: color ?? null,
  flat: flat ?? false,
  shade: shade ?? null,
});

async function find(typed: object = {}) {
  const cells = await ask((id, revision, followed) =>
    api.findCells(id, revision, fitting.fit_setup.shown!, typed, followed),
  );
  if (cells?.length === 0) messages.fail("No cells were found in this picture; type a grid, or draw them");
  else if (cells) await set(cells);
}

const draw = () =>
  drawing.box("a cell", ({ left, top, right, bottom }) =>
    jobs.operate("draw_cell", {
      index: fitting.fit_setup.shown!,
      corners_px: [
        [left, top],
        [right, bottom],
      ],
    }),
  );

/** A file of cells that was saved here, or that the command line printed. */
async function load([file]: File[]) {
  try {
    const saved = JSON.parse(await file!.text()) as { cells?: PlainCell[] };
    if (!Array.isArray(saved.cells)) throw new Error("no cells");
    await set(saved.cells);
  } catch {
    messages.fail(`${file!.name} is no file of cells; save one here, or with bin/sheet-trace cells IMAGE --json`);
  }
}
</script>

<template>
  <section aria-label="Cells">
    <div class="row-of mt-0">
      <BButton v-if="looking" variant="primary" @click="forget()">Stop looking</BButton>
      <BButton
        v-else
        :variant="fitting.cells.length === 0 ? 'primary' : 'secondary'"
        :disabled="fitting.underlay?.locked"
        @click="find()"
      >
        {{ fitting.cells.length === 0 ? "Find cells" : "Find anew" }}
      </BButton>
      <BButton variant="secondary" :disabled="fitting.underlay?.locked" @click="draw">Draw one</BButton>
    </div>
    <details class="mt-2">
      <summary class="small">A regular grid, a file</summary>
      <div class="four my-2 small">
        <label v-for="(text, name) in LABELS" :key="name"
          ><span>{{ text }}</span
          ><NumberField :label="text" hide-label :value="grid[name]" :decimals="0" @change="grid[name] = $event"
        /></label>
      </div>
      <BButton variant="secondary" class="btn-wide" @click="find(grid)">Divide the picture</BButton>
      <div class="row-of">
        <BButton
          variant="secondary"
          :href="api.urls.cells(jobs.job!.id, jobs.job!.revision, fitting.fit_setup.shown!)"
          download
          >Save cells</BButton
        >
        <FileButton accept=".json" label="Load a file of cells" @files="load">Load cells…</FileButton>
      </div>
    </details>
    <CellList v-if="fitting.cells.length > 0" @set="set" />
    <IntoCell v-if="fitting.cells.length > 0" />
    <PalettePanel v-if="fitting.cells.some((cell) => cell.flat)" />
  </section>
</template>
