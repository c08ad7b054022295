<script setup lang="ts">
/** Parts and materials: hide and show, rename, and parts that are alike made twins. */
import { BButton, BFormCheckbox, BListGroup, BListGroupItem } from "bootstrap-vue-next";
import { PhEye, PhEyeSlash, PhSplitHorizontal, PhTarget } from "@/ui/icons";
import { computed } from "vue";
import { useJob } from "@/stores/job";
import { useSelection } from "@/stores/selection";
import { useSettings } from "@/stores/settings";
import { useSurface } from "@/stores/surface";
import { useVisibility } from "@/stores/visibility";
import ColorSwatch from "@/ui/ColorSwatch.vue";
import NoteBox from "@/ui/NoteBox.vue";
import RenameField from "@/ui/RenameField.vue";

const jobs = useJob();
const selection = useSelection();
const settings = useSettings();
const surfaces = useSurface();
const visibility = useVisibility();

const parts = computed(() => jobs.job?.parts ?? []);
/** Groups of parts that are alike, as part indices. */
const alike = computed(() => {
  const groups = new Map<number, number[]>();
  parts.value.forEach((part, i) => part.like !== null && groups.set(part.like, [...(groups.get(part.like) ?? []), i]));
  return [...groups.values()];
});

function pickPart(part: number) {
  const surface = surfaces.surface;
  if (!surface) return;
  const islands = new Set<number>();
  surface.triangleParts.forEach((own, k) => own === part && islands.add(surface.triangleIslands[k]!));
  selection.lookAt({ faces: [], islands: [...islands] });
}
</script>

<template>
  <template v-if="jobs.job">
    <div class="d-flex align-items-baseline justify-content-between">
      <h3 class="mt-1">Parts</h3>
      <BButton v-if="visibility.hidden.size > 0" variant="secondary" @click="visibility.showAll()">
        Show all {{ parts.length }}
      </BButton>
    </div>
    <BListGroup tag="ul" class="mb-2" flush>
      <BListGroupItem
        v-for="(part, i) in parts"
        :key="i"
        tag="li"
        class="d-flex align-items-center px-0 py-0"
        :class="{ 'text-body-secondary': visibility.hidden.has(i) }"
      >
        <RenameField
          :name="part.name"
          :label="`Name of part ${part.name}`"
          @rename="jobs.operate('rename_part', { part: i, name: $event })"
        />
        <span class="num text-body-secondary">{{ part.faces }}</span>
        <BButton
          variant="light"
          :title="`Pick the islands of ${part.name}`"
          :aria-label="`Pick the islands of ${part.name}`"
          @click="pickPart(i)"
        >
          <PhTarget :size="15" />
        </BButton>
        <BButton
          variant="light"
          title="Split into its shells: pieces that hang together"
          :aria-label="`Split ${part.name} into its shells`"
          @click="jobs.operate('split_part', { part: i })"
        >
          <PhSplitHorizontal :size="15" />
        </BButton>
        <BButton
          variant="light"
          title="Show only this"
          class="small"
          :aria-label="`Show only ${part.name}`"
          @click="visibility.showOnly(i)"
        >
          only
        </BButton>
        <BButton
          variant="light"
          :title="visibility.hidden.has(i) ? 'Show' : 'Hide'"
          :aria-label="`${visibility.hidden.has(i) ? 'Show' : 'Hide'} ${part.name}`"
          @click="visibility.toggle(i)"
        >
          <component :is="visibility.hidden.has(i) ? PhEyeSlash : PhEye" :size="16" />
        </BButton>
      </BListGroupItem>
    </BListGroup>
    <BFormCheckbox v-model="settings.proof.see_through" class="mb-2">See through the model</BFormCheckbox>
    <NoteBox v-for="group in alike" :key="group.join()" plain>
      {{ group.map((part) => parts[part]!.name).join(", ") }} are alike.
      <BButton variant="secondary" class="d-block mt-1" @click="jobs.operate('make_twins', { parts: group })">
        Lay them out once, as twins
      </BButton>
    </NoteBox>

    <h3>Materials</h3>
    <BListGroup tag="ul" class="mb-2" flush>
      <BListGroupItem
        v-for="(material, i) in jobs.job.materials"
        :key="i"
        tag="li"
        class="d-flex align-items-center px-0 py-0 gap-1"
      >
        <ColorSwatch :color="material.color" :title="material.color ? 'Base colour' : 'No colour given'" />
        <RenameField
          :name="material.name"
          :label="`Name of material ${material.name}`"
          @rename="jobs.operate('rename_material', { material: i, name: $event })"
        />
        <span class="num text-nowrap text-body-secondary" :title="material.image ?? undefined"
          >{{ material.faces }}{{ material.image ? ", picture" : "" }}</span
        >
      </BListGroupItem>
    </BListGroup>
    <p class="form-text">Numbers are faces. A picture is shown on one material only where its layer says so, in Art.</p>
  </template>
</template>
