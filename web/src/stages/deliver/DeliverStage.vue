<script setup lang="ts">
import { BButton } from "bootstrap-vue-next";
import { computed, reactive, watch } from "vue";
import { api } from "@/api/client";
import { LIMITS } from "@/api/operations";
import { useStageLook } from "@/composables/useStageLook";
import { useFirstSteps } from "@/stores/firstSteps";
import { useJob } from "@/stores/job";
import SizeFields from "@/ui/SizeFields.vue";
import { within } from "@/ui/sums";
import NoteBox from "@/ui/NoteBox.vue";

useStageLook(() => "art");
const jobs = useJob();
const firstSteps = useFirstSteps();
const size = reactive({ width_px: jobs.job!.sheet.width_px, height_px: jobs.job!.sheet.height_px });
watch(
  () => jobs.job?.sheet,
  (sheet) => sheet && Object.assign(size, sheet),
);

const wrong = computed(() => [size.width_px, size.height_px].find((px) => !within(px, LIMITS.side_px)));
const shownLayers = computed(() => jobs.layers.filter((layer) => layer.visible).length);
const file = computed(() => api.urls.delivery(jobs.job!.id, jobs.job!.revision, size.width_px, size.height_px));
const underlay = computed(() => {
  const setup = jobs.job!.fit_setup;
  return setup.shown === null ? null : setup.underlays[setup.shown]!;
});
/** it lies over the whole sheet as it came */
const whole = computed(
  () => underlay.value?.recipe.length === 0 && underlay.value.box.every((share, i) => share === (i < 2 ? 0 : 1)),
);
const mirrored = computed(() => jobs.islands.filter((island) => island.mirrored).map((island) => island.name));
</script>

<template>
  <template v-if="jobs.job">
    <h2>Deliver</h2>
    <p>
      One zip with the textured model. All files have the same base name, so that the receiving program finds the
      texture by itself.
    </p>
    <SizeFields
      :width="size.width_px"
      :height="size.height_px"
      @change="(w, h) => Object.assign(size, { width_px: w, height_px: h })"
    />
    <h3>In the zip</h3>
    <dl class="facts">
      <dt class="num">.png</dt>
      <dd>{{ shownLayers }} of {{ jobs.layers.length }} layers, {{ jobs.job.artwork.bleed_px }} px bleed</dd>
      <dt class="num">.obj</dt>
      <dd>{{ jobs.job.counts.faces }} faces with the UVs of this layout</dd>
      <dt class="num">.mtl</dt>
      <dd>
        {{ jobs.job.counts.materials }} {{ jobs.job.counts.materials === 1 ? "material" : "materials" }} with the PNG as
        texture
      </dd>
    </dl>
    <NoteBox v-if="wrong !== undefined" role="alert">
      A side of {{ wrong }} px can't be written; give {{ LIMITS.side_px.join(" to ") }}.
    </NoteBox>
    <NoteBox v-if="shownLayers === 0 && underlay">
      {{ underlay.name }} is laid under to fit to, and is no art: the texture will be empty.
      <BButton
        v-if="whole"
        variant="secondary"
        size="sm"
        class="d-block mt-2"
        @click="jobs.operate('add_layer', { content: { kind: 'picture', picture: underlay.picture } })"
        >Use as art</BButton
      >
      <template v-else>Bring it in as a picture on Art, and lay it over the sheet.</template>
    </NoteBox>
    <NoteBox v-else-if="shownLayers === 0">No layer is visible: the texture will be empty.</NoteBox>
    <NoteBox v-if="mirrored.length > 0">
      {{ mirrored.join(", ") }} {{ mirrored.length === 1 ? "reads" : "read" }} mirrored.
    </NoteBox>
    <BButton
      variant="primary"
      class="btn-wide"
      :href="file"
      download
      :disabled="wrong !== undefined"
      @click="firstSteps.tick('delivery')"
      >Deliver the zip</BButton
    >
    <h3>Once more, without the screen</h3>
    <p>
      All that was done here as one file with the model and the pictures: <code>bin/sheet-trace run</code> makes the
      same files from it, also of a revised model.
    </p>
    <BButton variant="outline-secondary" class="btn-wide" :href="api.urls.recipe(jobs.job.id)" download
      >Save as a recipe</BButton
    >
  </template>
</template>
