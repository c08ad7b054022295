<script setup lang="ts">
/** New lettering, on the picked island or on the model. */
import { BButton, BFormTextarea } from "bootstrap-vue-next";
import { computed, ref } from "vue";
import { LIMITS } from "@/api/operations";
import { useJob } from "@/stores/job";
import { useSelection } from "@/stores/selection";
import ColorField from "@/ui/ColorField.vue";
import { useAdding } from "./adding";
import FontField from "./FontField.vue";
import PlaceOnModel from "./PlaceOnModel.vue";

/** share of an island's width that new lettering is wide */
const SHARE = 0.6;
/** width over height of what follows the hand until the letters are set */
const ASPECT = 3;
const jobs = useJob();
const selection = useSelection();
const adding = useAdding();
const text = ref("");
const font = ref<string>(LIMITS.fonts[0]);
const color = ref("#1f2a36");

const island = computed(() => (selection.islands.length === 1 ? jobs.islands[selection.islands[0]!] : undefined));
const content = computed(() => ({
  kind: "lettering" as const,
  text: text.value.trim(),
  font: font.value,
  color: color.value,
}));

async function set() {
  const { index, size_mm } = island.value!;
  const place = { kind: "island" as const, island: index, width_mm: SHARE * size_mm[0]! };
  if (await adding.add({ content: content.value, place })) text.value = "";
}
</script>

<template>
  <BFormTextarea v-model="text" rows="2" maxlength="400" aria-label="Words" placeholder="Words" />
  <div class="fields mt-2">
    <FontField :font="font" @change="font = $event" />
    <span>Colour</span>
    <ColorField class="wide" label="Colour of new lettering" :value="color" @change="color = $event" />
  </div>
  <BButton variant="secondary" class="btn-wide" :disabled="!content.text || !island" @click="set">
    {{ island ? `Letter on ${island.name}` : "Pick an island to letter on" }}
  </BButton>
  <PlaceOnModel v-if="content.text" :content="content" :aspect="ASPECT" />
</template>
