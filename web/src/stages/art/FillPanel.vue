<script setup lang="ts">
/** A colour laid over picked islands, a part, a material or the whole sheet. */
import { BButton, BFormCheckbox, BFormSelect } from "bootstrap-vue-next";
import { computed, ref } from "vue";
import ColorField from "@/ui/ColorField.vue";
import { useAdding } from "./adding";
import PlaceOnModel from "./PlaceOnModel.vue";
import { useMaskChoices } from "./useMaskChoices";

const adding = useAdding();
const color = ref("#2f5a45");
const shaded = ref(false);
const to = ref("#e8d9a6");
/** which way it shades: over each box of the sheet, or along the model */
const along = ref<"model" | "sheet">("model");
const { choices, maskOf } = useMaskChoices();
const over = ref<string | null>(null);

/** what is picked goes first, until something else is chosen */
const chosen = computed(
  () => over.value ?? (choices.value.some(({ value }) => value === "islands") ? "islands" : "all"),
);

const content = computed(() =>
  shaded.value
    ? { kind: "gradient" as const, color: color.value, to: to.value }
    : { kind: "fill" as const, color: color.value },
);

async function fill() {
  const { islands = null, parts = null, materials = null } = maskOf(chosen.value);
  const place = shaded.value && along.value === "model" ? ({ kind: "side" } as const) : undefined;
  await adding.add({ content: content.value, place, islands, parts, materials });
}
</script>

<template>
  <div class="fields">
    <span>Colour</span>
    <ColorField class="wide" label="Colour of a new fill" :value="color" @change="color = $event" />
    <template v-if="shaded">
      <span>To</span>
      <ColorField class="wide" label="Colour where it ends" :value="to" @change="to = $event" />
      <label for="fill-along">Along</label>
      <BFormSelect
        id="fill-along"
        v-model="along"
        class="wide"
        :options="[
          { value: 'model', text: 'The model, from the top down' },
          { value: 'sheet', text: 'The sheet, from the top down' },
        ]"
      />
    </template>
    <label for="fill-over">Over</label>
    <BFormSelect
      id="fill-over"
      class="wide"
      :model-value="chosen"
      :options="choices"
      @update:model-value="over = String($event)"
    />
  </div>
  <BFormCheckbox v-model="shaded">Shades into a second colour</BFormCheckbox>
  <BButton variant="secondary" class="btn-wide" @click="fill">Fill</BButton>
  <PlaceOnModel :ways="['level', 'path']" :content="content" :aspect="1" />
</template>
