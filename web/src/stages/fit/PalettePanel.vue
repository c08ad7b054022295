<script setup lang="ts">
/** All materials of a model into the colour cells that are nearest to their colours. */
import { BButton, BFormCheckbox } from "bootstrap-vue-next";
import { computed, ref } from "vue";
import { useFitting } from "@/stages/fit/fitting";
import { useJob } from "@/stores/job";
import ColorSwatch from "@/ui/ColorSwatch.vue";

const jobs = useJob();
const fitting = useFitting();
const collapse = ref(true);

const colored = computed(() => jobs.job!.materials.filter((material) => material.color !== null && material.faces > 0));
const plain = computed(() => jobs.job!.materials.filter((material) => material.color === null && material.faces > 0));
</script>

<template>
  <section aria-label="Palette">
    <h3>Colours of materials</h3>
    <p v-if="colored.length === 0" class="form-text">
      No material of this model has a colour of its own; set them into cells one by one.
    </p>
    <template v-else>
      <p class="d-flex flex-wrap gap-1">
        <ColorSwatch v-for="material in colored" :key="material.name" :color="material.color" :title="material.name" />
      </p>
      <BFormCheckbox v-model="collapse" class="mt-2">One material afterwards</BFormCheckbox>
      <p v-if="plain.length > 0" class="form-text">
        {{ plain.length === 1 ? `${plain[0]!.name} has` : `${plain.length} materials have` }} no colour{{
          fitting.cell === null
            ? " and stay where they are; pick a cell for them"
            : `: into ${fitting.cells[fitting.cell]!.name}`
        }}.
      </p>
      <BButton
        variant="secondary"
        class="btn-wide"
        @click="jobs.operate('map_palette', { neutral: plain.length > 0 ? fitting.cell : null, collapse })"
      >
        Map {{ colored.length }} materials to the nearest colours
      </BButton>
    </template>
  </section>
</template>
