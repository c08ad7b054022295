<script setup lang="ts">
/** Artwork: the layers, what can be added to them, and the editions. */
import { computed, onUnmounted } from "vue";
import { useKeys } from "@/composables/useKeys";
import { useJob } from "@/stores/job";
import PageTabs from "@/ui/PageTabs.vue";
import { useAdding } from "./adding";
import AddPanel from "./AddPanel.vue";
import EditionsPanel from "./EditionsPanel.vue";
import LayersPanel from "./LayersPanel.vue";
import { usePlacing } from "./placing";

const PAGES = {
  layers: { title: "Layers", panel: LayersPanel },
  add: { title: "Add", panel: AddPanel },
  editions: { title: "Editions", panel: EditionsPanel },
};
const jobs = useJob();
const adding = useAdding();
const placing = usePlacing();

/** what the colour wheel offers first: the palette, then what is in use */
const swatches = computed(() => {
  const { palette, in_use } = jobs.job!.artwork;
  return [...palette, ...in_use.map((color) => ({ color, name: "" }))].filter(
    (swatch, i, all) => all.findIndex(({ color }) => color === swatch.color) === i,
  );
});

adding.page = jobs.layers.length > 0 ? "layers" : "add";
placing.open = true;
onUnmounted(() => {
  placing.leave();
  placing.open = false;
});
useKeys({
  Escape: () => (placing.next ? placing.leave() : false),
  Enter: () => (placing.next?.as === "path" ? void placing.finish() : false),
  Backspace: () => (placing.led.length > 0 ? placing.back() : false),
});
</script>

<template>
  <template v-if="jobs.job">
    <h2>Art</h2>
    <datalist id="swatches">
      <option v-for="{ color, name } in swatches" :key="color" :value="color" :label="name"></option>
    </datalist>
    <PageTabs v-model="adding.page" label="Artwork" :pages="PAGES" />
  </template>
</template>
