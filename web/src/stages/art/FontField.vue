<script setup lang="ts">
/** A font: one that ships along, or one of the job's own, which can be brought in here. */
import { BFormSelect } from "bootstrap-vue-next";
import { computed, ref, useId } from "vue";
import { api } from "@/api/client";
import { LIMITS } from "@/api/operations";
import { useJob } from "@/stores/job";
import { useMessages } from "@/stores/messages";
import FileButton from "@/ui/FileButton.vue";

defineProps<{ font: string }>();
const emit = defineEmits<{ change: [font: string] }>();
const jobs = useJob();
const messages = useMessages();
const id = useId();
const bringing = ref(false);

const options = computed(() => [
  ...(jobs.job?.fonts ?? []).map(({ name, title }) => ({ value: name, text: title })),
  ...LIMITS.fonts.map((name) => ({ value: name as string, text: name as string })),
]);

async function bring([file]: File[]) {
  if (!file || !jobs.job) return;
  bringing.value = true;
  try {
    const { digest } = await api.bringFont(jobs.job.id, file);
    if (await jobs.operate("add_font", { file: digest })) emit("change", digest);
  } catch (error) {
    messages.fail(error);
  }
  bringing.value = false;
}
</script>

<template>
  <label :for="id">Font</label>
  <BFormSelect
    :id="id"
    class="wide"
    :model-value="font"
    :options="options"
    @update:model-value="emit('change', String($event))"
  />
  <span></span>
  <FileButton class="wide" accept=".ttf,.otf" label="Bring in a font" :disabled="bringing" @files="bring">{{
    bringing ? "Reading…" : "Bring in a font…"
  }}</FileButton>
</template>
