<script setup lang="ts">
/** The pictures of the job, to choose one or several of. */
import { api } from "@/api/client";
import { useJob } from "@/stores/job";

defineProps<{ chosen: string[] }>();
const emit = defineEmits<{ toggle: [digest: string] }>();
const jobs = useJob();
</script>

<template>
  <ul class="pictures">
    <li v-for="one in jobs.job!.pictures" :key="one.digest">
      <button
        type="button"
        :class="{ on: chosen.includes(one.digest) }"
        :aria-pressed="chosen.includes(one.digest)"
        :aria-label="`Choose ${one.name}`"
        :title="`${one.name}, ${one.width_px} × ${one.height_px} px`"
        @click="emit('toggle', one.digest)"
      >
        <img :src="api.urls.picture(jobs.job!.id, one.digest)" :alt="one.name" />
      </button>
    </li>
  </ul>
</template>

<style scoped>
.pictures {
  display: grid;
  padding: 0;
  margin: 0 0 8px;
  gap: 6px;
  grid-template-columns: repeat(4, 1fr);
  list-style: none;
}
button {
  display: grid;
  width: 100%;
  height: 54px;
  padding: 3px;
  border: 1px solid var(--rule);
  border-radius: 5px;
  background: var(--ground);
  place-items: center;
}
button.on {
  outline: 2px solid var(--verdigris);
}
img {
  max-width: 100%;
  max-height: 46px;
}
</style>
