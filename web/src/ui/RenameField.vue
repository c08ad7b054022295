<script setup lang="ts">
/** A name that becomes a field while it is changed. */
import { BFormInput } from "bootstrap-vue-next";
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
  <BFormInput
    v-model="text"
    class="rename flex-fill text-truncate"
    size="sm"
    :aria-label="label"
    :title="name"
    maxlength="80"
    spellcheck="false"
    @change="take"
    @keydown.esc.stop="text = name"
  />
</template>

<style scoped>
.rename:not(:hover, :focus) {
  border-color: transparent;
  background: transparent;
}
.rename {
  min-width: 0;
  color: inherit;
  font-weight: inherit;
}
</style>
