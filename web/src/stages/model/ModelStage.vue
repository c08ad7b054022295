<script setup lang="ts">
import { computed, ref } from "vue";
import { usePreflight } from "@/stores/preflight";
import PageTabs from "@/ui/PageTabs.vue";
import ModelFacts from "./ModelFacts.vue";
import PartList from "./PartList.vue";
import PreflightPanel from "./PreflightPanel.vue";

type View = "facts" | "parts" | "preflight";

const preflight = usePreflight();
const view = ref<View>("facts");
const pages = computed(() => ({
  facts: { title: "Facts", panel: ModelFacts },
  parts: { title: "Parts", panel: PartList },
  preflight: {
    title: preflight.findings.length > 0 ? `Preflight ${preflight.findings.length}` : "Preflight",
    panel: PreflightPanel,
  },
}));
</script>

<template>
  <h2>Model</h2>
  <PageTabs v-model="view" label="What is shown of the model" :pages="pages" />
</template>
