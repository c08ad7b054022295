<script setup lang="ts">
/** The file, its units and axes, and what the reader noticed. */
import { BButton, BFormSelect } from "bootstrap-vue-next";
import { computed } from "vue";
import { useJob } from "@/stores/job";
import RevisePanel from "./RevisePanel.vue";
import FoldSection from "@/ui/FoldSection.vue";
import IslandFacts from "@/ui/IslandFacts.vue";
import NumberField from "@/ui/NumberField.vue";
import { shown } from "@/ui/sums";
import NoteBox from "@/ui/NoteBox.vue";

const FORMATS: Record<string, string> = {
  obj: "OBJ",
  gltf: "glTF",
  collada: "COLLADA",
  ply: "PLY",
  solid: "made here",
};

const jobs = useJob();
const size = computed(() => jobs.job!.bounds_mm.max.map((high, axis) => high - jobs.job!.bounds_mm.min[axis]!));
const source = computed(() => jobs.job!.source);
const unitNote = computed(() => {
  if (source.value.unit_mm === null) return "The file says nothing of units.";
  return source.value.unit_mm === jobs.job!.unit_mm
    ? "As the file says."
    : `The file says ${shown(source.value.unit_mm, 6)} mm.`;
});
</script>

<template>
  <template v-if="jobs.job">
    <dl class="facts">
      <dt>File</dt>
      <dd class="text-break">{{ source.name }}, {{ FORMATS[source.format] ?? source.format }}</dd>
      <dt>Width, x</dt>
      <dd class="num">{{ shown(size[0]!) }} mm</dd>
      <dt>Height, y</dt>
      <dd class="num">{{ shown(size[1]!) }} mm</dd>
      <dt>Depth, z</dt>
      <dd class="num">{{ shown(size[2]!) }} mm</dd>
    </dl>
    <div class="fields">
      <NumberField
        class="wide"
        label="One unit is"
        :value="jobs.job.unit_mm"
        unit="mm"
        :decimals="6"
        @change="jobs.operate('set_unit', { unit_mm: $event })"
      />
      <span></span>
      <small class="wide form-text mt-0">{{ unitNote }}</small>
      <template v-if="source.uv_sets.length > 1">
        <label for="uv-set">UV set</label>
        <BFormSelect
          id="uv-set"
          class="wide"
          :model-value="null"
          :options="[
            { value: null, text: 'lay out as in…', disabled: true },
            ...source.uv_sets.map((set) => ({ value: set.index, text: set.name })),
          ]"
          @update:model-value="jobs.operate('choose_uv_set', { set: Number($event) })"
        />
      </template>
      <span>Up is</span>
      <span v-if="source.up_axis" class="wide">{{ source.up_axis }} in the file, y here</span>
      <span v-else class="wide row-of mt-0">
        <BButton variant="secondary" @click="jobs.operate('set_up_axis', { axis: 'x' })">Turn x up</BButton>
        <BButton variant="secondary" @click="jobs.operate('set_up_axis', { axis: 'z' })">Turn z up</BButton>
      </span>
    </div>

    <IslandFacts />

    <template v-if="jobs.job.notes.length > 0">
      <h3>Notes on the file</h3>
      <NoteBox v-for="(note, i) in jobs.job.notes" :key="i">{{ note.message }}</NoteBox>
    </template>

    <FoldSection title="Counts" folded>
      <dl class="facts">
        <dt>Faces</dt>
        <dd class="num">{{ jobs.job.counts.faces }} ({{ jobs.job.counts.triangles }} triangles)</dd>
        <dt>Vertices</dt>
        <dd class="num">{{ jobs.job.counts.vertices }}</dd>
        <dt>Parts</dt>
        <dd class="num">{{ jobs.job.counts.parts }}</dd>
        <dt>Materials</dt>
        <dd class="num">{{ jobs.job.counts.materials }}</dd>
      </dl>
    </FoldSection>
    <RevisePanel />
  </template>
</template>
