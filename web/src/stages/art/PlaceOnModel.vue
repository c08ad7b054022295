<script setup lang="ts">
/** The button that has the next click on the model put something there. */
import { BButton } from "bootstrap-vue-next";
import { computed } from "vue";
import { useSelection } from "@/stores/selection";
import type { NewContent } from "./adding";
import { usePlacing } from "./placing";

const props = defineProps<{
  content: NewContent;
  aspect: number;
  /** round the model at one height */
  stripe?: boolean;
}>();
const placing = usePlacing();
const selection = useSelection();
const as = computed(() => (props.stripe ? "level" : "surface"));
const armed = computed(() => placing.next?.content.kind === props.content.kind && placing.next.as === as.value);

function arm() {
  if (armed.value) return placing.leave();
  selection.layer = null;
  placing.next = { content: props.content, aspect: props.aspect, as: as.value };
}
</script>

<template>
  <BButton variant="secondary" class="btn-wide mt-2" :pressed="armed" @click="arm">
    {{
      armed
        ? "Click the model, or press Escape"
        : stripe
          ? "Put round the model as stripe"
          : "Put on the model as decal"
    }}
  </BButton>
</template>
