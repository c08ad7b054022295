<script setup lang="ts">
/** The words of a layer and how they are set. */
import { BFormTextarea } from "bootstrap-vue-next";
import { computed, ref, watch } from "vue";
import type { Layer, Lettering } from "@/api/types";
import { useJob } from "@/stores/job";
import ChoiceBar from "@/ui/ChoiceBar.vue";
import ColorField from "@/ui/ColorField.vue";
import FontField from "../FontField.vue";
import FoldSection from "@/ui/FoldSection.vue";
import NoteBox from "@/ui/NoteBox.vue";
import NumberField from "@/ui/NumberField.vue";
import { shown } from "@/ui/sums";

const ALIGNED = { left: "Left", centre: "Centre", right: "Right" } as const;
const props = defineProps<{ layer: Layer }>();
const jobs = useJob();

const content = computed(() => props.layer.content as Lettering);
const text = ref(content.value.text);
watch(
  () => content.value.text,
  (now) => (text.value = now),
);
const change = (changes: Partial<Omit<Lettering, "kind">>) =>
  jobs.operate("change_layer", { id: props.layer.id, content: changes });
const placed = computed(() => {
  const { place } = props.layer;
  return place.kind === "island" || place.kind === "surface" ? place : null;
});
const resize = (cap_mm: number) =>
  placed.value &&
  jobs.operate("change_layer", {
    id: props.layer.id,
    place: { width_mm: (placed.value.width_mm * cap_mm) / content.value.cap_mm },
  });
const take = () => text.value.trim() && text.value !== content.value.text && change({ text: text.value });
</script>

<template>
  <section aria-label="Lettering">
    <h3>Words</h3>
    <BFormTextarea v-model="text" rows="2" maxlength="400" aria-label="Words of the layer" @change="take" />
    <div class="fields mt-2">
      <FontField :font="content.font" @change="change({ font: $event })" />
      <template v-if="placed">
        <span>Capitals</span>
        <NumberField
          class="wide"
          label="Height of capitals"
          hide-label
          :value="content.cap_mm"
          unit="mm"
          @change="resize"
        />
      </template>
      <span>Colour</span>
      <ColorField
        class="wide"
        label="Colour of the letters"
        :value="content.color"
        @change="change({ color: $event })"
      />
    </div>
    <p v-if="placed" class="form-text num">
      {{ shown(content.cap_texels, 1) }} texels high, thinnest stroke {{ shown(content.stroke_texels, 1) }}
    </p>
    <NoteBox v-if="placed && content.breaks_up">
      Strokes as thin as these break up on the sheet. Make the lettering larger, or the sheet.
    </NoteBox>
    <FoldSection title="Spacing, outline" folded>
      <div class="fields">
        <span>Lines</span>
        <ChoiceBar
          class="wide"
          :model-value="content.align"
          label="Alignment"
          :choices="ALIGNED"
          @update:model-value="change({ align: $event })"
        />
        <NumberField
          class="wide"
          label="Tracking"
          :value="100 * content.tracking"
          unit="% em"
          :decimals="1"
          @change="change({ tracking: $event / 100 })"
        />
        <NumberField
          class="wide"
          label="Leading"
          :value="100 * content.line_height"
          unit="% em"
          :decimals="0"
          @change="change({ leading: $event / 100 })"
        />
        <NumberField
          class="wide"
          label="Outline"
          :value="100 * content.outline"
          unit="% em"
          :decimals="1"
          @change="change({ outline: $event / 100 })"
        />
        <span>Its colour</span>
        <ColorField
          class="wide"
          label="Colour of the outline"
          :value="content.outline_color"
          @change="change({ outline_color: $event })"
        />
      </div>
    </FoldSection>
  </section>
</template>
