<script setup lang="ts">
/** A button that opens the file dialog. */
import { BButton } from "bootstrap-vue-next";
import { useFileDialog } from "@vueuse/core";
import { computed, ref, type Ref } from "vue";

const props = defineProps<{
  accept: string;
  label: string;
  disabled?: boolean;
  multiple?: boolean;
  /** the one main action of its page */ main?: boolean;
}>();
const emit = defineEmits<{ files: [files: File[]] }>();
const input = ref<HTMLInputElement>();
const { open, reset, onChange } = useFileDialog({
  input: input as Ref<HTMLInputElement>,
  accept: computed(() => props.accept),
  multiple: computed(() => props.multiple),
});

onChange((list) => {
  const files = [...(list ?? [])];
  // So that the same file can be chosen again.
  reset();
  if (files.length > 0 && !props.disabled) emit("files", files);
});
</script>

<template>
  <span class="file-button d-inline-flex">
    <BButton
      :variant="main ? 'primary' : 'secondary'"
      :size="main ? 'lg' : 'sm'"
      class="flex-fill"
      :disabled="disabled"
      @click="open()"
    >
      <slot>{{ label }}</slot>
    </BButton>
    <input ref="input" class="visually-hidden" type="file" tabindex="-1" :aria-label="label" />
  </span>
</template>
