<script setup lang="ts">
/** A mask that is delivered beside the texture, as for varnish or foil. */
import { BButton, BFormCheckbox } from "bootstrap-vue-next";
import { computed } from "vue";
import { api } from "@/api/client";
import type { Operations } from "@/api/types";
import { useJob } from "@/stores/job";
import { useSelection } from "@/stores/selection";
import ChoiceBar from "@/ui/ChoiceBar.vue";
import FoldSection from "@/ui/FoldSection.vue";
import ReadOffFields from "./ReadOffFields.vue";

const FROM = { paint: "Paint", lightness: "What is light", color: "One colour" } as const;
const jobs = useJob();
const selection = useSelection();
const mask = computed(() => jobs.job!.artwork.mask);
const set = (changes: Operations["set_mask"]) => jobs.operate("set_mask", changes);
const picture = computed(() => api.urls.mask(jobs.job!.id, jobs.job!.revision));
const picked = computed(() => jobs.layers.find(({ id }) => id === selection.layer) ?? null);
const of = computed(() => {
  const own = mask.value?.layers;
  if (!own) return "all layers";
  const names = own.map((id) => jobs.layers.find((layer) => layer.id === id)?.name).filter(Boolean);
  return names.length > 0 ? names.join(", ") : "layers that are gone";
});
function toggle() {
  const own = mask.value?.layers ?? [];
  const { id } = picked.value!;
  const layers = own.includes(id) ? own.filter((other) => other !== id) : [...own, id];
  void set(layers.length > 0 ? { layers } : { all_layers: true });
}
</script>

<template>
  <FoldSection title="Mask" :folded="!mask">
    <template v-if="mask">
      <img class="mask w-100 border rounded mb-2" :src="picture" alt="Mask: white is where it lets through" />
      <ChoiceBar
        label="White is"
        :model-value="mask.from"
        :choices="FROM"
        @update:model-value="set({ from: $event })"
      />
      <p class="form-text my-1">Of {{ of }}.</p>
      <BButton v-if="picked" variant="secondary" size="sm" class="btn-wide" @click="toggle">{{
        mask.layers?.includes(picked.id)
          ? `Without ${picked.name}`
          : `Of ${picked.name}${mask.layers ? " too" : " alone"}`
      }}</BButton>
      <BButton v-if="mask.layers" variant="link" size="sm" class="p-0" @click="set({ all_layers: true })"
        >Of all layers</BButton
      >
      <div class="fields mt-2">
        <ReadOffFields
          :value="mask"
          color-label="Colour of the mask"
          low="Black at"
          high="White at"
          @change="set($event)"
        />
      </div>
      <BFormCheckbox :model-value="mask.inverted" @update:model-value="set({ inverted: Boolean($event) })"
        >Black and white exchanged</BFormCheckbox
      >
      <p class="form-text">Delivered beside the texture, for each edition.</p>
      <BButton variant="link" size="sm" class="p-0" @click="set({ none: true })">Take the mask away</BButton>
    </template>
    <template v-else>
      <p class="form-text">Black and white, of some layers or of one colour: for varnish, foil, or what shines.</p>
      <BButton variant="secondary" class="btn-wide" @click="set(picked ? { layers: [picked.id] } : {})">{{
        picked ? `Make a mask of ${picked.name}` : "Make a mask of the art"
      }}</BButton>
    </template>
  </FoldSection>
</template>

<style scoped>
.mask {
  max-height: 150px;
  object-fit: contain;
  background: #000;
}
</style>
