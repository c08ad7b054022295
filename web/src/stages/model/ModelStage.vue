<script setup lang="ts">
import { computed } from "vue";
import { useRoute, useRouter } from "vue-router";
import { usePreflight } from "@/stores/preflight";
import PageTabs from "@/ui/PageTabs.vue";
import ModelFacts from "./ModelFacts.vue";
import PartList from "./PartList.vue";
import PreflightPanel from "./PreflightPanel.vue";

type View = "facts" | "parts" | "preflight";

const route = useRoute();
const router = useRouter();
const preflight = usePreflight();
const view = computed<View>({
  get: () => (["parts", "preflight"].includes(String(route.query.view)) ? (route.query.view as View) : "facts"),
  set: (now) => void router.replace({ query: now === "facts" ? {} : { view: now } }),
});
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
