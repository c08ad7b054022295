<script setup lang="ts">
/** The rule that islands are read by, and an order of one's own, dragged or moved by the arrow keys. */
import { BButton, BFormSelect } from "bootstrap-vue-next";
import { computed, nextTick, ref, useTemplateRef } from "vue";
import { FIRST_RULES } from "@/stages/layout/reading";
import { useJob } from "@/stores/job";
import { usePreview } from "@/stores/preview";
import { useSelection } from "@/stores/selection";

const jobs = useJob();
const previews = usePreview();
const selection = useSelection();
const rule = ref<keyof typeof FIRST_RULES>("side");
/** islands that stand before all others, in this order */
const order = ref<number[]>([]);
const list = useTemplateRef<HTMLElement>("list");
const dragged = ref<number | null>(null);

const named = computed(() => order.value.filter((index) => jobs.islands[index]));
const show = () =>
  previews.show("arrange_islands", {
    rule: "reading",
    first: rule.value,
    order: order.value.length ? order.value : null,
  });
const add = () => (order.value = [...new Set([...order.value, ...selection.islands])]);

/** Brings an island to another's place in the list. */
function put(island: number, at: number) {
  const others = order.value.filter((index) => index !== island);
  order.value = [...others.slice(0, at), island, ...others.slice(at)];
}

async function step(island: number, by: number) {
  const at = order.value.indexOf(island) + by;
  if (at < 0 || at >= order.value.length) return;
  put(island, at);
  await nextTick();
  list.value?.querySelectorAll("li")[at]?.focus();
}
</script>

<template>
  <div class="fields">
    <label for="reading-rule">First by</label>
    <BFormSelect
      id="reading-rule"
      v-model="rule"
      class="wide"
      :options="Object.entries(FIRST_RULES).map(([value, text]) => ({ value, text }))"
    />
  </div>
  <ol v-if="named.length > 0" ref="list" class="order mt-2 mb-0" aria-label="Order of its own">
    <li
      v-for="(island, at) in named"
      :key="island"
      class="border rounded px-2"
      tabindex="0"
      draggable="true"
      title="Drag, or the arrow keys"
      @dragstart="dragged = island"
      @dragover.prevent
      @drop.prevent="dragged !== null && put(dragged, at)"
      @keydown.up.prevent.stop="step(island, -1)"
      @keydown.down.prevent.stop="step(island, 1)"
    >
      <span class="text-truncate">{{ at + 1 }}. {{ jobs.islands[island]!.name }}</span>
      <BButton
        variant="link"
        size="sm"
        :aria-label="`Remove ${jobs.islands[island]!.name}`"
        @click="order = order.filter((index) => index !== island)"
        >Let go</BButton
      >
    </li>
  </ol>
  <div class="row-of">
    <BButton variant="secondary" :disabled="previews.looking" @click="show">Reading order</BButton>
    <BButton
      variant="secondary"
      title="They stand before all others, in the order in which they were picked"
      :disabled="selection.islands.length === 0"
      @click="add"
      >Picked first</BButton
    >
  </div>
</template>

<style scoped>
.order {
  padding: 0;
  list-style: none;
}
.order li {
  display: flex;
  align-items: center;
  justify-content: space-between;
  margin-bottom: 2px;
  cursor: grab;
}
</style>
