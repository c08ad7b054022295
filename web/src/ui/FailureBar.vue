<script setup lang="ts">
/** What went wrong with the last action, until it is dismissed or another one works. */
import { PhWarning } from "@phosphor-icons/vue";
import { BAlert } from "bootstrap-vue-next";
import { useMessages } from "@/stores/messages";

const messages = useMessages();
</script>

<template>
  <BAlert
    :model-value="messages.failure !== ''"
    class="failure"
    variant="danger"
    dismissible
    close-label="Dismiss"
    no-animation
    @close="messages.dismiss()"
  >
    <PhWarning :size="18" weight="bold" aria-hidden="true" /> {{ messages.failure }}
  </BAlert>
</template>

<style scoped>
.failure {
  position: fixed;
  z-index: 1080;
  top: 56px;
  left: 50%;
  max-width: min(760px, 92vw);
  box-shadow: 0 4px 18px #0003;
  transform: translateX(-50%);
}
</style>
