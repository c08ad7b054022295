<script setup lang="ts">
/** Job name, sheet, undo and redo, the state of saving, density. */
import { BButton, BFormInput, BFormSelect } from "bootstrap-vue-next";
import {
  PhArrowArcLeft,
  PhArrowArcRight,
  PhClockCounterClockwise,
  PhKeyboard,
  PhRows,
  PhSidebarSimple,
} from "@/ui/icons";
import { computed, ref } from "vue";
import { useRouter } from "vue-router";
import type { Step } from "@/api/types";
import { useBench } from "@/stores/bench";
import { useJob } from "@/stores/job";
import { counted } from "@/stores/picks";
import { usePreflight } from "@/stores/preflight";
import HistoryDialog from "./HistoryDialog.vue";
import SeverityMark from "./SeverityMark.vue";
import ThemeButton from "./ThemeButton.vue";

const emit = defineEmits<{ keys: [] }>();
const bench = useBench();
const jobs = useJob();
const preflight = usePreflight();
const router = useRouter();
const SEVERITIES = ["error", "warning", "hint"] as const;
const naming = ref<string | null>(null);
const history = ref(false);

const savedAt = computed(() => {
  if (!jobs.saved) return "saving…";
  return jobs.job
    ? `saved ${new Date(jobs.job.saved_at).toLocaleTimeString([], { hour: "2-digit", minute: "2-digit" })}`
    : "";
});

/** islands lie elsewhere than on the template that was exported last */
const outdated = computed(() => jobs.job?.exported && jobs.job.exported.code !== jobs.job.layout_code);

const step = (word: string, done: Step | null, keys: string) =>
  done
    ? `${word}: ${done.what}${done.elsewhere ? ", done on another page" : ""} (${keys})`
    : `Nothing to ${word.toLowerCase()}`;

/** One stop for Tab; the arrows go on within it, as in any toolbar. */
function besides(event: KeyboardEvent, by: number) {
  const bar = event.currentTarget as HTMLElement;
  const buttons = [...bar.querySelectorAll<HTMLButtonElement>(":scope > button:not(:disabled)")];
  buttons[buttons.indexOf(event.target as HTMLButtonElement) + by]?.focus();
}

const editions = computed(() => [
  ...jobs.job!.artwork.editions.map((text, value) => ({ value: value as number | null, text })),
  { value: null, text: "Editions…" },
]);
function showEdition(edition: number | null) {
  if (edition === null) void router.push({ params: { stage: "art" }, query: { page: "editions" } });
  else void jobs.operate("show_edition", { edition });
}

function rename() {
  const name = naming.value?.trim();
  naming.value = null;
  if (name && name !== jobs.job?.name) void jobs.rename(name);
}
</script>

