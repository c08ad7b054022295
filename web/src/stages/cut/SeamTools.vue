<script setup lang="ts">
/** Picking edges on the model, or having them proposed; then cutting along them or sewing them up. */
import { computed, onUnmounted } from "vue";
import { useJob } from "@/stores/job";
import { useSeams } from "@/stores/seams";
import { useSelection } from "@/stores/selection";

const props = defineProps<{ angle: number }>();
const jobs = useJob();
const seams = useSeams();
const selection = useSelection();
/** Pieces that are not discs, and so lack a cut. */
const lacking = computed(() => (seams.pieces?.pieces ?? []).filter((piece) => piece.missing_cut !== null));
const count = computed(() => seams.picked.size);

onUnmounted(() => {
  seams.picking = false;
  seams.hovered = null;
});

async function run(name: string, parameters: object) {
  if (await jobs.operate(name, parameters)) seams.clear();
}
const mark = (cut: boolean) => run("mark_seams", { edges: [...seams.picked], cut });
</script>

<template>
  <section aria-label="Seams on the model">
    <label class="mode"><input v-model="seams.picking" type="checkbox" class="form-check-input" /> Pick edges on the model</label>
    <p v-if="seams.picking" class="what">A click picks an edge, Ctrl-click its whole loop, Shift-click the shortest way from the last one.</p>
    <div class="row-of">
      <button type="button" class="btn-choose" @click="seams.ask('suggestion', {})">Suggest a cut</button>
      <button type="button" class="btn-choose" @click="seams.ask('angle', { angle_deg: props.angle })">Bends over {{ angle }}°</button>
    </div>
    <div class="row-of">
      <button type="button" class="btn-choose" :disabled="count === 0" @click="mark(true)">Cut {{ count }}</button>
      <button type="button" class="btn-choose" :disabled="count === 0" @click="mark(false)">Sew up</button>
      <button type="button" class="btn-choose" :disabled="count === 0" title="Bring the islands on either side together along these edges" @click="run('join_islands', { edges: [...seams.picked] })">Join</button>
      <button type="button" class="btn-choose" :disabled="count === 0" @click="seams.clear()">None</button>
    </div>
    <p v-if="seams.pieces" class="what">{{ seams.pieces.count }} {{ seams.pieces.count === 1 ? "piece" : "pieces" }}{{ lacking.length === 0 ? ", each can be laid flat." : ":" }}</p>
    <ul v-if="lacking.length > 0">
      <li v-for="piece in lacking.slice(0, 5)" :key="piece.piece">
        <button type="button" @click="selection.lookAt({ faces: piece.some_faces, islands: [] })">{{ piece.part }}, {{ piece.faces }} faces</button>: {{ piece.missing_cut }}
      </li>
    </ul>
  </section>
</template>

<style scoped>
.mode {
  display: flex;
  align-items: center;
  gap: 7px;
}
.what {
  margin: 4px 0 0 !important;
  color: var(--ink-soft);
  font-size: 12.5px;
}
ul {
  padding: 0;
  margin: 4px 0 0;
  font-size: 12.5px;
  list-style: none;
}
li {
  padding: 2px 0 2px 7px;
  border-left: 3px solid var(--saffron);
}
li button {
  padding: 0;
  border: 0;
  background: transparent;
  color: var(--verdigris-text);
  text-decoration: underline;
}
.row-of {
  display: flex;
  margin-top: 7px;
  gap: 6px;
}
.row-of button {
  flex: 1;
  padding: 3px 4px;
  white-space: nowrap;
}
.row-of button:disabled {
  color: var(--ink-faint);
}
</style>
