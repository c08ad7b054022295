<script setup lang="ts">
/** The job as a recipe, to be run without the screen, and whole as one file. */
import { BButton } from "bootstrap-vue-next";
import { api } from "@/api/client";
import { useJob } from "@/stores/job";

const jobs = useJob();
</script>

<template>
  <div v-if="jobs.job">
    <p>
      All that was done here as one file with the model and the pictures: <code>bin/sheet-trace run</code> makes the
      same files from it, also of a revised model.
    </p>
    <BButton variant="primary" class="btn-wide" :href="api.urls.recipe(jobs.job.id)" download>Save as a recipe</BButton>
    <h3>The whole job</h3>
    <p>
      One file with everything: model, layout, pictures, layers and editions. Dropped on the start page it opens again,
      here or on another machine.
    </p>
    <BButton variant="secondary" class="btn-wide" :href="api.urls.archive(jobs.job.id)" download
      >Save the job as a file</BButton
    >
  </div>
</template>
