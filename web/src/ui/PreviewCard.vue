<script setup lang="ts">
/** What the change shown on the sheet would do, to be taken or left. */
import { useKeys } from "@/composables/useKeys";
import { usePreview } from "@/stores/preview";
import TakeCard from "./TakeCard.vue";

const MOST = 4;
const previews = usePreview();
const figure = (value: number | null) => (value === null ? "endless" : value.toFixed(3));

useKeys({ Enter: () => (previews.shown ? void previews.take() : false) });
</script>

<template>
  <TakeCard v-if="previews.shown" @take="previews.take()" @leave="previews.leave()">
    <strong>Not taken yet</strong>
    <div>{{ previews.shown.sentence }}.</div>
    <div v-for="island in previews.shown.islands.slice(0, MOST)" :key="island.name" class="num">
      {{ island.name }}: worst stretch {{ figure(island.stretch_worst) }}
    </div>
  </TakeCard>
</template>
