<script setup lang="ts">
/** The job's exchange folder: where it is, and what came of the files in it. */
import { BButton } from "bootstrap-vue-next";
import { useClipboard } from "@vueuse/core";
import { useExchange } from "@/stores/exchange";
import FoldSection from "@/ui/FoldSection.vue";
import NoteBox from "@/ui/NoteBox.vue";

const exchange = useExchange();
const { copy, copied } = useClipboard();
const time = (text: string) => new Date(text).toLocaleTimeString(undefined, { timeStyle: "medium" });
const STATES = { given: "from here", taken: "on the model", broken: "not taken" } as const;
</script>

<template>
  <FoldSection title="Exchange folder" :folded="exchange.folder === null">
    <template v-if="exchange.folder">
      <p class="path num text-break mb-1">{{ exchange.folder }}</p>
      <NoteBox v-if="exchange.gone"
        >The folder is gone.
        <BButton variant="link" class="p-0 align-baseline" @click="exchange.open()">Make it anew</BButton></NoteBox
      >
      <div class="d-flex gap-2 mb-2">
        <BButton variant="secondary" size="sm" @click="copy(exchange.folder)">{{
          copied ? "Copied" : "Copy the path"
        }}</BButton>
        <BButton variant="link" size="sm" @click="exchange.close()">Watch it no more</BButton>
      </div>
      <ul v-if="exchange.files.length > 0" class="list-unstyled mb-1" aria-label="Files of the folder">
        <li v-for="file in exchange.files.slice(0, 8)" :key="file.path" class="mb-1">
          <span class="d-flex gap-2"
            ><b class="text-truncate flex-fill">{{ file.path }}</b
            ><small class="num text-nowrap" :class="{ broken: file.state === 'broken' }">{{
              STATES[file.state]
            }}</small></span
          >
          <small class="d-block" :class="file.state === 'broken' ? 'broken' : 'text-body-secondary'"
            >{{ time(file.came_at) }}: {{ file.message }}</small
          >
        </li>
      </ul>
      <p class="form-text">
        Save in it from any program: pictures show on the model at once, a drawing (SVG) is rendered anew, each layer of
        an OpenRaster file is a layer, and a sub-folder is an edition.
      </p>
    </template>
    <template v-else>
      <p class="form-text">A folder on this machine. What any program saves in it shows on the model at once.</p>
      <BButton variant="secondary" class="btn-wide" @click="exchange.open()">Open an exchange folder</BButton>
    </template>
  </FoldSection>
</template>

<style scoped>
.path {
  font-size: 12px;
}
.broken {
  color: var(--bs-form-invalid-color);
}
</style>
