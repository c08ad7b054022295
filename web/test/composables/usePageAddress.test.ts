import { mount, flushPromises } from "@vue/test-utils";
import { defineComponent, ref } from "vue";
import { describe, expect, it } from "vitest";
import { createMemoryHistory, createRouter } from "vue-router";
import { usePageAddress } from "@/composables/usePageAddress";

describe("usePageAddress", () => {
  type Page = "place" | "pack" | "order";
  async function opened(address: string, page: Page = "place") {
    const now = ref<Page>(page);
    const Stage = defineComponent({
      setup: () => usePageAddress(now, () => ["place", "pack", "order"]),
      template: "<p />",
    });
    const router = createRouter({
      history: createMemoryHistory(),
      routes: [{ path: "/:stage", component: Stage }],
    });
    await router.push(address);
    const wrapper = mount(Stage, { global: { plugins: [router] } });
    await flushPromises();
    return { now, router, wrapper };
  }

  it("opens the page that the address names, and the first for one that is not known", async () => {
    expect((await opened("/layout?page=pack")).now.value).toBe("pack");
    expect((await opened("/layout?page=nowhere", "order")).now.value).toBe("place");
  });

  it("writes an open page into the address, so that Back goes back to the one before", async () => {
    const { now, router } = await opened("/layout");
    now.value = "order";
    await flushPromises();
    expect(router.currentRoute.value.fullPath).toBe("/layout?page=order");
    router.back();
    await flushPromises();
    await new Promise((done) => setTimeout(done));
    expect(now.value).toBe("place");
  });

  it("keeps a page that was open when the stage was left", async () => {
    const { now, router } = await opened("/layout", "pack");
    expect([now.value, router.currentRoute.value.fullPath]).toEqual(["pack", "/layout?page=pack"]);
  });
});
