<script setup lang="ts">
/** A place to drop files on, or a folder of them, or to choose them. */
import { useDropZone } from "@vueuse/core";
import { fromEvent } from "file-selector";
import { ref } from "vue";
import FileButton from "./FileButton.vue";

const props = defineProps<{
  accept: string;
  label: string;
  busy?: boolean;
  multiple?: boolean;
  /** the one main action of its page */ main?: boolean;
}>();
const emit = defineEmits<{ files: [files: File[]] }>();
const zone = ref<HTMLElement | null>(null);

const { isOverDropZone } = useDropZone(zone, {
  multiple: props.multiple,
  onDrop: async (_files, event) => {
    const files = (await fromEvent(event)).filter((file) => file instanceof File);
    if (files.length > 0 && !props.busy) emit("files", props.multiple ? files : files.slice(0, 1));
  },
});
</script>

<template>
  <div ref="zone" class="drop-zone position-relative p-3 text-center" :class="{ over: isOverDropZone }">
    <slot />
    <FileButton
      :main="main"
      :accept="accept"
      :label="label"
      :disabled="busy"
      :multiple="multiple"
      @files="emit('files', $event)"
    />
  </div>
</template>

<style scoped>
.drop-zone {
  border: 1.5px dashed var(--rule-strong);
  border-radius: 8px;
}
.drop-zone.over {
  border-color: var(--verdigris);
  border-style: solid;
  background: color-mix(in srgb, var(--verdigris) 10%, transparent);
}
</style>
