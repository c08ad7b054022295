<script setup lang="ts">
/** What went wrong with the last action, until it is dismissed or another one works. */
import { PhWarning } from "@/ui/icons";
import { BAlert, BButton } from "bootstrap-vue-next";
import { useJob } from "@/stores/job";
import { useMessages } from "@/stores/messages";

const messages = useMessages();
const jobs = useJob();

function again() {
  messages.dismiss();
  void jobs.late?.again();
}

function dismiss() {
  messages.dismiss();
  jobs.late = null;
}
</script>

<template>
  <BAlert
    :model-value="messages.failure !== ''"
    class="failure"
    variant="danger"
    dismissible
    close-label="Dismiss"
    no-animation
    @close="dismiss"
  >
    <PhWarning :size="18" weight="bold" aria-hidden="true" /> {{ messages.failure }}
    <BButton v-if="jobs.late" class="ms-3" size="sm" variant="danger" @click="again">
      {{ jobs.late.label }} all the same
    </BButton>
  </BAlert>
</template>

<style scoped>
/* Where the result of an action is told, so that it hides nothing of the views and pages. */
.failure {
  position: fixed;
  z-index: 1080;
  right: 0;
  bottom: 0;
  left: 0;
  margin: 0;
  border-width: 1px 0 0;
  border-radius: 0;
}
</style>
