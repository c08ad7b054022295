<script setup lang="ts">
/** A simple solid by typed measures, for packs and practice pieces. */
import { BButton, BCard, BFormSelect } from "bootstrap-vue-next";
import { computed, onMounted, reactive, ref } from "vue";
import { api } from "@/api/client";
import type { Job, Solid } from "@/api/types";
import { useMessages } from "@/stores/messages";
import NumberField from "./NumberField.vue";

const emit = defineEmits<{ start: [job: Job] }>();
const messages = useMessages();
const solids = ref<Solid[]>([]);
const kind = ref("box");
const typed = reactive<Record<string, Record<string, number>>>({});
const making = ref(false);

const solid = computed(() => solids.value.find((choice) => choice.kind === kind.value));
const measures = computed(() =>
  solid.value
    ? Object.fromEntries(
        solid.value.measures.map((measure) => [measure.name, typed[kind.value]?.[measure.name] ?? measure.default]),
      )
    : {},
);

onMounted(async () => {
  try {
    solids.value = await api.solids();
  } catch (error) {
    messages.fail(error);
  }
});

function set(name: string, value: number) {
  typed[kind.value] = { ...typed[kind.value], [name]: value };
}

async function make() {
  making.value = true;
  try {
    emit("start", await api.startSolid(kind.value, measures.value));
  } catch (error) {
    messages.fail(error);
  } finally {
    making.value = false;
  }
}
</script>

<template>
  <BCard tag="section" class="solid" body-class="d-flex flex-column" aria-labelledby="solid-title">
    <h2 id="solid-title">Or make a simple solid</h2>
    <div class="fields">
      <label for="solid-kind">Solid</label>
      <BFormSelect
        id="solid-kind"
        v-model="kind"
        class="wide"
        :options="solids.map(({ kind, name }) => ({ value: kind, text: name }))"
      />
      <NumberField
        v-for="measure in solid?.measures ?? []"
        :key="kind + measure.name"
        class="wide"
        :label="measure.label"
        :unit="measure.unit"
        :value="measures[measure.name] ?? measure.default"
        @change="set(measure.name, $event)"
      />
    </div>
    <BButton variant="secondary" class="mt-auto" :disabled="!solid || making" @click="make"
      >Make the {{ solid?.name.toLowerCase() ?? "solid" }}</BButton
    >
  </BCard>
</template>

<style scoped>
.solid {
  min-height: 268px;
}
.fields {
  grid-template-columns: 118px minmax(0, 1fr) minmax(0, 1fr);
}
</style>
