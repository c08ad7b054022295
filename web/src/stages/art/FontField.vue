<script setup lang="ts">
/** A font: one that ships along, or one of the job's own, which can be brought in here. */
import { BFormSelect } from "bootstrap-vue-next";
import { useFileDialog } from "@vueuse/core";
import { computed, ref, useId, type Ref } from "vue";
import { api } from "@/api/client";
import { LIMITS } from "@/api/operations";
import { useJob } from "@/stores/job";
import { useMessages } from "@/stores/messages";

defineProps<{ font: string }>();
const emit = defineEmits<{ change: [font: string] }>();
const jobs = useJob();
const messages = useMessages();
const id = useId();
const bringing = ref(false);
/** the entry of the list that brings one in */
const OTHER = "\n";
const input = ref<HTMLInputElement>();
const { open, reset, onChange } = useFileDialog({
  input: input as Ref<HTMLInputElement>,
  accept: ".ttf,.otf",
  multiple: false,
});
onChange((list) => {
  const files = [...(list ?? [])];
  reset();
  void bring(files);
});

const options = computed(() => [
  ...(jobs.job?.fonts ?? []).map(({ name, title }) => ({ value: name, text: title })),
  ...LIMITS.fonts.map((name) => ({ value: name as string, text: name as string })),
  { value: OTHER, text: bringing.value ? "reading…" : "bring in a font…" },
]);

/** counts up so that the list shows the font again, and not the entry that was chosen */
const shown = ref(0);
function choose(value: unknown) {
  if (value !== OTHER) return emit("change", String(value));
  shown.value += 1;
  open();
}

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
  <span class="wide">
    <BFormSelect :id="id" :key="shown" :model-value="font" :options="options" @update:model-value="choose" />
    <input ref="input" class="visually-hidden" type="file" tabindex="-1" aria-label="Bring in a font" />
  </span>
</template>
