<script setup lang="ts">
/** The buttons that have the next clicks on the model put something there. */
import { BButton, BButtonGroup } from "bootstrap-vue-next";
import { computed } from "vue";
import { useJob } from "@/stores/job";
import { counted, usePicks } from "@/stores/picks";
import { useSelection } from "@/stores/selection";
import type { NewContent } from "./adding";
import { usePlacing, type PlacedAs } from "./placing";

const WAYS: Record<PlacedAs, { title: string; hint: string }> = {
  surface: { title: "As decal", hint: "Click where its middle goes, or press Escape." },
  level: { title: "Round it", hint: "Click the height that it runs at, or press Escape." },
  path: { title: "Along a path", hint: "Click from spot to spot; Enter or a double click ends it, Escape leaves it." },
};
const props = defineProps<{
  content: NewContent;
  aspect: number;
  /** all ways if not given */
  ways?: PlacedAs[];
}>();
const jobs = useJob();
const picks = usePicks();
const placing = usePlacing();
const selection = useSelection();
const ways = computed(() => props.ways ?? (Object.keys(WAYS) as PlacedAs[]));
const armed = computed(() => (placing.next?.content.kind === props.content.kind ? placing.next.as : null));
const edges = computed(() => [...picks.sets.edges]);
const island = computed(() => (selection.islands.length === 1 ? jobs.islands[selection.islands[0]!] : undefined));

function arm(as: PlacedAs) {
  const again = armed.value === as;
  placing.leave();
  if (again) return;
  selection.layer = null;
  placing.next = { content: props.content, aspect: props.aspect, as };
}
</script>

<template>
  <div class="mt-2">
    <div class="form-label mb-1">On the model</div>
    <BButtonGroup class="w-100" aria-label="On the model">
      <BButton v-for="as in ways" :key="as" variant="secondary" size="sm" :pressed="armed === as" @click="arm(as)">
        {{ WAYS[as].title }}
      </BButton>
    </BButtonGroup>
    <p v-if="armed" class="form-text mt-1 mb-0" role="status">{{ WAYS[armed].hint }}</p>
    <BButton
      v-if="island"
      variant="secondary"
      size="sm"
      class="btn-wide mt-1"
      @click="placing.along(content, { rim_of: selection.islands[0]! })"
    >
      Along the rim of {{ island.name }}
    </BButton>
    <BButton
      v-if="edges.length"
      variant="secondary"
      size="sm"
      class="btn-wide mt-1"
      @click="placing.along(content, { edges })"
    >
      Along the {{ counted(edges.length, "edges") }} picked
    </BButton>
  </div>
</template>
