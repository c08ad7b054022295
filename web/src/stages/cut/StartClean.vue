<script setup lang="ts">
/** Clean starts: the file's own map, no map at all, or one seam at the back. */
import { BButton } from "bootstrap-vue-next";
import type { Operations } from "@/api/types";
import { useCutting } from "@/stages/cut/cutting";
import { useJob } from "@/stores/job";
import FoldSection from "@/ui/FoldSection.vue";

const jobs = useJob();
const cutting = useCutting();
const flat = (by: Operations["lay_flat"]["by"], seams: Operations["lay_flat"]["seams"]) =>
  cutting.run("lay_flat", { faces: cutting.target.faces, islands: cutting.target.islands, by, seams });
</script>

<template>
  <FoldSection title="Restart from" folded>
    <div class="row-of flex-wrap">
      <BButton
        v-for="set in jobs.job!.source.uv_sets"
        :key="set.index"
        variant="secondary"
        :disabled="cutting.working"
        @click="cutting.run('choose_uv_set', { set: set.index })"
      >
        The file's map{{ jobs.job!.source.uv_sets.length > 1 ? `, ${set.name}` : "" }}
      </BButton>
      <BButton
        variant="secondary"
        title="Every face an island of its own, at true size"
        :disabled="cutting.working"
        @click="flat('square_on', 'all')"
      >
        Each face alone
      </BButton>
      <BButton
        variant="secondary"
        title="Lids cut off, the rest opened by one seam at the back"
        :disabled="cutting.working"
        @click="flat('wrap', 'none')"
      >
        One seam
      </BButton>
    </div>
  </FoldSection>
</template>
