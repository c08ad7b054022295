<script setup lang="ts">
/** A row an edition, a column for each thing of a layer that some edition replaces. Empty: as the layer is. */
import { BFormInput, BFormSelect, BModal, BTableSimple, BTbody, BTd, BTh, BThead, BTr } from "bootstrap-vue-next";
import { computed, ref } from "vue";
import type { EditionColumn } from "@/api/types";
import { useJob } from "@/stores/job";
import ColorField from "@/ui/ColorField.vue";
import DropZone from "@/ui/DropZone.vue";
import NoteBox from "@/ui/NoteBox.vue";
import { isWholeTable, pastedCells, tableText } from "./editionTable";

const open = defineModel<boolean>({ required: true });
const jobs = useJob();
/** titles of columns that were asked for, and have nothing in them yet */
const asked = ref<string[]>([]);

const artwork = computed(() => jobs.job!.artwork);
const columns = computed(() =>
  artwork.value.columns
    .map((column, at) => ({ ...column, at }))
    .filter(({ title, at }) => asked.value.includes(title) || artwork.value.cells.some((row) => row[at] !== null)),
);
const others = computed(() => [
  { value: null, text: "Add a column" },
  ...artwork.value.columns
    .filter(({ title }) => !columns.value.some((column) => column.title === title))
    .map(({ title }) => ({ value: title, text: title })),
]);
const pictures = computed(() => [
  { value: "", text: "as the layer" },
  ...jobs.job!.pictures.map(({ name }) => ({ value: name, text: name })),
]);
const SHOWN = [
  { value: "", text: "as the layer" },
  { value: "yes", text: "shown" },
  { value: "no", text: "hidden" },
];

const fill = (table: string) => jobs.operate("fill_editions", { table });
const set = (edition: string, column: EditionColumn, value: string) =>
  fill(tableText([column], [{ edition, cells: [value || null] }]));

const bringing = ref(false);
const layerName = ({ layer }: EditionColumn) => jobs.layers.find(({ id }) => id === layer)?.name ?? "";
/** Files of pictures go to editions by what they are called. */
async function fillBy({ layer }: EditionColumn, files: File[]) {
  bringing.value = true;
  const pictures: string[] = [];
  for (const file of files.sort((a, b) => a.name.localeCompare(b.name, undefined, { numeric: true }))) {
    const [picture] = await jobs.bringPictures(file);
    if (picture) pictures.push(picture.digest);
  }
  if (pictures.length > 0) await jobs.operate("fill_column", { id: layer, pictures });
  bringing.value = false;
}

/** A block from a spreadsheet goes in from the cell that has the hand on; a table with headings goes in by them. */
function paste(event: ClipboardEvent, row: number, column: number) {
  const text = event.clipboardData?.getData("text/plain") ?? "";
  const block = pastedCells(text);
  if (isWholeTable(text)) void fill(text);
  else if (block.length > 1 || block[0]!.length > 1) {
    const into = columns.value.slice(column, column + block[0]!.length);
    const rows = block.map((cells, i) => ({
      edition: artwork.value.editions[row + i] ?? `Edition ${row + i + 1}`,
      cells: cells.slice(0, into.length),
    }));
    void fill(tableText(into, rows));
  } else return;
  event.preventDefault();
}
</script>

<template>
  <BModal v-model="open" title="Editions" size="xl" ok-only ok-title="Done" ok-variant="secondary">
    <NoteBox v-if="columns.length === 0" plain>
      Nothing differs yet. Add a column for what does: a picture, words, a colour, whether it shows.
    </NoteBox>
    <div v-else class="overflow-auto">
      <BTableSimple small class="mb-2">
        <BThead>
          <BTr>
            <BTh>edition</BTh>
            <BTh v-for="column in columns" :key="column.title">{{ column.title }}</BTh>
          </BTr>
        </BThead>
        <BTbody>
          <BTr v-for="(edition, row) in artwork.editions" :key="edition">
            <BTh scope="row">{{ edition }}</BTh>
            <BTd v-for="(column, i) in columns" :key="column.title" @paste="paste($event, row, i)">
              <BFormSelect
                v-if="column.member === 'picture' || column.member === 'visible'"
                size="sm"
                :aria-label="`${column.title} of ${edition}`"
                :options="column.member === 'picture' ? pictures : SHOWN"
                :model-value="artwork.cells[row]![column.at] ?? ''"
                @update:model-value="set(edition, column, String($event))"
              />
              <ColorField
                v-else-if="column.member === 'color' && artwork.cells[row]![column.at]"
                :label="`${column.title} of ${edition}`"
                :value="artwork.cells[row]![column.at]!"
                @change="set(edition, column, $event)"
              />
              <BFormInput
                v-else
                size="sm"
                :aria-label="`${column.title} of ${edition}`"
                :placeholder="column.member === 'color' ? '#rrggbb' : 'as the layer'"
                :model-value="artwork.cells[row]![column.at] ?? ''"
                @change="set(edition, column, ($event.target as HTMLInputElement).value.trim())"
              />
            </BTd>
          </BTr>
        </BTbody>
      </BTableSimple>
    </div>
    <BFormSelect
      class="w-auto"
      size="sm"
      aria-label="Add a column"
      :model-value="null"
      :options="others"
      @update:model-value="$event && asked.push(String($event))"
    />
    <DropZone
      v-for="column in columns.filter(({ member }) => member === 'picture')"
      :key="column.layer"
      accept="image/*,.tga,.ora"
      class="mt-2"
      :label="bringing ? 'Reading…' : `Choose pictures for ${layerName(column)}`"
      :busy="bringing"
      multiple
      @files="fillBy(column, $event)"
    >
      <p class="mb-2">Drop a folder of pictures: each goes to the edition whose name its file bears.</p>
    </DropZone>
    <p class="form-text mb-0 mt-2">Cells can be pasted from a spreadsheet; what is left empty is as the layer is.</p>
  </BModal>
</template>
