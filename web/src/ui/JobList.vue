<script setup lang="ts">
/** All jobs with their thumbnails; one is deleted only after asking. */
import { BModal } from "bootstrap-vue-next";
import { PhTrash } from "@phosphor-icons/vue";
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

async function remove() {
  if (!leaving.value) return;
  try {
    await api.deleteJob(leaving.value.id);
  } catch (error) {
    messages.fail(error);
  }
  emit("change");
}

const when = (time: string) => new Date(time).toLocaleString([], { dateStyle: "medium", timeStyle: "short" });
</script>

<template>
  <section aria-labelledby="jobs-title">
    <h2 id="jobs-title">Jobs</h2>
    <p v-if="jobs.length === 0" class="none">
      No jobs yet. Drop a model above: its islands, sizes and stretch are measured at once.
    </p>
    <ul class="jobs">
      <li v-for="job in jobs" :key="job.id" class="job">
        <RouterLink :to="`/jobs/${job.id}/model`">
          <span class="picture"><img :src="api.urls.thumbnail(job.id, job.revision_id)" alt="" loading="lazy" /></span>
          <b>{{ job.name }}</b>
          <span class="when">changed {{ when(job.updated_at) }}</span>
        </RouterLink>
        <button type="button" :aria-label="`Delete ${job.name}`" title="Delete" @click="ask(job)">
          <PhTrash :size="18" />
        </button>
      </li>
    </ul>
    <BModal
      v-model="asking"
      title="Delete this job?"
      ok-title="Delete"
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
h2 {
  margin: 32px 0 12px;
  font-size: 17px;
  font-weight: 650;
}
.jobs {
  display: grid;
  padding: 0;
  margin: 0;
  gap: 16px;
  grid-template-columns: repeat(auto-fill, minmax(210px, 1fr));
  list-style: none;
}
.job {
  position: relative;
  border: 1px solid var(--rule);
  border-radius: 8px;
  background: var(--panel);
}
.job:hover {
  border-color: var(--verdigris);
}
.job a {
  display: flex;
  flex-direction: column;
  padding: 10px 12px 12px;
  color: var(--ink);
  text-decoration: none;
}
.picture {
  display: grid;
  height: 176px;
  margin-bottom: 9px;
  border-radius: 5px;
  background: var(--mat);
  place-items: center;
}
.picture img {
  max-width: 90%;
  max-height: 156px;
  background: var(--paper);
}
.job b {
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}
.when {
  color: var(--ink-soft);
  font-size: 12px;
}
.job > button {
  position: absolute;
  right: 8px;
  bottom: 12px;
  padding: 5px;
  border: 0;
  border-radius: 5px;
  background: transparent;
  color: var(--ink-soft);
}
.job > button:hover {
  color: var(--brick-text);
}
</style>
