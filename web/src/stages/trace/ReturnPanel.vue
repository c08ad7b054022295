<script setup lang="ts">
/** A sheet that was painted elsewhere comes back onto the model, whatever became of the layout since. */
import { BButton } from "bootstrap-vue-next";
import { computed } from "vue";
import { useJob } from "@/stores/job";
import DropZone from "@/ui/DropZone.vue";
import NoteBox from "@/ui/NoteBox.vue";
import ExchangePanel from "./ExchangePanel.vue";
import TemplateChoice from "./TemplateChoice.vue";
import { useReturning } from "./returning";

const jobs = useJob();
const returning = useReturning();
const exported = computed(() => jobs.job?.exported ?? null);
const HOW = { code: "its file says so", lines: "told from its paint" } as const;
const sure = computed(() => {
  const found = returning.last?.found;
  if (!found?.by) return "";
  return found.by === "code" ? HOW.code : `${HOW.lines}, ${Math.round(found.certainty * 100)} % sure`;
});
</script>

<template>
  <section v-if="jobs.job" aria-label="Painted sheets">
    <NoteBox v-if="!exported" plain>
      Export the trace first. What you paint over it in any program comes back here, and lands where it belongs.
    </NoteBox>
    <template v-else>
      <DropZone
        accept="image/*,.tga,.ora"
        :label="returning.busy ? 'Looking…' : 'Bring a painted sheet back'"
        :busy="returning.busy"
        @files="$event[0] && returning.bring($event[0])"
      >
        <p class="mb-2">Drop the sheet that you painted over the trace; save it under the same name to replace it.</p>
      </DropZone>
      <NoteBox v-if="returning.last" plain class="mt-2">
        {{ returning.last.picture.name }} is on the model: painted on layout
        <span class="num">{{ returning.last.found.code }}</span>, {{ sure }}.
      </NoteBox>
      <NoteBox v-if="returning.last && returning.last.found.guide_px > 0" class="mt-2">
        The guide's lines are still in it.
        <BButton variant="link" class="p-0 align-baseline" @click="returning.takeLinesOut()">Take them out</BButton>
      </NoteBox>
      <TemplateChoice />
    </template>
    <ExchangePanel class="mt-2" />
  </section>
</template>
