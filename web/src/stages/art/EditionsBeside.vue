<script setup lang="ts">
/** All editions on the model, seen from one place; a click shows one. */
import { BButton, BModal } from "bootstrap-vue-next";
import { ref } from "vue";
import { api } from "@/api/client";
import { useJob } from "@/stores/job";
import ChoiceBar from "@/ui/ChoiceBar.vue";

const VIEWS = { corner: "Corner", front: "Front", back: "Back", left: "Left", right: "Right", above: "Above" };
const jobs = useJob();
const open = defineModel<boolean>({ required: true });
const view = ref<keyof typeof VIEWS>("corner");

async function show(edition: number) {
  if (edition !== jobs.job!.artwork.shown) await jobs.operate("show_edition", { edition });
  open.value = false;
}
</script>

<template>
  <BModal v-model="open" size="xl" title="Editions side by side" no-footer lazy unmount-lazy>
    <ChoiceBar v-model="view" label="Seen from" :choices="VIEWS" />
    <div class="beside mt-3">
      <BButton
        v-for="(edition, index) in jobs.job!.artwork.editions"
        :key="edition"
        variant="light"
        class="border p-2"
        :pressed="index === jobs.job!.artwork.shown"
        :title="`Show ${edition}`"
        @click="show(index)"
      >
        <img
          class="w-100"
          :src="api.urls.edition(jobs.job!.id, jobs.job!.revision, index, view)"
          :alt="`${edition} on the model`"
        />
        <span class="d-block text-truncate">{{ edition }}</span>
      </BButton>
    </div>
  </BModal>
</template>

<style scoped>
.beside {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(210px, 1fr));
  gap: 12px;
}
</style>
