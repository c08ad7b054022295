<script setup lang="ts">
/** Laying islands out: by hand and numbers, at true scale, packed, or so that the sheet can be read. */
import { onUnmounted, ref, type Component } from "vue";
import { useJob } from "@/stores/job";
import { usePacking } from "@/stores/packing";
import ChoiceBar from "@/ui/ChoiceBar.vue";
import OrderPanel from "./OrderPanel.vue";
import PackPanel from "./PackPanel.vue";
import PlacePanel from "./PlacePanel.vue";
import ScalePanel from "./ScalePanel.vue";

const PAGES = { place: PlacePanel, scale: ScalePanel, pack: PackPanel, order: OrderPanel } satisfies Record<
  string,
  Component
>;
const jobs = useJob();
const packing = usePacking();
const page = ref<keyof typeof PAGES>("place");

onUnmounted(() => packing.forget());
</script>

<template>
  <template v-if="jobs.job">
    <h2>Lay out</h2>
    <ChoiceBar
      v-model="page"
      class="w-100 mb-3"
      label="Tools"
      :choices="{ place: 'Place', scale: 'Scale', pack: 'Pack', order: 'Order' }"
    />
    <component :is="PAGES[page]" />
  </template>
</template>
