import { createPinia, setActivePinia } from "pinia";
import { beforeEach, describe, expect, it } from "vitest";
import { createApp, nextTick, ref, type Ref } from "vue";
import type { Look } from "@/api/types";
import { useStageLook } from "@/composables/useStageLook";
import { useSettings } from "@/stores/settings";

/** A stage that is open until it is left. */
function stage(look: Ref<Look | null>) {
  const app = createApp({ setup: () => (useStageLook(() => look.value), () => null) });
  app.mount(document.createElement("div"));
  return { leave: () => app.unmount() };
}

describe("the look of a stage", () => {
  beforeEach(() => {
    localStorage.clear();
    setActivePinia(createPinia());
    useSettings().look = "stretch";
  });

  it("is shown on entering, and the former one comes back on leaving", () => {
    const fit = stage(ref("underlay"));
    expect(useSettings().look).toBe("underlay");
    fit.leave();
    expect(useSettings().look).toBe("stretch");
  });

  it("comes as soon as the stage has one", async () => {
    const look = ref<Look | null>(null);
    const fit = stage(look);
    expect(useSettings().look).toBe("stretch");
    look.value = "underlay";
    await nextTick();
    expect(useSettings().look).toBe("underlay");
    fit.leave();
    expect(useSettings().look).toBe("stretch");
  });

  it("gives way to what the painter chooses, which stays", () => {
    const fit = stage(ref("underlay"));
    useSettings().look = "density";
    fit.leave();
    expect(useSettings().look).toBe("density");
  });
});
