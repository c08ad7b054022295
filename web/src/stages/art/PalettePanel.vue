<script setup lang="ts">
/** Colours of the job, from plain text and back. The colour wheel offers them, and those in use. */
import { BButton } from "bootstrap-vue-next";
import { computed } from "vue";
import { api } from "@/api/client";
import { useJob } from "@/stores/job";
import ColorSwatch from "@/ui/ColorSwatch.vue";
import FileButton from "@/ui/FileButton.vue";

const jobs = useJob();
const palette = computed(() => jobs.job!.artwork.palette);
const unnamed = computed(() =>
  jobs.job!.artwork.in_use.filter((color) => !palette.value.some((swatch) => swatch.color === color)),
);
const rgb = (color: string) => [1, 3, 5].map((at) => parseInt(color.slice(at, at + 2), 16) / 255);

const load = async ([file]: File[]) => file && jobs.operate("set_palette", { palette: await file.text() });
const keep = () =>
  jobs.operate("set_palette", {
    palette: [...palette.value.map(({ color, name }) => `${color} ${name}`), ...unnamed.value].join("\n"),
  });
</script>

<template>
  <p v-if="palette.length === 0" class="form-text">A text file with a colour and a name a line: #2f5a45 pine</p>
  <ul v-else class="list-unstyled mb-2" aria-label="Colours of the palette">
    <li v-for="{ color, name } in palette" :key="color + name" class="d-flex align-items-center gap-2">
      <ColorSwatch :color="rgb(color)" />
      <span class="flex-fill text-truncate">{{ name || color }}</span>
      <span class="num text-body-secondary">{{ color }}</span>
    </li>
  </ul>
  <div class="row-of">
    <FileButton accept=".txt,text/plain" label="Load a palette" @files="load">Load…</FileButton>
    <BButton
      variant="secondary"
      :href="api.urls.palette(jobs.job!.id, jobs.job!.revision)"
      download
      :disabled="palette.length === 0"
      >Save</BButton
    >
  </div>
  <BButton v-if="unnamed.length > 0" variant="secondary" class="btn-wide mt-2" @click="keep"
    >Keep the colours in use</BButton
  >
</template>
