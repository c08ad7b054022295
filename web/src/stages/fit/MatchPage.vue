<script setup lang="ts">
/**
 * Which island goes into which cell, as the server proposes; how islands keep to their cells; and how lettering reads
 * on them.
 */
import { computed } from "vue";
import type { Proposal } from "@/api/types";
import { useFitting } from "@/stores/fitting";
import { useMatching } from "@/stores/matching";
import { useJob } from "@/stores/job";
import { counted } from "@/stores/picks";
import { useSelection } from "@/stores/selection";
import ComparePanel from "@/ui/maps/ComparePanel.vue";
import BorderList from "./BorderList.vue";
import ReadingList from "./ReadingList.vue";

const REASONS: Record<string, string> = {
  proportion: "proportions",
  outline: "outline",
  size: "size",
  next_to: "what is next to it",
  name: "name",
};
const jobs = useJob();
const fitting = useFitting();
const matching = useMatching();
const selection = useSelection();

const islands = computed(() => (selection.islands.length > 0 ? [...selection.islands] : null));
const cellNames = (one: Proposal) =>
  one.cells.length > 1 ? `${one.cells.length} cells` : (fitting.cells[one.cells[0]!]?.name ?? "");
const islandNames = (one: Proposal) => one.islands.map((index) => jobs.islands[index]?.name ?? "").join(", ");
const why = (one: Proposal) =>
  Object.entries(one.reasons)
    .map(([name, value]) => `${REASONS[name] ?? name} ${Math.round(100 * value)} %`)
    .join(", ");
const turned = (one: Proposal) =>
  `${one.turn_deg ? `, turned ${one.turn_deg}°` : ""}${one.mirrored ? ", mirrored" : ""}`;

function look(one: Proposal) {
  matching.lit = matching.lit === one ? null : one;
  if (matching.lit) selection.islands = [...one.islands];
}
</script>

<template>
  <section aria-label="Match">
    <p v-if="fitting.cells.length === 0" class="note plain">
      The picture has no cells yet. Find them under Cells first.
    </p>
    <template v-else>
      <button
        type="button"
        class="btn btn-wide mt-0"
        :class="matching.proposals?.length ? 'btn-secondary' : 'btn-primary'"
        :disabled="matching.looking"
        @click="matching.propose(islands)"
      >
        {{
          matching.looking
            ? "Comparing…"
            : `Propose cells for ${islands ? counted(islands.length, "islands") : "all islands"}`
        }}
      </button>
      <p v-if="matching.proposals === null" class="what">
        By proportions, outline, size, what lies next to what, and names. Nets go onto printed nets as one piece.
      </p>
      <p v-else-if="matching.proposals.length === 0" class="what">Nothing is left to accept.</p>
      <template v-else>
        <button type="button" class="btn btn-primary btn-wide" @click="matching.accept(matching.proposals)">
          Accept all {{ matching.proposals.length }}
        </button>
        <ul class="proposals" aria-label="Proposals">
          <li v-for="(one, i) in matching.proposals" :key="i" :class="{ on: one === matching.lit }">
            <button type="button" class="pair" :title="why(one)" @click="look(one)">
              <span>{{ islandNames(one) }}</span><span class="to">→ {{ cellNames(one) }}{{ turned(one) }}</span>
              <span class="bar"><span :style="{ width: `${Math.round(100 * one.confidence)}%` }"></span></span>
            </button>
            <span class="num">{{ Math.round(100 * one.confidence) }} %</span>
            <button
              type="button"
              class="take"
              :aria-label="`Accept ${islandNames(one)}`"
              @click="matching.accept([one])"
            >
              Accept
            </button>
          </li>
        </ul>
      </template>
    </template>
    <BorderList />
    <ReadingList />
    <h3>Variations of the assignment</h3>
    <ComparePanel />
  </section>
</template>

<style scoped>
.proposals {
  padding: 0;
  margin: 8px 0 0;
  list-style: none;
}
li {
  display: grid;
  align-items: center;
  padding: 4px 0;
  border-bottom: 1px solid var(--rule);
  gap: 6px;
  grid-template-columns: minmax(0, 1fr) 46px 50px;
}
li.on {
  background: color-mix(in srgb, var(--persimmon-deep) 12%, transparent);
}
.pair {
  display: grid;
  min-width: 0;
  padding: 0;
  border: 0;
  background: transparent;
  color: inherit;
  text-align: left;
}
.pair > span:not(.bar) {
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}
.to {
  color: var(--ink-soft);
  font-size: 12px;
}
.bar {
  height: 4px;
  margin-top: 2px;
  border-radius: 2px;
  background: var(--rule);
}
.bar span {
  display: block;
  height: 100%;
  border-radius: 2px;
  background: var(--verdigris);
}
li .num {
  text-align: right;
  white-space: nowrap;
}
.take {
  padding: 0;
  border: 0;
  background: transparent;
  color: var(--verdigris-text);
  font-size: 12.5px;
  text-decoration: underline;
}
</style>
