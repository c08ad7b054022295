<script setup lang="ts">
/** The stages of the work, in the order they are gone through. */
import { STAGES } from "@/stages";

defineProps<{ stage: string }>();
const emit = defineEmits<{ go: [stage: string] }>();
</script>

<template>
  <nav class="stage-rail" aria-label="Stages">
    <button
      v-for="(item, i) in STAGES"
      :key="item.id"
      type="button"
      :class="{ on: item.id === stage }"
      :aria-current="item.id === stage ? 'step' : undefined"
      @click="emit('go', item.id)"
    >
      <span class="num">{{ i + 1 }}</span>{{ item.name }}
    </button>
  </nav>
</template>

<style scoped>
.stage-rail {
  display: flex;
  flex-direction: column;
  gap: 4px;
  padding: 10px 0 0 8px;
  border-right: 1px solid var(--rule);
  background: var(--rail);
}
button {
  padding: 8px 6px 8px 10px;
  border: 0;
  border-left: 3px solid transparent;
  border-radius: 8px 0 0 8px;
  background: transparent;
  color: var(--ink);
  line-height: 1.15;
  text-align: left;
}
button:hover {
  background: color-mix(in srgb, var(--panel) 55%, transparent);
}
button.on {
  margin-right: -1px;
  border-left-color: var(--persimmon);
  background: var(--panel);
  font-weight: 650;
}
.num {
  display: block;
  color: var(--ink-soft);
  font-size: 11px;
}
</style>
