<script setup lang="ts">
/** A simple solid by typed measures, for packs and practice pieces. */
import { BButton, BFormSelect } from "bootstrap-vue-next";
import { computed, onMounted, reactive, ref } from "vue";
import { api } from "@/api/client";
import type { Job, Solid } from "@/api/types";
import { useMessages } from "@/stores/messages";
import NumberField from "./NumberField.vue";

const emit = defineEmits<{ made: [job: Job] }>();
const messages = useMessages();
const solids = ref<Solid[]>([]);
const kind = ref("box");
const typed = reactive<Record<string, Record<string, number>>>({});
const making = ref(false);

const solid = computed(() => solids.value.find((one) => one.kind === kind.value));
const measures = computed(() =>
  solid.value
    ? Object.fromEntries(solid.value.measures.map((one) => [one.name, typed[kind.value]?.[one.name] ?? one.default]))
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
    emit("made", await api.startSolid(kind.value, measures.value));
  } catch (error) {
    messages.fail(error);
  } finally {
    making.value = false;
  }
}
</script>

<template>
  <section class="solid" aria-labelledby="solid-title">
    <h2 id="solid-title">Or make a simple solid</h2>
    <div class="fields">
      <label for="solid-kind" class="align-self-center">Solid</label>
      <BFormSelect
        id="solid-kind"
        v-model="kind"
        class="wide"
        :options="solids.map((one) => ({ value: one.kind, text: one.name }))"
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
    <BButton variant="secondary" class="btn-wide" :disabled="!solid || making" @click="make"
      >Make the {{ solid?.name.toLowerCase() ?? "solid" }}</BButton
    >
  </section>
</template>

<style scoped>
.solid {
  display: flex;
  min-height: 268px;
  flex-direction: column;
  padding: 14px 16px 16px;
  border: 1px solid var(--rule);
  border-radius: 8px;
  background: var(--panel);
}
h2 {
  margin: 0 0 10px;
  font-size: 15px;
  font-weight: 650;
}
.fields {
  grid-template-columns: 118px minmax(0, 1fr) minmax(0, 1fr);
}
.btn-wide {
  margin-top: auto;
}
</style>
