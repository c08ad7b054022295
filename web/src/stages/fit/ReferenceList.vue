<script setup lang="ts">
/** Pictures that are only looked at, such as all sides of the real object, with what is known of their scale. */
import { BModal } from "bootstrap-vue-next";
import { computed, ref } from "vue";
import { api } from "@/api/client";
import { useFitting } from "@/stores/fitting";
import { useJob } from "@/stores/job";
import RenameField from "@/ui/RenameField.vue";

const jobs = useJob();
const fitting = useFitting();
const open = ref<number | null>(null);

const references = computed(() =>
  fitting.fit_setup.underlays.map((one, index) => ({ ...one, index })).filter((one) => one.reference),
);
const seen = computed(() => references.value.find((one) => one.index === open.value));
</script>

<template>
  <template v-if="references.length > 0">
    <h3>Only looked at</h3>
    <ul class="references">
      <li v-for="one in references" :key="one.index">
        <button type="button" :aria-label="`Look at ${one.name}`" @click="open = one.index">
          <img :src="api.urls.underlay(jobs.job!.id, jobs.job!.revision, one.index)" alt="" />
        </button>
        <RenameField
          :name="one.scale_note || 'scale not known'"
          :label="`Scale of ${one.name}`"
          @rename="jobs.operate('change_underlay', { index: one.index, scale_note: $event })"
        />
        <button
          type="button"
          class="text"
          @click="jobs.operate('change_underlay', { index: one.index, reference: false })"
        >
          Use
        </button>
      </li>
    </ul>
    <BModal :model-value="seen !== undefined" size="xl" :title="seen?.name" no-footer @hidden="open = null">
      <p v-if="seen?.scale_note">{{ seen.scale_note }}</p>
      <img
        v-if="seen"
        class="large"
        :src="api.urls.underlay(jobs.job!.id, jobs.job!.revision, seen.index)"
        :alt="seen.name"
      />
    </BModal>
  </template>
</template>

<style scoped>
.references {
  display: grid;
  padding: 0;
  margin: 0;
  gap: 8px;
  grid-template-columns: repeat(3, minmax(0, 1fr));
  list-style: none;
}
li {
  display: grid;
  font-size: 11.5px;
  text-align: center;
}
li > button:first-child {
  display: grid;
  height: 60px;
  padding: 2px;
  border: 1px solid var(--rule);
  border-radius: 5px;
  background: var(--ground);
  place-items: center;
}
li img {
  max-width: 100%;
  max-height: 52px;
}
.text {
  padding: 0;
  border: 0;
  background: transparent;
  color: var(--verdigris-text);
  text-decoration: underline;
}
.large {
  display: block;
  max-width: 100%;
  max-height: 66vh;
  margin: auto;
}
</style>
