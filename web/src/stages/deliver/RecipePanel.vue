<script setup lang="ts">
/** The job as a recipe, to be run without the screen. */
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
  </div>
</template>
