import { watch, type Ref } from "vue";
import { useRoute, useRouter } from "vue-router";

/**
 * Keeps the open page of a stage in the address: a reload comes back to it, and Back goes back a page. The first page
 * needs no word.
 */
export function usePageAddress<Page extends string>(page: Ref<Page>, pages: () => Page[]) {
  const route = useRoute();
  const router = useRouter();
  const path = route?.path;
  if (!route || !router) return;

  const inAddress = () => pages().find((id) => id === route.query.page) ?? pages()[0]!;
  const query = () => (page.value === pages()[0] ? {} : { page: page.value });

  if (route.query.page) page.value = inAddress();
  else if (page.value !== pages()[0]) void router.replace({ query: query() });
  watch(page, (now) => now !== inAddress() && void router.push({ query: query() }));
  // Another stage has pages of its own.
  watch(
    () => route.query.page,
    () => route.path === path && (page.value = inAddress()),
  );
}