<template>
  <header v-if="jobs.job" class="top-bar border-bottom text-nowrap">
    <RouterLink to="/" class="home d-flex" title="All jobs"
      ><img src="@/assets/mark.svg" alt="All jobs" width="26" height="26"
    /></RouterLink>
    <BFormInput
      v-if="naming !== null"
      v-model="naming"
      class="name"
      aria-label="Job name"
      maxlength="80"
      autofocus
      @focus="($event.target as HTMLInputElement).select()"
      @blur="rename"
      @keydown.enter="rename"
      @keydown.esc="naming = null"
    />
    <h1 v-else class="d-flex mb-0">
      <BButton variant="light" class="name text-truncate" title="Rename the job" @click="naming = jobs.job.name">
        {{ jobs.job.name }}
      </BButton>
    </h1>
    <BFormSelect
      class="edition wide"
      size="sm"
      aria-label="Edition"
      :title="`Edition ${jobs.job.artwork.editions[jobs.job.artwork.shown]}`"
      :model-value="jobs.job.artwork.shown"
      :options="editions"
      @update:model-value="showEdition($event as number | null)"
    />
    <RouterLink
      class="chip num text-body text-decoration-none"
      :to="{ params: { stage: 'layout' }, hash: '#size-preset' }"
      title="Set the sheet's size"
      @click="bench.unfold('Sheet')"
      >{{ jobs.job.sheet.width_px }} × {{ jobs.job.sheet.height_px }} px</RouterLink
    >
    <div
      class="d-flex gap-2"
      role="toolbar"
      aria-label="Steps"
      @keydown.left.prevent="besides($event, -1)"
      @keydown.right.prevent="besides($event, 1)"
    >
      <BButton
        variant="secondary"
        size="sm"
        :disabled="!jobs.job.history.undo"
        aria-label="Undo"
        :title="step('Undo', jobs.job.history.undo, 'Ctrl+Z')"
        @click="jobs.undo()"
      >
        <PhArrowArcLeft :size="16" aria-hidden="true" /><span class="wide ms-1">Undo</span>
      </BButton>
      <BButton
        variant="secondary"
        size="sm"
        :disabled="!jobs.job.history.redo"
        aria-label="Redo"
        :tabindex="jobs.job.history.undo ? -1 : 0"
        :title="step('Redo', jobs.job.history.redo, 'Ctrl+Shift+Z')"
        @click="jobs.redo()"
      >
        <PhArrowArcRight :size="16" aria-hidden="true" /><span class="wide ms-1">Redo</span>
      </BButton>
      <BButton
        variant="secondary"
        size="sm"
        aria-label="History"
        :tabindex="jobs.job.history.undo || jobs.job.history.redo ? -1 : 0"
        title="All steps: look at any state, mark it, go back to it"
        @click="history = true"
      >
        <PhClockCounterClockwise :size="16" aria-hidden="true" />
      </BButton>
      <HistoryDialog v-if="history" v-model="history" />
    </div>
    <span class="form-text mt-0 me-auto" role="status"
      ><span class="wide">{{ savedAt }}</span></span
    >
    <RouterLink
      v-if="outdated"
      class="chip text-body text-decoration-none"
      :to="{ params: { stage: 'trace' } }"
      :title="`The template exported last is of the layout ${jobs.job.exported!.code}; this is ${jobs.job.layout_code}`"
      >Template out of date</RouterLink
    >
    <RouterLink
      class="chip preflight d-inline-flex gap-2 text-body text-decoration-none"
      :to="{ params: { stage: 'model' }, query: { page: 'preflight' } }"
      :title="preflight.checking ? 'Checking' : 'Open the preflight report'"
    >
      <span class="wide">Preflight</span>
      <template v-if="preflight.report">
        <template v-for="severity in SEVERITIES" :key="severity">
          <span v-if="preflight.report.counts[severity] > 0" class="d-inline-flex align-items-center gap-1"
            ><SeverityMark :severity="severity" /><span class="num">{{ preflight.report.counts[severity] }}</span></span
          >
        </template>
        <span v-if="preflight.findings.length === 0" class="text-success-emphasis">clean</span>
      </template>
    </RouterLink>
    <RouterLink
      class="chip num text-body text-decoration-none"
      :to="{ params: { stage: 'layout' }, query: { page: 'scale' } }"
      title="Density of every island with art"
      >{{ counted(jobs.islands.length, "islands") }}, {{ jobs.job.density_px_per_mm.toFixed(2) }} px/mm</RouterLink
    >
    <div class="d-flex" role="group" aria-label="Bench">
      <BButton
        variant="light"
        :aria-pressed="bench.strip"
        aria-label="Strip of islands"
        :title="`${bench.strip ? 'Fold' : 'Show'} the strip of islands ( l )`"
        @click="bench.strip = !bench.strip"
      >
        <PhRows :size="18" :weight="bench.strip ? 'fill' : 'regular'" aria-hidden="true" />
      </BButton>
      <BButton
        variant="light"
        :aria-pressed="bench.inspector"
        aria-label="Inspector"
        :title="`${bench.inspector ? 'Fold' : 'Show'} the inspector ( i )`"
        @click="bench.inspector = !bench.inspector"
      >
        <PhSidebarSimple :size="18" mirrored :weight="bench.inspector ? 'fill' : 'regular'" aria-hidden="true" />
      </BButton>
    </div>
    <BButton variant="light" title="Keys ( ? )" aria-label="Keys" @click="emit('keys')">
      <PhKeyboard :size="18" />
    </BButton>
    <ThemeButton />
  </header>
</template>

<style scoped>
.top-bar {
  display: flex;
  align-items: center;
  gap: 12px;
  padding: 0 12px;
  background: var(--bs-tertiary-bg);
}
.name {
  min-width: 120px;
  max-width: 240px;
  font-size: 16px;
  font-weight: 650;
}
@media (max-width: 1099px) {
  .top-bar {
    gap: 8px;
  }
  .wide {
    display: none;
  }
}
.btn.name:hover {
  border-color: var(--bs-border-color);
}
.edition {
  width: auto;
  max-width: 150px;
  min-width: 90px;
  padding-right: 2rem;
  text-overflow: ellipsis;
}
.chip {
  padding: 3px 9px;
  border: 1px solid var(--bs-border-color);
  border-radius: 5px;
  background: var(--bs-body-bg);
  font-size: 12px;
}
.chip[href]:hover {
  border-color: var(--bs-secondary-color);
}
</style>
