<script setup lang="ts">
/** How the lines are drawn: those of rims, of seams, and within islands. */
import { BFormCheckbox } from "bootstrap-vue-next";
import ChoiceBar from "@/ui/ChoiceBar.vue";
import ColorField from "@/ui/ColorField.vue";
import NumberField from "@/ui/NumberField.vue";
import SelectField from "@/ui/SelectField.vue";
import { useTracing } from "./tracing";

const LINES = { unbroken: "Unbroken", dashed: "Dashed", dotted: "Dotted", hidden: "None" } as const;
/** px of what the sheet shows to px of the template */
const RATIOS = { auto: "as it fits", "1": "1 : 1", "0.5": "1 : 2" } as const;
const tracing = useTracing();
</script>

<template>
  <div>
    <div class="fields">
      <NumberField
        class="wide"
        label="Line width"
        :value="tracing.options.line_px ?? 1"
        unit="px"
        @change="tracing.options.line_px = $event"
      />
      <span>Colour</span>
      <ColorField
        class="wide"
        label="Line colour"
        :value="tracing.options.color ?? '#1f2a36'"
        @change="tracing.options.color = $event"
      />
      <span>Edges</span>
      <ChoiceBar
        v-model="tracing.options.edges!"
        class="wide"
        label="Edges"
        :choices="{ all: 'All edges', outline: 'Outlines' }"
      />
    </div>
    <h3>Seams and inner edges</h3>
    <div class="fields">
      <template v-for="(name, kind) in { seam: 'Seams', inner: 'Inner edges' } as const" :key="kind">
        <NumberField
          class="wide"
          :label="name"
          :value="tracing.options[`${kind}_px`] ?? tracing.options.line_px ?? 1"
          unit="px"
          @change="tracing.options[`${kind}_px`] = $event"
        />
        <span>Colour</span>
        <ColorField
          class="wide"
          :label="`Colour of ${name.toLowerCase()}`"
          :value="tracing.options[`${kind}_color`] ?? tracing.options.color ?? '#1f2a36'"
          @change="tracing.options[`${kind}_color`] = $event"
        />
        <SelectField
          :id="`dash-${kind}`"
          label="Drawn"
          :model-value="tracing.options[`${kind}_dash`] ?? 'unbroken'"
          :choices="LINES"
          @update:model-value="tracing.options[`${kind}_dash`] = $event"
        />
      </template>
    </div>
    <BFormCheckbox
      :model-value="tracing.options.diagonals === false"
      @update:model-value="tracing.options.diagonals = !$event"
      >No lines across flat four-sided faces</BFormCheckbox
    >
    <BFormCheckbox v-model="tracing.options.hard">Hard pixels, no shades</BFormCheckbox>
    <div class="fields mt-1">
      <SelectField id="ratio" v-model="tracing.ratio" label="Shown here" :choices="RATIOS" />
    </div>
  </div>
</template>
