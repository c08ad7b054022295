<script setup lang="ts">
/** What a layer shows, small. */
import { PhStack } from "@/ui/icons";
import { computed } from "vue";
import { api } from "@/api/client";
import type { Content } from "@/api/types";
import { useJob } from "@/stores/job";

const props = defineProps<{ content: Content }>();
const jobs = useJob();
/** so light that it would not be seen on paper */
const light = (color: string) => [1, 3, 5].every((at) => parseInt(color.slice(at, at + 2), 16) > 140);
const background = computed(() => {
  const { content } = props;
  if (content.kind === "fill") return content.color;
  return content.kind === "gradient" ? `linear-gradient(${content.color}, ${content.to})` : undefined;
});
</script>

<template>
  <img
    v-if="content.kind === 'picture'"
    class="object-fit-contain"
    width="44"
    height="30"
    :src="api.urls.picture(jobs.job!.id, content.picture.digest)"
    alt=""
  />
  <span
    v-else-if="content.kind === 'lettering'"
    class="swatch letters border rounded text-truncate"
    :style="{
      color: content.color,
      background: light(content.color) ? 'var(--bs-body-color)' : undefined,
    }"
    >{{ content.text }}</span
  >
  <span v-else-if="content.kind === 'merged'" class="swatch mark border rounded"><PhStack :size="18" /></span>
  <span v-else-if="content.kind === 'seam_blend'" class="swatch seam border rounded"></span>
  <span
    v-else-if="content.kind === 'guide'"
    class="swatch guide border rounded"
    :style="{ '--guide': content.color }"
  ></span>
  <span v-else class="swatch border rounded" :style="{ background }"></span>
</template>

<style scoped>
.swatch {
  width: 44px;
  height: 30px;
  flex: none;
}
.letters {
  overflow: hidden;
  padding: 0 3px;
  background: var(--bs-body-bg);
  font: 600 12px/28px serif;
}
.mark {
  display: grid;
  place-items: center;
}
.seam {
  background:
    linear-gradient(var(--bs-secondary-color) 0 0) 50% / 1px 100% no-repeat,
    linear-gradient(90deg, var(--rule-strong), var(--bs-body-bg));
}
.guide {
  background:
    linear-gradient(var(--guide) 0 0) 50% / 100% 1px no-repeat,
    linear-gradient(var(--guide) 0 0) 33% / 1px 100% no-repeat,
    linear-gradient(var(--guide) 0 0) 70% / 1px 100% no-repeat;
}
</style>
