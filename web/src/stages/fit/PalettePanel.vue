<script setup lang="ts">
/** All materials of a model into the colour cells that are nearest to their colours. */
import { computed, ref } from "vue";
import { useFitting } from "@/stores/fitting";
import { useJob } from "@/stores/job";

const jobs = useJob();
const fitting = useFitting();
const collapse = ref(true);

const colored = computed(() => jobs.job!.materials.filter((material) => material.color !== null && material.faces > 0));
const plain = computed(() => jobs.job!.materials.filter((material) => material.color === null && material.faces > 0));
const css = (color: [number, number, number, number]) =>
  `rgb(${color
    .slice(0, 3)
    .map((share) => Math.round(share * 255))
    .join(" ")})`;
</script>

<template>
  <section aria-label="Palette">
    <h3>Colours of materials</h3>
    <p v-if="colored.length === 0" class="what">
      No material of this model has a colour of its own; set them into cells one by one.
    </p>
    <template v-else>
      <p class="chips">
        <span
          v-for="material in colored"
          :key="material.name"
          class="chip"
          :style="{ background: css(material.color!) }"
          :title="material.name"
        ></span>
      </p>
      <label class="mode"
        ><input v-model="collapse" type="checkbox" class="form-check-input" /> One material afterwards</label
      >
      <p v-if="plain.length > 0" class="what">
        {{ plain.length === 1 ? `${plain[0]!.name} has` : `${plain.length} materials have` }} no colour{{
          fitting.cell === null
            ? " and stay where they are; pick a cell for them"
            : `: into ${fitting.cells[fitting.cell]!.name}`
        }}.
      </p>
      <button
        type="button"
        class="btn-choose btn-wide"
        @click="jobs.operate('map_palette', { neutral: plain.length > 0 ? fitting.cell : null, collapse })"
      >
        Map {{ colored.length }} materials to the nearest colours
      </button>
    </template>
  </section>
</template>

<style scoped>
.chips {
  display: flex;
  flex-wrap: wrap;
  gap: 4px;
}
.chip {
  width: 20px;
  height: 20px;
  border: 1px solid var(--rule-strong);
  border-radius: 4px;
}
</style>
