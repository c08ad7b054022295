<script setup lang="ts">
/** A place to drop files on, or to choose them. */
import { ref } from "vue";

const props = defineProps<{ accept: string; label: string; busy?: boolean; multiple?: boolean }>();
const emit = defineEmits<{ files: [files: File[]] }>();
const input = ref<HTMLInputElement | null>(null);
const over = ref(false);

function take(list: FileList | null | undefined) {
  over.value = false;
  const files = [...(list ?? [])].slice(0, props.multiple ? undefined : 1);
  if (files.length > 0 && !props.busy) emit("files", files);
  if (input.value) input.value.value = "";
}
</script>

<template>
  <div
    class="drop-zone"
    :class="{ over }"
    @dragover.prevent="over = true"
    @dragleave="over = false"
    @drop.prevent.stop="take($event.dataTransfer?.files)"
  >
    <slot />
    <button type="button" class="btn-choose" :disabled="busy" @click="input?.click()">{{ label }}</button>
    <input
      ref="input"
      class="visually-hidden"
      type="file"
      tabindex="-1"
      :multiple="multiple"
      :accept="accept"
      :aria-label="label"
      @change="take(($event.target as HTMLInputElement).files)"
    />
  </div>
</template>

<style scoped>
.drop-zone {
  position: relative;
  padding: 12px;
  border: 1.5px dashed var(--rule-strong);
  border-radius: 8px;
  text-align: center;
}
.drop-zone.over {
  border-color: var(--verdigris);
  border-style: solid;
  background: color-mix(in srgb, var(--verdigris) 10%, transparent);
}
</style>
