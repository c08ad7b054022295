<script setup lang="ts">
/**
 * Which island goes into which cell, as the server proposes; how islands keep to their cells; and how lettering reads
 * on them.
 */
import { BButton, BListGroup, BListGroupItem, BProgress } from "bootstrap-vue-next";
import { PhWarning } from "@/ui/icons";
import { computed, ref } from "vue";
import type { Proposal } from "@/api/types";
import { useFitting } from "@/stages/fit/fitting";
import { useMatching } from "@/stages/fit/matching";
import { useJob } from "@/stores/job";
import { counted } from "@/stores/picks";
import { usePreview } from "@/stores/preview";
import { useSelection } from "@/stores/selection";
import FoldSection from "@/ui/FoldSection.vue";
import ComparePanel from "@/ui/maps/ComparePanel.vue";
import NoteBox from "@/ui/NoteBox.vue";
import PreviewCard from "@/ui/PreviewCard.vue";
import BorderList from "./BorderList.vue";
import ReadingList from "./ReadingList.vue";

const REASONS: Record<string, string> = {
  proportion: "proportions",
  outline: "outline",
  size: "size",
  next_to: "what is next to it",
  panels: "panels in their places",
  folded: "how it folds",
  name: "name",
};
const jobs = useJob();
const fitting = useFitting();
const matching = useMatching();
const selection = useSelection();
const previews = usePreview();

/** so many are listed until all are asked for */
const MOST = 4;
const whole = ref(false);
const listed = computed(() => matching.proposals?.slice(0, whole.value ? undefined : MOST) ?? []);
const islands = computed(() => (selection.islands.length > 0 ? [...selection.islands] : null));
const cellNames = (proposal: Proposal) =>
  proposal.cells.length > 1 ? `${proposal.cells.length} cells` : (fitting.cells[proposal.cells[0]!]?.name ?? "");
const islandNames = (proposal: Proposal) => proposal.islands.map((index) => jobs.islands[index]?.name ?? "").join(", ");
const why = (proposal: Proposal) =>
  Object.entries(proposal.reasons)
    .map(([name, value]) => `${REASONS[name] ?? name} ${Math.round(100 * value)} %`)
    .join(", ");
/** how it would read there, where that is not as on the model */
const reading = (proposal: Proposal) =>
  [
    { 0: "", 180: "upside down" }[proposal.turn_deg] ?? `turned ${proposal.turn_deg}°`,
    proposal.mirrored ? "reflected" : "",
  ]
    .filter(Boolean)
    .join(", ");
</script>

<template>
  <section aria-label="Match">
    <NoteBox v-if="fitting.cells.length === 0" plain>
      The picture has no cells yet. Find them under Cells first.
    </NoteBox>
    <template v-else>
      <BButton
        class="btn-wide mt-0"
        :variant="matching.proposals?.length ? 'secondary' : 'primary'"
        :disabled="matching.looking"
        @click="matching.propose(islands)"
      >
        {{
          matching.looking
            ? "Comparing…"
            : `Propose cells for ${islands ? counted(islands.length, "islands") : "all islands"}`
        }}
      </BButton>
      <p v-if="matching.proposals === null" class="form-text">
        By proportions, outline, size, what lies next to what, and names. Nets go onto printed nets as one piece.
      </p>
      <p v-else-if="matching.proposals.length === 0" class="form-text">Nothing is left to accept.</p>
      <template v-else>
        <BButton
          :variant="previews.shown ? 'secondary' : 'primary'"
          class="btn-wide"
          @click="matching.accept(matching.proposals)"
        >
          Accept all {{ matching.proposals.length }}
        </BButton>
        <BListGroup tag="ul" class="proposals mt-2" flush aria-label="Proposals">
          <BListGroupItem
            v-for="(proposal, i) in listed"
            :key="i"
            tag="li"
            class="d-flex align-items-center px-0 gap-2"
            :active="proposal === matching.lit"
          >
            <BButton variant="light" class="pair text-start" :title="why(proposal)" @click="matching.look(proposal)">
              <span class="d-block text-truncate">{{ islandNames(proposal) }}</span>
              <span class="d-block text-truncate form-text mt-0">→ {{ cellNames(proposal) }}</span>
              <span v-if="reading(proposal)" class="d-block reading"
                ><PhWarning weight="fill" /> {{ reading(proposal) }}</span
              >
              <BProgress class="mt-1" aria-label="Confidence" height="4px" :value="100 * proposal.confidence" />
            </BButton>
            <span class="num text-nowrap">{{ Math.round(100 * proposal.confidence) }} %</span>
            <BButton
              variant="link"
              size="sm"
              :aria-label="`Accept ${islandNames(proposal)}`"
              @click="matching.accept([proposal])"
            >
              Accept
            </BButton>
          </BListGroupItem>
        </BListGroup>
        <BButton v-if="matching.proposals.length > MOST" variant="link" size="sm" @click="whole = !whole">
          {{ whole ? `Show ${MOST}` : `Show all ${matching.proposals.length}` }}
        </BButton>
        <PreviewCard />
      </template>
    </template>
    <BorderList />
    <ReadingList />
    <FoldSection title="Kept matches" folded>
      <ComparePanel />
    </FoldSection>
  </section>
</template>

<style scoped>
.reading {
  color: var(--bs-warning-text-emphasis);
}
.pair {
  min-width: 0;
  padding: 0;
  flex: 1;
}
</style>
