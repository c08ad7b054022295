<script setup lang="ts">
/** The states that the job was in, each to be looked at beside the present one, marked by a name, and gone back to. */
import { BButton, BFormInput, BModal } from "bootstrap-vue-next";
import { computed, ref, shallowRef, watch } from "vue";
import { api } from "@/api/client";
import type { PastState } from "@/api/types";
import { useJob } from "@/stores/job";
import { useMessages } from "@/stores/messages";
import ChoiceBar from "./ChoiceBar.vue";

const open = defineModel<boolean>({ required: true });
const jobs = useJob();
const messages = useMessages();
const states = shallowRef<PastState[]>([]);
const chosen = ref<number | null>(null);
const differences = shallowRef<string[] | null>(null);
const view = ref<"sheet" | "model">("sheet");
/** percent from the left that show the present state */
const split = ref(50);
const mark = ref("");

async function told<T>(question: Promise<T>): Promise<T | null> {
  try {
    return await question;
  } catch (error) {
    messages.fail(error);
    return null;
  }
}
const id = () => jobs.job!.id;

watch(
  [open, () => jobs.job?.revision],
  async ([now]) => {
    if (!now) return;
    states.value = (await told(api.history(id()))) ?? [];
    if (!states.value.some(({ revision }) => revision === chosen.value))
      chosen.value = states.value.find(({ shown, undone }) => !shown && !undone)?.revision ?? null;
  },
  { immediate: true },
);
const state = computed(() => states.value.find(({ revision }) => revision === chosen.value) ?? null);
watch(
  [chosen, () => jobs.job?.revision],
  async ([revision]) => {
    differences.value = null;
    mark.value = state.value?.mark ?? "";
    if (revision === null) return;
    const lines = await told(api.differences(id(), revision));
    if (revision === chosen.value) differences.value = lines;
  },
  { immediate: true },
);

async function takeMark() {
  const name = mark.value.trim() || null;
  if (!state.value || name === state.value.mark) return;
  states.value = (await told(api.markState(id(), state.value.revision, name))) ?? states.value;
}
async function back() {
  if (state.value && (await jobs.goBack(state.value.revision))) open.value = false;
}
const picture = (revision: number) =>
  view.value === "sheet" ? api.urls.worn(id(), revision, null) : api.urls.largeModel(id(), revision);
const time = (text: string) => new Date(text).toLocaleString([], { dateStyle: "short", timeStyle: "short" });
</script>

<template>
  <BModal v-model="open" title="History" size="xl" ok-only ok-title="Close" ok-variant="secondary">
    <div v-if="jobs.job" class="history">
      <ol class="states list-unstyled mb-0" aria-label="States of the job">
        <li v-for="own in states" :key="own.revision">
          <BButton
            variant="light"
            class="text-start w-100"
            :class="{ undone: own.undone }"
            :aria-pressed="own.revision === chosen"
            :disabled="own.shown"
            @click="chosen = own.revision"
          >
            <b v-if="own.mark" class="d-block">{{ own.mark }}</b>
            <span class="d-block">{{ own.what }}</span>
            <small class="text-body-secondary"
              >{{ time(own.at) }}{{ own.shown ? ", now" : "" }}{{ own.undone ? ", undone" : ""
              }}{{ own.elsewhere ? ", elsewhere" : "" }}</small
            >
          </BButton>
        </li>
      </ol>
      <div v-if="state" class="beside">
        <div class="d-flex gap-2 align-items-center mb-2">
          <ChoiceBar v-model="view" label="Seen on" :choices="{ sheet: 'Sheet', model: 'Model' }" />
          <span class="form-text mt-0 ms-auto">left: then, right: now</span>
        </div>
        <div class="mat">
          <div class="pictures" :class="view" :style="{ '--split': `${split}%` }">
            <img :src="picture(jobs.job.revision)" alt="As it is now" />
            <img class="then" :src="picture(state.revision)" alt="As it was then" />
          </div>
        </div>
        <BFormInput v-model.number="split" type="range" min="0" max="100" aria-label="How much shows how it was" />
        <ul v-if="differences && differences.length > 0" class="differences mb-2" aria-label="What differs">
          <li v-for="line in differences" :key="line">{{ line }}</li>
        </ul>
        <p v-else-if="differences" class="form-text">Sheet, islands and layers are the same now.</p>
        <form class="d-flex gap-2" @submit.prevent="takeMark">
          <BFormInput
            v-model="mark"
            size="sm"
            maxlength="80"
            placeholder="Name of this state"
            aria-label="Name of this state"
            @blur="takeMark"
          />
          <BButton type="submit" variant="secondary" size="sm" class="text-nowrap">Mark it</BButton>
          <BButton variant="primary" size="sm" class="text-nowrap" @click="back">Go back to it</BButton>
        </form>
        <p class="form-text mb-0">Going back is a step of its own: what was done since stays in the list.</p>
      </div>
      <p v-else class="form-text">Nothing was done yet that could be looked back at.</p>
    </div>
  </BModal>
</template>

<style scoped>
.history {
  display: grid;
  grid-template-columns: minmax(220px, 1fr) minmax(0, 2fr);
  gap: 16px;
}
.states {
  max-height: 60vh;
  overflow: auto;
}
.undone {
  opacity: 0.6;
}
.mat {
  display: grid;
  place-items: center;
  padding: 8px;
  background: var(--mat);
  border-radius: 6px;
}
.pictures {
  position: relative;
  display: grid;
  width: fit-content;
}
.pictures img {
  grid-area: 1 / 1;
  max-width: 100%;
  height: 44vh;
  object-fit: contain;
  background: var(--mat);
}
.pictures.sheet img {
  background: var(--paper);
}
.pictures .then {
  clip-path: inset(0 calc(100% - var(--split)) 0 0);
}
.pictures::after {
  content: "";
  position: absolute;
  inset: 0 auto 0 var(--split);
  width: 2px;
  background: var(--sheet-warning);
}
.differences {
  max-height: 16vh;
  overflow: auto;
  padding-left: 18px;
}
</style>
