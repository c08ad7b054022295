<script setup lang="ts">
/** Pictures that are only looked at, such as all sides of the real object, with what is known of their scale. */
import { BButton, BModal } from "bootstrap-vue-next";
import { computed, ref } from "vue";
import { api } from "@/api/client";
import { useFitting } from "@/stages/fit/fitting";
import { useJob } from "@/stores/job";
import RenameField from "@/ui/RenameField.vue";

const jobs = useJob();
const fitting = useFitting();
const open = ref<number | null>(null);

const references = computed(() =>
  fitting.fit_setup.underlays.map((underlay, index) => ({ ...underlay, index })).filter(({ reference }) => reference),
);
const seen = computed(() => references.value.find(({ index }) => index === open.value));
</script>

<template>
  <template v-if="references.length > 0">
    <h3>References</h3>
    <ul class="references list-unstyled">
      <li v-for="reference in references" :key="reference.index" class="d-grid small text-center">
        <BButton
          variant="light"
          class="shot bg-body border"
          :aria-label="`Look at ${reference.name}`"
          @click="open = reference.index"
        >
          <img :src="api.urls.underlay(jobs.job!.id, jobs.job!.revision, reference.index)" alt="" />
        </BButton>
        <RenameField
          :name="reference.scale_note || 'scale not known'"
          :label="`Scale of ${reference.name}`"
          @rename="jobs.operate('change_underlay', { index: reference.index, scale_note: $event })"
        />
        <BButton variant="link" @click="jobs.operate('change_underlay', { index: reference.index, reference: false })">
          Use
        </BButton>
      </li>
    </ul>
    <BModal :model-value="seen !== undefined" size="xl" :title="seen?.name" no-footer @hidden="open = null">
      <p v-if="seen?.scale_note">{{ seen.scale_note }}</p>
      <img
        v-if="seen"
        class="d-block mx-auto"
        style="max-width: 100%; max-height: 66vh"
        :src="api.urls.underlay(jobs.job!.id, jobs.job!.revision, seen.index)"
        :alt="seen.name"
      />
    </BModal>
  </template>
</template>

<style scoped>
.references {
  display: grid;
  margin: 0;
  gap: 8px;
  grid-template-columns: repeat(3, minmax(0, 1fr));
}
</style>
