<script setup lang="ts" generic="Page extends string">
/** The pages of a stage: tabs, and below them the one that is open. It stands in the address too. */
import { BTab, BTabs } from "bootstrap-vue-next";
import { computed, type Component } from "vue";
import { usePageAddress } from "@/composables/usePageAddress";

const props = defineProps<{ label: string; pages: Record<Page, { title: string; panel: Component }> }>();
const model = defineModel<Page>({ required: true });
const list = computed(() => (Object.keys(props.pages) as Page[]).map((id) => ({ id, ...props.pages[id] })));

usePageAddress(model, () => Object.keys(props.pages) as Page[]);
</script>

<template>
  <BTabs
    v-model="model"
    class="page-tabs"
    nav-wrapper-class="mb-2"
    nav-class="flex-nowrap"
    :aria-label="label"
    underline
    fill
    no-fade
  >
    <BTab v-for="{ id, title, panel } in list" :id="id" :key="id" :title="title" lazy unmount-lazy>
      <component :is="panel" />
    </BTab>
  </BTabs>
</template>
