<script setup lang="ts">
/** The path through a first job: what is done is ticked, what comes next is told, and leads there. */
import { PhCheckCircle, PhCircle } from "@/ui/icons";
import { BButton, BCard } from "bootstrap-vue-next";
import { FIRST_STEPS, useFirstSteps } from "@/stores/firstSteps";

const steps = useFirstSteps();
const place = ({ stage, page }: (typeof FIRST_STEPS)[number]) => ({ params: { stage }, query: page ? { page } : {} });
</script>

<template>
  <BCard v-if="steps.shown" class="first-steps small mb-3" role="region" aria-label="First steps" no-body>
    <div class="d-flex align-items-center gap-1">
      <b class="me-auto">First steps</b>
      <component
        :is="steps.ticked.includes(step.by) ? PhCheckCircle : PhCircle"
        v-for="step in FIRST_STEPS"
        :key="step.by"
        :size="18"
        :weight="steps.ticked.includes(step.by) ? 'fill' : step === steps.next ? 'bold' : 'regular'"
        role="img"
        :aria-label="`${step.what}${steps.ticked.includes(step.by) ? ', done' : ''}`"
      />
    </div>
    <p class="mt-1 mb-1">
      <template v-if="steps.next">
        <RouterLink class="text-body fw-bold" :to="place(steps.next)">{{ steps.next.what }}</RouterLink><br />{{
          steps.next.how
        }}
      </template>
      <template v-else>That was a whole job, from a bare box to its files.</template>
    </p>
    <BButton variant="link" size="sm" class="align-self-start px-0" @click="steps.leave()">{{
      steps.next ? "Leave the path" : "Close"
    }}</BButton>
  </BCard>
</template>

<style scoped>
.first-steps {
  padding: 8px 10px;
  border-left: 3px solid var(--verdigris);
}
svg {
  color: var(--verdigris);
}
</style>
