<script setup lang="ts">
/** The button that has the next click on the model put something there. */
import { BButton } from "bootstrap-vue-next";
import { computed } from "vue";
import { useSelection } from "@/stores/selection";
import type { NewLayer } from "./adding";
import { usePlacing } from "./placing";

const props = defineProps<{ content: NewLayer["content"]; aspect: number }>();
const placing = usePlacing();
const selection = useSelection();
const armed = computed(() => placing.next?.content.kind === props.content.kind);

function arm() {
  if (armed.value) return placing.leave();
  selection.layer = null;
  placing.next = { content: props.content, aspect: props.aspect };
}
</script>

<template>
  <BButton variant="secondary" class="btn-wide mt-2" :pressed="armed" @click="arm">
    {{ armed ? "Click the model, or press Escape" : "Put on the model as decal" }}
  </BButton>
</template>
