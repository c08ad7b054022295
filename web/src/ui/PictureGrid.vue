<script setup lang="ts">
/** The pictures of the job, to choose one or several of. */
import { BButton } from "bootstrap-vue-next";
import { api } from "@/api/client";
import { useJob } from "@/stores/job";

defineProps<{ chosen: string[] }>();
const emit = defineEmits<{ toggle: [digest: string] }>();
const jobs = useJob();
</script>

<template>
  <div class="four mb-2">
    <BButton
      v-for="picture in jobs.job!.pictures"
      :key="picture.digest"
      variant="light"
      class="shot bg-body border"
      :class="{ picked: chosen.includes(picture.digest) }"
      :aria-pressed="chosen.includes(picture.digest)"
      :aria-label="`Choose ${picture.name}`"
      :title="`${picture.name}, ${picture.width_px} × ${picture.height_px} px`"
      @click="emit('toggle', picture.digest)"
    >
      <img :src="api.urls.picture(jobs.job!.id, picture.digest)" :alt="picture.name" />
    </BButton>
  </div>
</template>
