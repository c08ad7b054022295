<script setup lang="ts">
import { computed } from "vue";
import { useJob } from "@/stores/job";
import IslandFacts from "@/ui/IslandFacts.vue";
import NumberField from "@/ui/NumberField.vue";
import { shown } from "@/ui/sums";

const jobs = useJob();
const size = computed(() => jobs.job!.bounds_mm.max.map((high, axis) => high - jobs.job!.bounds_mm.min[axis]!));
</script>

<template>
  <template v-if="jobs.job">
    <h2>Model</h2>
    <dl class="facts">
      <dt>File</dt>
      <dd class="text-break">{{ jobs.job.source_name }}</dd>
      <dt>Width, x</dt>
      <dd class="num">{{ shown(size[0]!) }} mm</dd>
      <dt>Height, y</dt>
      <dd class="num">{{ shown(size[1]!) }} mm</dd>
      <dt>Depth, z</dt>
      <dd class="num">{{ shown(size[2]!) }} mm</dd>
    </dl>
    <div class="fields">
      <NumberField class="wide" label="One unit is" :value="jobs.job.unit_mm" unit="mm" :decimals="6" @change="jobs.operate('set_unit', { unit_mm: $event })" />
    </div>

    <IslandFacts />

    <template v-if="jobs.job.notes.length > 0">
      <h3>What the reader noticed</h3>
      <p v-for="(note, i) in jobs.job.notes" :key="i" class="note">{{ note.message }}</p>
    </template>

    <h3>What is in it</h3>
    <dl class="facts">
      <dt>Faces</dt>
      <dd class="num">{{ jobs.job.counts.faces }} ({{ jobs.job.counts.triangles }} triangles)</dd>
      <dt>Vertices</dt>
      <dd class="num">{{ jobs.job.counts.vertices }}</dd>
      <dt>Parts</dt>
      <dd class="text-break">{{ jobs.job.parts.join(", ") }}</dd>
      <dt>Materials</dt>
      <dd class="text-break">{{ jobs.job.materials.join(", ") }}</dd>
    </dl>
  </template>
</template>
