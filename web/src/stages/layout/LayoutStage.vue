<script setup lang="ts">
/** Laying islands out: by hand and numbers, at true scale, packed, or so that the sheet can be read. */
import { onUnmounted, ref } from "vue";
import { useJob } from "@/stores/job";
import { usePacking } from "@/stages/layout/packing";
import PageTabs from "@/ui/PageTabs.vue";
import OrderPanel from "./OrderPanel.vue";
import PackPanel from "./PackPanel.vue";
import PlacePanel from "./PlacePanel.vue";
import ScalePanel from "./ScalePanel.vue";

const PAGES = {
  place: { title: "Place", panel: PlacePanel },
  scale: { title: "Scale", panel: ScalePanel },
  pack: { title: "Pack", panel: PackPanel },
  order: { title: "Order", panel: OrderPanel },
};
const jobs = useJob();
const packing = usePacking();
const page = ref<keyof typeof PAGES>("place");

onUnmounted(() => packing.forget());
</script>

<template>
  <template v-if="jobs.job">
    <h2>Lay out</h2>
    <PageTabs v-model="page" label="Tools" :pages="PAGES" />
  </template>
</template>
