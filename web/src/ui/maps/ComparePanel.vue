<script setup lang="ts">
/** Kept layouts: under a name, looked at beside the present one, gone back to or removed. */
import { BButton, BForm, BFormInput, BListGroup, BListGroupItem } from "bootstrap-vue-next";
import { ref } from "vue";
import { api } from "@/api/client";
import { useCutting } from "@/stages/cut/cutting";
import { useJob } from "@/stores/job";
import FileButton from "@/ui/FileButton.vue";
import CompareDialog from "./CompareDialog.vue";

const jobs = useJob();
const cutting = useCutting();
const name = ref("");
/** A layout file goes as it is; the server says what is wrong with it. */
const load = async ([file]: File[]) => cutting.run("load_layout", { file: await file!.text() });

const compared = ref<number | null>(null);

async function keep() {
  if (await cutting.run("keep_map", { name: name.value.trim() || `Map ${jobs.job!.kept_maps.length + 1}` }))
    name.value = "";
}
</script>

<template>
  <section aria-label="Kept layouts">
    <p class="form-text mt-2">Keep the layout as it is now, try another, and see both side by side.</p>
    <BForm class="d-flex gap-2" @submit.prevent="keep">
      <BFormInput
        v-model="name"
        aria-label="Name of the layout"
        :placeholder="`Map ${jobs.job!.kept_maps.length + 1}`"
        maxlength="80"
      />
      <BButton variant="secondary" class="text-nowrap" type="submit">Keep this layout</BButton>
    </BForm>
    <p v-if="jobs.job!.kept_maps.length === 0" class="form-text mt-3">No layout is kept yet.</p>
    <BListGroup v-else tag="ul" class="mt-3" flush>
      <BListGroupItem v-for="(kept, index) in jobs.job!.kept_maps" :key="index" tag="li" class="d-flex gap-2 px-0">
        <span class="flex-fill text-truncate">{{ kept }}</span>
        <BButton variant="link" size="sm" @click="compared = index">Compare</BButton>
        <BButton variant="link" size="sm" :disabled="cutting.working" @click="cutting.run('take_kept_map', { index })">
          Go back
        </BButton>
        <BButton variant="link" size="sm" @click="cutting.run('drop_kept_map', { index })">Remove</BButton>
      </BListGroupItem>
    </BListGroup>
    <div class="row-of mt-3">
      <BButton
        variant="secondary"
        :href="api.urls.layout(jobs.job!.id, jobs.job!.revision)"
        download
        title="Islands and their places by themselves, without model and art"
        >Save layout</BButton
      >
      <FileButton accept=".json" label="Load a layout file" @files="load">Load layout…</FileButton>
    </div>
    <CompareDialog v-model="compared" />
  </section>
</template>
