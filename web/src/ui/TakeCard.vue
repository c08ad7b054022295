<script setup lang="ts">
/** What is shown but not taken yet stays in sight, with the choice to take or leave it. */
import { BButton, BCard } from "bootstrap-vue-next";

const { take = "Take it", undecided = true } = defineProps<{
  /** the word for taking it */
  take?: string;
  /** it can be taken or left now */
  undecided?: boolean;
}>();
const emit = defineEmits<{ take: []; leave: [] }>();
</script>

<template>
  <BCard class="not-taken small" role="status">
    <slot />
    <div v-if="undecided" class="row-of">
      <BButton variant="primary" size="sm" @click="emit('take')">{{ take }}</BButton>
      <BButton variant="secondary" size="sm" @click="emit('leave')">Leave it</BButton>
    </div>
  </BCard>
</template>
