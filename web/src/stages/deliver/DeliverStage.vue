<script setup lang="ts">
/** What leaves: textures and models, print in true size, and the job as a recipe. */
import { ref } from "vue";
import { useStageLook } from "@/composables/useStageLook";
import { useJob } from "@/stores/job";
import PageTabs from "@/ui/PageTabs.vue";
import FilesPanel from "./FilesPanel.vue";
import PrintPanel from "./PrintPanel.vue";
import RecipePanel from "./RecipePanel.vue";

useStageLook(() => "art");
const PAGES = {
  files: { title: "Files", panel: FilesPanel },
  print: { title: "Print", panel: PrintPanel },
  recipe: { title: "Recipe", panel: RecipePanel },
};
const jobs = useJob();
const page = ref<keyof typeof PAGES>("files");
</script>

<template>
  <template v-if="jobs.job">
    <h2>Deliver</h2>
    <PageTabs v-model="page" label="Delivery" :pages="PAGES" />
  </template>
</template>
