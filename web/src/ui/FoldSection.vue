<script setup lang="ts">
/** A part of an inspector under a heading that folds it. Whether it is open is remembered. */
import { PhCaretRight } from "@/ui/icons";
import { BButton } from "bootstrap-vue-next";
import { computed, useId } from "vue";
import { useBench } from "@/stores/bench";

const props = defineProps<{
  title: string;
  /** what it is remembered by, where the title changes */
  name?: string;
  /** folded until it is opened for the first time */
  folded?: boolean;
}>();
const bench = useBench();
const id = useId();
const key = computed(() => props.name ?? props.title);
const open = computed({
  get: () => bench.unfolded[key.value] ?? !props.folded,
  set: (now) => (bench.unfolded = { ...bench.unfolded, [key.value]: now }),
});
</script>

<template>
  <div>
    <h3 class="fold">
      <BButton variant="light" class="text-start" :aria-expanded="open" :aria-controls="id" @click="open = !open">
        <PhCaretRight :size="12" weight="bold" :class="{ turned: open }" aria-hidden="true" /> {{ title }}
      </BButton>
      <slot name="beside" />
    </h3>
    <div v-if="open" :id="id"><slot /></div>
  </div>
</template>

<style scoped>
.fold {
  display: flex;
  align-items: center;
  padding: 0;
}
.fold > .btn {
  flex: 1;
  padding: 5px 0 4px;
  font-weight: inherit;
}
.turned {
  transform: rotate(90deg);
}
</style>
