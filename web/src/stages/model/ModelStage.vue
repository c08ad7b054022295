<script setup lang="ts">
import { computed } from "vue";
import { useRoute, useRouter } from "vue-router";
import { usePreflight } from "@/stores/preflight";
import ChoiceBar from "@/ui/ChoiceBar.vue";
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
const choices = computed(() => ({
  facts: "Facts",
  parts: "Parts",
  preflight: preflight.findings.length > 0 ? `Preflight ${preflight.findings.length}` : "Preflight",
}));
</script>

<template>
  <h2>Model</h2>
  <ChoiceBar v-model="view" class="mb-2" label="What is shown of the model" :choices="choices" />
  <ModelFacts v-if="view === 'facts'" />
  <PartList v-else-if="view === 'parts'" />
  <PreflightPanel v-else />
</template>
