<script setup lang="ts">
/** What the change shown on the sheet would do, to be taken or left. */
import { useKeys } from "@/composables/useKeys";
import { usePreview } from "@/stores/preview";

const MOST = 4;
const previews = usePreview();
const figure = (value: number | null) => (value === null ? "endless" : value.toFixed(3));

useKeys({ Enter: () => (previews.shown ? void previews.take() : false) });
</script>

<template>
  <div v-if="previews.shown" class="not-taken" role="status">
    <strong>Not taken yet</strong>
    <p>{{ previews.shown.sentence }}.</p>
    <p v-for="island in previews.shown.islands.slice(0, MOST)" :key="island.name" class="num">
      {{ island.name }}: worst stretch {{ figure(island.stretch_worst) }}
    </p>
    <div class="row-of">
      <button type="button" class="btn btn-primary" @click="previews.take()">Take it</button>
      <button type="button" class="btn-choose" @click="previews.leave()">Leave it</button>
    </div>
  </div>
</template>

<style scoped>
p {
  margin: 2px 0 0 !important;
  font-size: 12.5px;
}
</style>
