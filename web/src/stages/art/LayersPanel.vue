<script setup lang="ts">
/** The stack of layers, and all that can be said of the picked one. */
import { BButton, BFormSelect } from "bootstrap-vue-next";
import { computed } from "vue";
import { useJob } from "@/stores/job";
import { useSelection } from "@/stores/selection";
import NoteBox from "@/ui/NoteBox.vue";
import NumberField from "@/ui/NumberField.vue";
import { useAdding } from "./adding";
import { fieldsOf } from "./kinds";
import LayerList from "./LayerList.vue";
import MaskPanel from "./MaskPanel.vue";
import ReliefPanel from "./ReliefPanel.vue";
import SeamList from "./SeamList.vue";

const jobs = useJob();
const selection = useSelection();
const adding = useAdding();
const layer = computed(() => jobs.layers.find((layer) => layer.id === selection.layer) ?? null);
/** Reduced copies of the sheet that the bleed is to do for, by their size. */
const COPIES = [
  { value: null, text: "none", disabled: true },
  ...[1, 2, 4, 8, 16, 32].map((copy) => ({
    value: copy,
    text: copy === 1 ? "the sheet itself" : `down to 1 : ${copy}`,
  })),
];
const BLENDING = [
  { value: false, text: "by sRGB values" },
  { value: true, text: "in linear light" },
];
const source = computed(() => jobs.layers.find(({ id }) => id === layer.value?.follows)?.name ?? "");
</script>

<template>
  <section v-if="jobs.job" aria-label="Layers">
    <NoteBox v-if="jobs.layers.length === 0" plain>
      No layers yet.
      <BButton variant="link" class="p-0 align-baseline" @click="adding.page = 'add'"
        >Add a picture, words or a fill</BButton
      >
    </NoteBox>
    <LayerList />
    <BButton
      v-if="!jobs.layers.some(({ content }) => content.kind === 'guide')"
      variant="link"
      size="sm"
      class="p-0 mt-1"
      @click="jobs.operate('add_guide', {})"
      >Lay the trace over it as a guide</BButton
    >
    <template v-if="layer">
      <NoteBox v-if="layer.follows" plain class="mt-2">
        It shows what {{ source }} shows: replaced there, it is replaced here.
        <BButton variant="link" class="p-0 align-baseline" @click="jobs.operate('free_layer', { id: layer.id })"
          >Let it go its own way</BButton
        >
      </NoteBox>
      <component :is="fields" v-for="(fields, i) in fieldsOf(layer)" :key="i" :layer="layer" />
    </template>
    <ReliefPanel v-if="jobs.layers.length > 0" />
    <MaskPanel v-if="jobs.layers.length > 0" />
    <SeamList />
    <h3>Edges and mixing</h3>
    <div class="fields">
      <NumberField
        class="wide"
        label="Bleed"
        :value="jobs.job.artwork.bleed_px"
        unit="px"
        :decimals="0"
        @change="jobs.operate('set_bleed', { bleed_px: $event })"
      />
      <label for="bleed-copies">For copies</label>
      <BFormSelect
        id="bleed-copies"
        class="wide"
        :model-value="jobs.job.artwork.bleed_copy"
        :options="COPIES"
        @update:model-value="jobs.operate('set_bleed', { copy: Number($event) })"
      />
      <label for="blending">Blending</label>
      <BFormSelect
        id="blending"
        class="wide"
        :model-value="jobs.job.artwork.linear"
        :options="BLENDING"
        @update:model-value="jobs.operate('set_blending', { linear: $event === true })"
      />
    </div>
  </section>
</template>
