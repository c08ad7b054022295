import { createRouter, createWebHistory } from "vue-router";
import StartPage from "./pages/StartPage.vue";

export const router = createRouter({
  history: createWebHistory(),
  routes: [
    { path: "/", component: StartPage, meta: { tellsFailures: true } },
    {
      path: "/jobs/:id/:stage?",
      component: () => import("./pages/EditorPage.vue"),
      props: (route) => ({ id: route.params.id, stage: route.params.stage || "model" }),
    },
    { path: "/:rest(.*)*", redirect: "/" },
  ],
});
