<script setup lang="ts">
/** What went wrong with the last action, until it is dismissed or another one works. */
import { PhWarning, PhX } from "@phosphor-icons/vue";
import { useMessages } from "@/stores/messages";

const messages = useMessages();
</script>

<template>
  <div v-if="messages.failure" class="failure" role="alert">
    <PhWarning :size="18" weight="bold" aria-hidden="true" />
    <span>{{ messages.failure }}</span>
    <button type="button" aria-label="Dismiss" @click="messages.dismiss()"><PhX :size="16" /></button>
  </div>
</template>

<style scoped>
.failure {
  position: fixed;
  z-index: 1080;
  left: 50%;
  top: 56px;
  display: flex;
  max-width: min(760px, 92vw);
  align-items: center;
  gap: 10px;
  padding: 9px 12px;
  border: 1px solid var(--brick);
  border-left-width: 5px;
  border-radius: 6px;
  background: var(--panel);
  box-shadow: 0 4px 18px #0003;
  color: var(--brick-text);
  transform: translateX(-50%);
}
.failure span {
  color: var(--ink);
}
button {
  display: flex;
  padding: 3px;
  border: 0;
  background: transparent;
  color: var(--ink);
}
</style>
