<script setup lang="ts">
/** The stages of the work, in the order they are gone through. */
import { BButton } from "bootstrap-vue-next";
import { STAGES } from "@/stages";

defineProps<{ stage: string }>();
const emit = defineEmits<{ go: [stage: string] }>();
</script>

<template>
  <nav class="stage-rail d-flex flex-column gap-1" aria-label="Stages">
    <BButton
      v-for="(item, i) in STAGES"
      :key="item.id"
      variant="light"
      class="text-start"
      :class="{ on: item.id === stage }"
      :aria-current="item.id === stage ? 'step' : undefined"
      @click="emit('go', item.id)"
    >
      <span class="num d-block text-body-secondary">{{ i + 1 }}</span>{{ item.name }}
    </BButton>
  </nav>
</template>

<style scoped>
.stage-rail {
  padding: 10px 0 0 8px;
  border-right: 1px solid var(--bs-border-color);
  background: var(--bs-secondary-bg);
}
.btn {
  --bs-btn-hover-color: inherit;
  padding: 8px 6px 8px 8px;
  border-width: 0 0 0 3px;
  border-radius: 8px 0 0 8px;
}
.btn:hover {
  background: color-mix(in srgb, var(--bs-tertiary-bg) 55%, transparent);
}
.btn.on {
  margin-right: -1px;
  border-left-color: var(--persimmon);
  background: var(--bs-tertiary-bg);
  font-weight: 650;
}
</style>
