<script setup lang="ts">
/** Heights read off the art, for a height map and a normal map. */
import { BButton } from "bootstrap-vue-next";
import { computed } from "vue";
import { api } from "@/api/client";
import type { Operations } from "@/api/types";
import { useJob } from "@/stores/job";
import { useSettings } from "@/stores/settings";
import ChoiceBar from "@/ui/ChoiceBar.vue";
import FoldSection from "@/ui/FoldSection.vue";
import NumberField from "@/ui/NumberField.vue";
import ReadOffFields from "./ReadOffFields.vue";

const MOST_STRENGTH = 4;
const jobs = useJob();
const settings = useSettings();
const relief = computed(() => jobs.job!.artwork.relief);
const set = (changes: Operations["set_relief"]) => jobs.operate("set_relief", changes);
const heights = computed(() => api.urls.relief(jobs.job!.id, jobs.job!.revision, "height"));
</script>

<template>
  <FoldSection title="Relief" :folded="!relief">
    <template v-if="relief">
      <img class="heights w-100 border rounded mb-2" :src="heights" alt="Height map: light is high" />
      <ChoiceBar
        label="High is"
        :model-value="relief.from"
        :choices="{ lightness: 'What is light', color: 'One colour' }"
        @update:model-value="set({ from: $event })"
      />
      <div class="fields mt-2">
        <ReadOffFields
          :value="relief"
          color-label="High colour"
          low="Lowest at"
          high="Highest at"
          @change="set($event)"
        />
        <NumberField
          class="wide"
          label="Height"
          :value="relief.height_mm"
          unit="mm"
          :decimals="3"
          @change="set({ height_mm: $event })"
        />
        <NumberField
          class="wide"
          label="Shown"
          :value="100 * settings.relief"
          unit="%"
          :decimals="0"
          @change="settings.relief = Math.min(Math.max($event / 100, 0), MOST_STRENGTH)"
        />
      </div>
      <p class="form-text">The model shows it in Shaded. Delivered as height map and normal map beside the texture.</p>
      <BButton variant="link" size="sm" class="p-0" @click="set({ flat: true })">Take the relief away</BButton>
    </template>
    <template v-else>
      <p class="form-text">Reads heights off the art, for embossed and engraved labels.</p>
      <BButton variant="secondary" class="btn-wide" @click="set({})">Raise the art</BButton>
    </template>
  </FoldSection>
</template>

<style scoped>
.heights {
  max-height: 150px;
  object-fit: contain;
  background: #000;
}
</style>
