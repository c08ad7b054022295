<script setup lang="ts">
/** The exported templates, to choose the one that a picture was painted over where that can't be told. */
import { BButton } from "bootstrap-vue-next";
import { api } from "@/api/client";
import { useJob } from "@/stores/job";
import NoteBox from "@/ui/NoteBox.vue";
import { useReturning } from "./returning";

const jobs = useJob();
const returning = useReturning();
const when = (at: string) => new Date(at).toLocaleString([], { dateStyle: "medium", timeStyle: "short" });
</script>

<template>
  <section v-if="jobs.job && returning.unsure" aria-label="Painted over which trace" class="mt-2">
    <NoteBox role="alert">
      {{ returning.unsure.picture.name }} could not be recognised. Which trace was it painted over?
    </NoteBox>
    <ul class="list-unstyled mt-2 mb-0">
      <li v-for="template in returning.unsure.found.templates" :key="template.code">
        <BButton
          variant="light"
          class="d-flex gap-2 w-100 p-1 align-items-center text-start"
          @click="returning.choose(template)"
        >
          <img
            :src="api.urls.template(jobs.job.id, jobs.job.revision, template.code)"
            class="object-fit-contain border rounded"
            width="72"
            height="72"
            alt=""
          />
          <span>
            <b class="num">{{ template.code }}</b><br />
            <span class="num">{{ template.width_px }} × {{ template.height_px }} px</span><br />
            {{ template.present ? "as islands lie now" : when(template.at) }}
            <template v-if="!template.fits"><br />of other proportions: stretches the picture</template>
          </span>
        </BButton>
      </li>
    </ul>
  </section>
</template>
