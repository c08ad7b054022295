<script setup lang="ts">
/** Parts and materials: hide and show, rename, and parts that are alike made twins. */
import { PhEye, PhEyeSlash, PhTarget } from "@phosphor-icons/vue";
import { computed } from "vue";
import { useJob } from "@/stores/job";
import { useSelection } from "@/stores/selection";
import { useSettings } from "@/stores/settings";
import { useSurface } from "@/stores/surface";
import { useVisibility } from "@/stores/visibility";
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

function swatch(color: number[] | null) {
  return color
    ? {
        background: `rgb(${color
          .slice(0, 3)
          .map((share) => Math.round(share * 255))
          .join(" ")} / ${color[3]})`,
      }
    : {};
}
</script>

<template>
  <template v-if="jobs.job">
    <div class="head">
      <h3>Parts</h3>
      <button v-if="visibility.hidden.size > 0" type="button" class="btn-choose" @click="visibility.showAll()">
        Show all {{ parts.length }}
      </button>
    </div>
    <ul>
      <li v-for="(part, i) in parts" :key="i" :class="{ off: visibility.hidden.has(i) }">
        <RenameField
          :name="part.name"
          :label="`Name of part ${part.name}`"
          @rename="jobs.operate('rename_part', { part: i, name: $event })"
        />
        <span class="num">{{ part.faces }}</span>
        <button
          type="button"
          :title="`Pick the islands of ${part.name}`"
          :aria-label="`Pick the islands of ${part.name}`"
          @click="pickPart(i)"
        >
          <PhTarget :size="15" />
        </button>
        <button
          type="button"
          title="Show only this"
          class="only"
          :aria-label="`Show only ${part.name}`"
          @click="visibility.showOnly(i)"
        >
          only
        </button>
        <button
          type="button"
          :title="visibility.hidden.has(i) ? 'Show' : 'Hide'"
          :aria-label="`${visibility.hidden.has(i) ? 'Show' : 'Hide'} ${part.name}`"
          @click="visibility.toggle(i)"
        >
          <PhEyeSlash v-if="visibility.hidden.has(i)" :size="16" /><PhEye v-else :size="16" />
        </button>
      </li>
    </ul>
    <label class="see-through"
      ><input v-model="settings.proof.see_through" type="checkbox" class="form-check-input" /> See through the
      model</label
    >
    <div v-for="group in alike" :key="group.join()" class="note plain">
      {{ group.map((part) => parts[part]!.name).join(", ") }} are alike.
      <button type="button" class="btn-choose d-block mt-1" @click="jobs.operate('make_twins', { parts: group })">
        Lay them out once, as twins
      </button>
    </div>

    <h3>Materials</h3>
    <ul>
      <li v-for="(material, i) in jobs.job.materials" :key="i">
        <i
          class="swatch"
          :style="swatch(material.color)"
          :title="material.color ? 'Base colour' : 'No colour given'"
        ></i>
        <RenameField
          :name="material.name"
          :label="`Name of material ${material.name}`"
          @rename="jobs.operate('rename_material', { material: i, name: $event })"
        />
        <span class="num" :title="material.image ?? undefined"
          >{{ material.faces }}{{ material.image ? ", picture" : "" }}</span
        >
      </li>
    </ul>
    <p class="soft">Numbers are faces. A picture is shown on one material only where its layer says so, in Art.</p>
  </template>
</template>

<style scoped>
.head {
  display: flex;
  align-items: baseline;
  justify-content: space-between;
}
h3 {
  margin-top: 6px !important;
}
.head button {
  padding: 1px 8px;
}
ul {
  padding: 0;
  margin: 0 0 8px;
  list-style: none;
}
li {
  display: flex;
  align-items: center;
  gap: 2px;
  border-bottom: 1px solid var(--rule);
}
li.off {
  color: var(--ink-soft);
}
li .num {
  margin-left: auto;
  color: var(--ink-soft);
  white-space: nowrap;
}
li button {
  display: flex;
  padding: 5px 4px;
  border: 0;
  background: transparent;
  color: inherit;
}
li .only {
  font-size: 12px;
}
.swatch {
  flex: none;
  width: 14px;
  height: 14px;
  margin-right: 5px;
  border: 1px solid var(--rule-strong);
  border-radius: 3px;
  background: repeating-linear-gradient(45deg, transparent 0 3px, var(--rule) 3px 4px);
}
.see-through {
  display: flex;
  align-items: center;
  margin-bottom: 8px;
  gap: 7px;
}
.soft {
  color: var(--ink-soft);
  font-size: 12px;
}
</style>
