<script setup lang="ts">
/** Job name, sheet, undo and redo, the state of saving, density. */
import { PhArrowArcLeft, PhArrowArcRight, PhKeyboard, PhMoon, PhSun } from "@phosphor-icons/vue";
import { computed, ref } from "vue";
import { useJob } from "@/stores/job";
import { usePreflight } from "@/stores/preflight";
import { useSettings } from "@/stores/settings";
import SeverityMark from "./SeverityMark.vue";

const emit = defineEmits<{ keys: [] }>();
const jobs = useJob();
const settings = useSettings();
const preflight = usePreflight();
const SEVERITIES = ["error", "warning", "hint"] as const;
const naming = ref<string | null>(null);

const savedAt = computed(() => {
  if (!jobs.saved) return "saving…";
  return jobs.job
    ? `saved ${new Date(jobs.job.saved_at).toLocaleTimeString([], { hour: "2-digit", minute: "2-digit" })}`
    : "";
});
const vFocus = { mounted: (element: HTMLInputElement) => element.select() };

function rename() {
  const name = naming.value?.trim();
  naming.value = null;
  if (name && name !== jobs.job?.name) void jobs.rename(name);
}
</script>

<template>
  <header v-if="jobs.job" class="top-bar">
    <RouterLink to="/" class="home" title="All jobs"
      ><img src="@/assets/mark.svg" alt="All jobs" width="26" height="26"
    /></RouterLink>
    <input
      v-if="naming !== null"
      v-model="naming"
      v-focus
      class="name"
      aria-label="Job name"
      maxlength="80"
      @blur="rename"
      @keydown.enter="rename"
      @keydown.esc="naming = null"
    />
    <h1 v-else>
      <button class="name" type="button" title="Rename the job" @click="naming = jobs.job.name">
        {{ jobs.job.name }}
      </button>
    </h1>
    <span class="chip">{{ jobs.job.artwork.editions[jobs.job.artwork.shown] }}</span>
    <span class="chip num">{{ jobs.job.sheet.width_px }} × {{ jobs.job.sheet.height_px }} px</span>
    <div class="history" role="group" aria-label="History">
      <button
        type="button"
        :disabled="!jobs.job.history.undo"
        :title="jobs.job.history.undo ? `Undo: ${jobs.job.history.undo} (Ctrl+Z)` : 'Nothing to undo'"
        @click="jobs.undo()"
      >
        <PhArrowArcLeft :size="16" aria-hidden="true" /> Undo
      </button>
      <button
        type="button"
        :disabled="!jobs.job.history.redo"
        :title="jobs.job.history.redo ? `Redo: ${jobs.job.history.redo} (Ctrl+Shift+Z)` : 'Nothing to redo'"
        @click="jobs.redo()"
      >
        <PhArrowArcRight :size="16" aria-hidden="true" /> Redo
      </button>
    </div>
    <span class="saved" role="status">{{ savedAt }}</span>
    <span class="gap"></span>
    <RouterLink
      class="chip preflight"
      :to="{ params: { stage: 'model' }, query: { view: 'preflight' } }"
      :title="preflight.checking ? 'Checking' : 'Open the preflight report'"
    >
      Preflight
      <template v-if="preflight.report">
        <template v-for="severity in SEVERITIES" :key="severity">
          <span v-if="preflight.report.counts[severity] > 0" class="count"
            ><SeverityMark :severity="severity" /><span class="num">{{ preflight.report.counts[severity] }}</span></span
          >
        </template>
        <span v-if="preflight.findings.length === 0" class="good">clean</span>
      </template>
    </RouterLink>
    <span class="num density"
      >{{ jobs.islands.length }} {{ jobs.islands.length === 1 ? "island" : "islands" }},
      {{ jobs.job.density_px_per_mm.toFixed(2) }} px/mm</span
    >
    <button class="icon" type="button" title="Keys ( ? )" aria-label="Keys" @click="emit('keys')">
      <PhKeyboard :size="18" />
    </button>
    <button
      class="icon"
      type="button"
      :title="settings.theme === 'light' ? 'Dark bench' : 'Light bench'"
      aria-label="Light or dark bench"
      @click="settings.theme = settings.theme === 'light' ? 'dark' : 'light'"
    >
      <PhMoon v-if="settings.theme === 'light'" :size="18" /><PhSun v-else :size="18" />
    </button>
  </header>
</template>

<style scoped>
.top-bar {
  display: flex;
  align-items: center;
  gap: 12px;
  padding: 0 12px;
  border-bottom: 1px solid var(--rule);
  background: var(--panel);
  white-space: nowrap;
}
.home {
  display: flex;
}
h1 {
  display: flex;
  min-width: 0;
  margin: 0;
}
.name {
  overflow: hidden;
  max-width: 240px;
  padding: 2px 6px;
  border: 1px solid transparent;
  border-radius: 5px;
  background: transparent;
  color: var(--ink);
  font-size: 16px;
  font-weight: 650;
  text-align: left;
  text-overflow: ellipsis;
}
.name:hover,
input.name {
  border-color: var(--rule);
}
.chip {
  padding: 3px 9px;
  border: 1px solid var(--rule);
  border-radius: 5px;
  background: var(--ground);
  font-size: 12px;
}
.preflight {
  display: inline-flex;
  align-items: center;
  color: var(--ink);
  gap: 8px;
  text-decoration: none;
}
.preflight:hover {
  border-color: var(--ink-soft);
}
.count {
  display: inline-flex;
  align-items: center;
  gap: 3px;
}
.good {
  color: var(--verdigris-text);
}
.history {
  display: flex;
  gap: 6px;
}
button:not(.name) {
  display: inline-flex;
  align-items: center;
  gap: 5px;
  padding: 4px 9px;
  border: 1px solid var(--rule);
  border-radius: 5px;
  background: var(--ground);
  color: var(--ink);
  font-size: 13px;
}
button.icon {
  padding: 4px 6px;
  border-color: transparent;
  background: transparent;
}
button:not(.name):hover:not(:disabled) {
  border-color: var(--ink-soft);
}
button:disabled {
  color: var(--ink-faint);
}
.saved,
.density {
  color: var(--ink-soft);
  font-size: 12px;
}
.gap {
  flex: 1;
}
</style>
