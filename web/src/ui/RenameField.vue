<script setup lang="ts">
/** A name that becomes a field while it is changed. */
import { ref, watch } from "vue";

const props = defineProps<{ name: string; label: string }>();
const emit = defineEmits<{ rename: [name: string] }>();
const text = ref(props.name);
watch(
  () => props.name,
  (name) => (text.value = name),
);

function take() {
  const name = text.value.trim();
  text.value = props.name;
  if (name !== "" && name !== props.name) emit("rename", name);
}
</script>

<template>
  <input
    v-model="text"
    class="rename"
    :aria-label="label"
    :title="name"
    maxlength="80"
    spellcheck="false"
    @change="take"
    @keydown.esc.stop="text = name"
  />
</template>

<style scoped>
.rename {
  min-width: 0;
  flex: 1;
  padding: 3px 5px;
  border: 1px solid transparent;
  border-radius: 4px;
  background: transparent;
  color: inherit;
  text-overflow: ellipsis;
}
.rename:hover,
.rename:focus {
  border-color: var(--rule-strong);
}
</style>
