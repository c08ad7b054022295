<script setup lang="ts">
/** Which islands a layer has paint on, and what hides it. */
import { watchDebounced } from "@vueuse/core";
import { computed, watch } from "vue";
import { api } from "@/api/client";
import type { Layer, LayerReach } from "@/api/types";
import { useAnswer } from "@/composables/useAnswer";
import { useSheetImage } from "@/stores/image";
import { useJob } from "@/stores/job";
import { shown } from "@/ui/sums";
import { useLayerWords } from "./layerWords";

const props = defineProps<{ layer: Layer }>();
const jobs = useJob();
const { some } = useLayerWords();
const images = useSheetImage();
const { value, ask, stop } = useAnswer<LayerReach[]>({ quiet: true });

/** It waits until the hand rests: what is moved is drawn first. */
const REST_MS = 600;
watchDebounced(
  () => [props.layer.id, jobs.job?.revision, images.holding],
  () => images.holding || void ask(async (id, revision, followed) => (await api.reach(id, revision, followed)).layers),
  { immediate: true, debounce: REST_MS },
);
watch(
  () => images.holding,
  (holding) => holding && stop(),
);
const own = computed(() => value.value?.find(({ id }) => id === props.layer.id) ?? null);
const on = computed(() => {
  const islands = own.value?.islands ?? [];
  if (islands.length === 0) return "No island has paint of it";
  return islands.length === jobs.islands.length && islands.length > 1 ? "On all islands" : `On ${some(islands)}`;
});
const hidden = computed(() => {
  if (!own.value || own.value.under.length === 0) return "";
  const names = own.value.under.map((id) => jobs.layers.find((layer) => layer.id === id)?.name ?? "");
  return `; ${shown(100 * own.value.covered, 0)} % of it hidden by ${names.slice(0, 2).join(", ")}${names.length > 2 ? " and others" : ""}`;
});
</script>

<template>
  <p v-if="own" class="form-text w-100 my-1" role="status">{{ on }}{{ hidden }}.</p>
</template>
