import { defineStore } from "pinia";
import { ref } from "vue";

/** Whether the corners of what is set on an island are pulled by hand, each by itself. */
export const usePulling = defineStore("pulling", () => {
  const on = ref(false);
  return { on };
});
