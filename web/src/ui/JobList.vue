<script setup lang="ts">
/** All jobs with their thumbnails; copied at once, removed only after asking. */
import { BButton, BCard, BModal } from "bootstrap-vue-next";
import { PhCopy, PhTrash } from "@/ui/icons";
import { ref } from "vue";
import { api } from "@/api/client";
import type { JobCard } from "@/api/types";
import { useMessages } from "@/stores/messages";

defineProps<{ jobs: JobCard[] }>();
const emit = defineEmits<{ change: [] }>();
const messages = useMessages();
const leaving = ref<JobCard | null>(null);
const asking = ref(false);

function ask(job: JobCard) {
  leaving.value = job;
  asking.value = true;
}

async function change(asked: Promise<unknown>) {
  try {
    await asked;
  } catch (error) {
    messages.fail(error);
  }
  emit("change");
}

const copy = (job: JobCard) => change(api.copyJob(job.id));
const remove = () => leaving.value && change(api.deleteJob(leaving.value.id));

const when = (time: string) => new Date(time).toLocaleString([], { dateStyle: "medium", timeStyle: "short" });
</script>

<template>
  <section aria-labelledby="jobs-title">
    <h2 id="jobs-title" class="mt-4 mb-3">Jobs</h2>
    <p v-if="jobs.length === 0" class="none text-body-secondary">
      No jobs yet. Drop a model above: its islands, sizes and stretch are measured at once.
    </p>
    <ul class="jobs">
      <BCard v-for="job in jobs" :key="job.id" tag="li" class="job">
        <RouterLink class="text-body text-decoration-none" :to="`/jobs/${job.id}/model`">
          <span class="picture"
            ><img class="sheet" :src="api.urls.thumbnail(job.id, job.revision_id)" alt="" loading="lazy" />
            <img :src="api.urls.model(job.id, job.revision_id)" alt="" loading="lazy"
          /></span>
          <b class="d-block text-truncate">{{ job.name }}</b>
          <span class="form-text">changed {{ when(job.updated_at) }}</span>
        </RouterLink>
        <BButton
          variant="light"
          class="copy"
          :aria-label="`Copy ${job.name}`"
          title="Copy, with its history"
          @click="copy(job)"
        >
          <PhCopy :size="18" />
        </BButton>
        <BButton variant="light" class="remove" :aria-label="`Remove ${job.name}`" title="Remove" @click="ask(job)">
          <PhTrash :size="18" />
        </BButton>
      </BCard>
    </ul>
    <BModal
      v-model="asking"
      title="Remove this job?"
      ok-title="Remove"
      ok-variant="danger"
      cancel-title="Keep"
      cancel-variant="secondary"
      @ok="remove"
    >
      <p class="mb-0">
        <b>{{ leaving?.name }}</b> goes with its layout, artwork and history. This can't be undone.
      </p>
    </BModal>
  </section>
</template>

<style scoped>
.jobs {
  display: grid;
  padding: 0;
  margin: 0;
  gap: 16px;
  grid-template-columns: repeat(auto-fill, minmax(290px, 1fr));
}
.job:hover {
  border-color: var(--verdigris);
}
.picture {
  display: grid;
  overflow: hidden;
  height: 164px;
  margin-bottom: 9px;
  border-radius: 5px;
  background: var(--mat);
  grid-template-columns: 1fr 1fr;
  place-items: center;
}
.picture img {
  max-width: 88%;
  max-height: 140px;
}
.picture .sheet {
  background: var(--paper);
}
.copy,
.remove {
  position: absolute;
  right: 6px;
  bottom: 8px;
}
.copy {
  right: 42px;
}
</style>
