<script setup lang="ts">
/** A place to drop a file on, or to choose one. */
import { ref } from "vue";

const props = defineProps<{ accept: string; label: string; busy?: boolean }>();
const emit = defineEmits<{ file: [file: File] }>();
const input = ref<HTMLInputElement | null>(null);
const over = ref(false);

function take(files: FileList | null | undefined) {
  over.value = false;
  const file = files?.[0];
  if (file && !props.busy) emit("file", file);
  if (input.value) input.value.value = "";
}
</script>

<template>
  <div class="drop-zone" :class="{ over }" @dragover.prevent="over = true" @dragleave="over = false" @drop.prevent.stop="take($event.dataTransfer?.files)">
    <slot />
    <button type="button" class="btn-choose" :disabled="busy" @click="input?.click()">{{ label }}</button>
    <input ref="input" class="visually-hidden" type="file" tabindex="-1" :accept="accept" :aria-label="label" @change="take(($event.target as HTMLInputElement).files)" />
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
