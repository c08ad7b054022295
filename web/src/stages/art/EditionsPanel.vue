<script setup lang="ts">
/** The editions: which is shown, new ones, and what each replaces as a table. */
import { PhCopy, PhTrash } from "@/ui/icons";
import { BButton, BForm, BFormInput, BFormRadio, BListGroup, BListGroupItem } from "bootstrap-vue-next";
import { computed, ref } from "vue";
import { api } from "@/api/client";
import { useJob } from "@/stores/job";
import FileButton from "@/ui/FileButton.vue";
import RenameField from "@/ui/RenameField.vue";
import EditionsBeside from "./EditionsBeside.vue";
import EditionTable from "./EditionTable.vue";

const jobs = useJob();
const name = ref("");
const open = ref(false);
const beside = ref(false);
const artwork = computed(() => jobs.job!.artwork);
const replaced = (edition: number) => artwork.value.cells[edition]!.filter((cell) => cell !== null).length;
const change = (edition: number) => (replaced(edition) === 0 ? "as the layers are" : `${replaced(edition)} replaced`);

async function add() {
  const given = name.value.trim() || `Edition ${artwork.value.editions.length + 1}`;
  if (await jobs.operate("add_edition", { name: given })) name.value = "";
}
const copy = (edition: number) =>
  jobs.operate("add_edition", { name: `${artwork.value.editions[edition]} 2`, like: edition });
const load = async ([file]: File[]) => file && jobs.operate("fill_editions", { table: await file.text() });
</script>

<template>
  <section aria-label="Editions">
    <p class="form-text">Flavours or teams of one artwork. They share the layers; each replaces what differs.</p>
    <BListGroup tag="ul" class="editions" flush>
      <BListGroupItem
        v-for="(edition, index) in artwork.editions"
        :key="edition"
        tag="li"
        class="d-flex align-items-center gap-1 px-0 py-1"
      >
        <BFormRadio
          name="edition"
          :model-value="artwork.shown"
          :value="index"
          :aria-label="`Show ${edition}`"
          @update:model-value="jobs.operate('show_edition', { edition: index })"
        />
        <span class="flex-fill name">
          <RenameField
            :name="edition"
            :label="`Name of the edition ${edition}`"
            @rename="jobs.operate('rename_edition', { edition: index, name: $event })"
          />
          <small class="d-block text-body-secondary px-2">{{ change(index) }}</small>
        </span>
        <BButton variant="light" title="Copy" :aria-label="`Copy ${edition}`" @click="copy(index)"
          ><PhCopy :size="15"
        /></BButton>
        <BButton
          variant="light"
          title="Remove (undo brings it back)"
          :aria-label="`Remove ${edition}`"
          :disabled="artwork.editions.length === 1"
          @click="jobs.operate('remove_edition', { edition: index })"
          ><PhTrash :size="15"
        /></BButton>
      </BListGroupItem>
    </BListGroup>
    <BForm class="d-flex gap-2 mt-2" @submit.prevent="add">
      <BFormInput
        v-model="name"
        aria-label="Name of a new edition"
        :placeholder="`Edition ${artwork.editions.length + 1}`"
        maxlength="80"
      />
      <BButton variant="secondary" class="text-nowrap" type="submit">Add edition</BButton>
    </BForm>
    <BButton variant="primary" class="btn-wide" :disabled="jobs.layers.length === 0" @click="open = true"
      >Fill the editions as a table</BButton
    >
    <div class="row-of mt-2">
      <FileButton accept=".csv,.tsv,text/csv" label="Load a table" @files="load">Load CSV…</FileButton>
      <BButton variant="secondary" :href="api.urls.editions(jobs.job!.id, jobs.job!.revision)" download
        >Save CSV</BButton
      >
    </div>
    <BButton
      v-if="artwork.editions.length > 1"
      variant="secondary"
      class="btn-wide mt-2"
      :disabled="jobs.layers.length === 0"
      @click="beside = true"
      >See them side by side</BButton
    >
    <EditionTable v-model="open" />
    <EditionsBeside v-model="beside" />
  </section>
</template>

<style scoped>
.name {
  min-width: 0;
}
</style>
