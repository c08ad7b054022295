<script setup lang="ts">
/** The preflight report: what is wrong, where, what it means, and a mend where there is one. */
import { PhCheckCircle } from "@phosphor-icons/vue";
import { ref } from "vue";
import type { Finding, Place } from "@/api/types";
import { useJob } from "@/stores/job";
import { usePreflight } from "@/stores/preflight";
import { useSelection } from "@/stores/selection";
import NumberField from "@/ui/NumberField.vue";
import SeverityMark from "@/ui/SeverityMark.vue";

const FEW = 4;

const jobs = useJob();
const preflight = usePreflight();
const selection = useSelection();
const opened = ref<string | null>(null);
const lit = ref<Place | null>(null);

const key = (finding: Finding) => `${finding.code}-${finding.severity}`;

function look(place: Place) {
  lit.value = place;
  selection.lookAt(place);
}

function open(finding: Finding) {
  opened.value = opened.value === key(finding) ? null : key(finding);
  if (opened.value && finding.places[0]) look(finding.places[0]);
}

/** To the next place of a finding, round and round. */
function step(finding: Finding, by: number) {
  const at = finding.places.findIndex((place) => place.text === lit.value?.text);
  const next = finding.places[(at + by + finding.places.length) % finding.places.length];
  if (next) look(next);
}

const shownPlaces = (finding: Finding) => {
  const at = Math.max(
    finding.places.findIndex((place) => place.text === lit.value?.text),
    0,
  );
  const start = Math.min(Math.max(at - 1, 0), Math.max(finding.places.length - FEW, 0));
  return finding.places.slice(start, start + FEW);
};
</script>

<template>
  <p v-if="preflight.report && preflight.findings.length === 0" class="clean">
    <PhCheckCircle :size="22" aria-hidden="true" /> Nothing to mend. Paint away.
  </p>
  <p v-else-if="!preflight.report">Checking…</p>
  <ul class="findings" :aria-busy="preflight.checking">
    <li
      v-for="finding in preflight.findings"
      :key="key(finding)"
      class="finding"
      :class="[finding.severity, { on: opened === key(finding) }]"
    >
      <button type="button" class="head" :aria-expanded="opened === key(finding)" @click="open(finding)">
        <SeverityMark :severity="finding.severity" /><span>{{ finding.message }}</span>
      </button>
      <div v-if="opened === key(finding)" class="body">
        <p>{{ finding.meaning }}</p>
        <ul class="places">
          <li v-for="(place, i) in shownPlaces(finding)" :key="i">
            <button type="button" :class="{ lit: place.text === lit?.text }" @click="look(place)">
              {{ place.text }}
            </button>
          </li>
        </ul>
        <p v-if="finding.count > FEW" class="steps">
          <button type="button" class="btn-choose" aria-label="Place before" @click="step(finding, -1)">‹</button>
          <span class="num">{{ finding.count }} places</span>
          <button type="button" class="btn-choose" aria-label="Next place" @click="step(finding, 1)">›</button>
        </p>
        <button
          v-if="finding.mend"
          type="button"
          class="btn btn-primary mend"
          @click="jobs.operate(finding.mend.operation, finding.mend.parameters)"
        >
          {{ finding.mend.label }}
        </button>
      </div>
    </li>
  </ul>
  <h3>Limits</h3>
  <div v-if="jobs.job" class="fields">
    <NumberField
      class="wide"
      label="Gutter"
      :value="jobs.job.gutter_px"
      unit="px"
      :decimals="0"
      @change="jobs.operate('set_gutter', { gutter_px: Math.round($event) })"
    />
  </div>
  <p class="soft">
    Islands tagged plain may be stretched up to 1.3 and have any density; art islands up to 1.02, and within 5 % of each
    other.
  </p>
</template>

<style scoped>
ul {
  padding: 0;
  margin: 0;
  list-style: none;
}
.finding {
  border: 1px solid var(--rule);
  border-radius: 6px;
  margin-bottom: 6px;
}
.finding.on {
  border-color: var(--ink-soft);
}
.head {
  display: flex;
  width: 100%;
  align-items: flex-start;
  padding: 7px 9px 7px 7px;
  border: 0;
  background: transparent;
  color: var(--ink);
  gap: 8px;
  line-height: 1.25;
  text-align: left;
}
.body {
  padding: 0 9px 9px;
}
.body p {
  color: var(--ink-soft);
  font-size: 12.5px;
}
.places button {
  width: 100%;
  padding: 2px 7px;
  border: 0;
  border-left: 3px solid var(--rule);
  background: transparent;
  color: var(--ink);
  font-size: 12.5px;
  text-align: left;
}
.places button.lit {
  border-left-color: var(--persimmon);
  background: var(--ground);
  font-weight: 600;
}
.steps {
  display: flex;
  align-items: center;
  justify-content: space-between;
  margin: 5px 0 0 !important;
}
.steps button {
  padding: 0 12px;
}
.mend {
  width: 100%;
  margin-top: 8px;
}
.clean {
  display: flex;
  align-items: center;
  color: var(--verdigris-text);
  gap: 8px;
}
.soft {
  color: var(--ink-soft);
  font-size: 12px;
}
</style>
