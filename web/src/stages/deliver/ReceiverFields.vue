<script setup lang="ts">
/** Receivers that are kept for all jobs: taken, kept under a name, removed, saved as a file and loaded. */
import { BButton, BFormInput, BFormSelect } from "bootstrap-vue-next";
import { computed, onMounted, ref } from "vue";
import { api } from "@/api/client";
import type { DeliveryOptions, ReceiverRules } from "@/api/types";
import { useReceivers } from "@/stores/receivers";
import FileButton from "@/ui/FileButton.vue";
import { NO_RULES, USUAL } from "./delivery";

const options = defineModel<DeliveryOptions>("options", { required: true });
const rules = defineModel<ReceiverRules>("rules", { required: true });
const receivers = useReceivers();
const name = ref("");
const known = computed(() => receivers.list.some((own) => own.name === name.value.trim()));
onMounted(receivers.open);

function take(chosen: string) {
  const found = receivers.list.find((own) => own.name === chosen);
  if (!found) return;
  options.value = { ...USUAL, ...found.options };
  rules.value = { ...NO_RULES, ...found.rules };
  name.value = found.name;
}
const keep = () =>
  receivers.keep({ name: name.value.trim(), options: { ...options.value }, rules: { ...rules.value } });
</script>

<template>
  <h3>Receivers</h3>
  <BFormSelect
    v-if="receivers.list.length"
    size="sm"
    aria-label="Receivers that are kept"
    :model-value="known ? name.trim() : ''"
    :options="[
      { value: '', text: 'Take a kept one…', disabled: true },
      ...receivers.list.map((own) => ({ value: own.name, text: own.name })),
    ]"
    @update:model-value="take(String($event))"
  />
  <div class="row-of mt-1">
    <BFormInput v-model="name" size="sm" placeholder="Name, to keep this" aria-label="Name of the receiver" />
    <BButton variant="secondary" size="sm" :disabled="!name.trim()" @click="keep">{{
      known ? "Keep anew" : "Keep"
    }}</BButton>
    <BButton v-if="known" variant="secondary" size="sm" @click="receivers.remove(name.trim())">Remove</BButton>
  </div>
  <div class="row-of mt-1">
    <FileButton accept=".json,application/json" label="Load receivers" @files="([file]) => receivers.load(file!)"
      >Load…</FileButton
    >
    <BButton
      variant="secondary"
      size="sm"
      :href="api.urls.receivers"
      download="receivers.json"
      :disabled="!receivers.list.length"
      >Save</BButton
    >
  </div>
</template>
