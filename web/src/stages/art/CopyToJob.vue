<script setup lang="ts">
/** Lays a copy of a layer into another job, at the same place of that model. */
import { BFormSelect } from "bootstrap-vue-next";
import { computed, onMounted, ref, useId } from "vue";
import { api } from "@/api/client";
import type { JobCard, Layer } from "@/api/types";
import { useJob } from "@/stores/job";
import { useMessages } from "@/stores/messages";

const props = defineProps<{ layer: Layer }>();
const jobs = useJob();
const messages = useMessages();
const id = useId();
const others = ref<JobCard[]>([]);
const chosen = ref("");

onMounted(async () => {
  const all = await api.jobs().catch(() => []);
  others.value = all.filter((own) => own.id !== jobs.job?.id && !("damage" in own && own.damage));
});
const options = computed(() => [
  { value: "", text: "another job…" },
  ...others.value.map((own) => ({ value: own.id, text: own.name })),
]);

async function copy(to: string) {
  const job = jobs.job;
  const other = others.value.find((own) => own.id === to);
  if (!job || !other) return;
  chosen.value = to;
  try {
    const done = await api.copyLayer(job.id, job.revision, props.layer.id, to);
    messages.say(`${other.name}: ${done}`);
  } catch (error) {
    messages.fail(error);
  }
  chosen.value = "";
}
</script>

<template>
  <template v-if="others.length > 0">
    <label :for="id">Copy into</label>
    <BFormSelect
      :id="id"
      class="wide"
      size="sm"
      :model-value="chosen"
      :options="options"
      @update:model-value="copy(String($event))"
    />
  </template>
</template>
