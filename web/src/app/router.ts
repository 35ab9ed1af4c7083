import { createRouter, createWebHistory } from "vue-router";

export const router = createRouter({
  history: createWebHistory(),
  routes: [
    { path: "/", redirect: "/plans" },
    { path: "/plans", component: () => import("../plan/PlansView.vue") },
    { path: "/plans/:id/walk", component: () => import("../walk/WalkView.vue") },
    { path: "/plans/:id/:stage?", component: () => import("../plan/BenchView.vue") },
    { path: "/calculators/:name?", component: () => import("../calculators/CalculatorsView.vue") },
    { path: "/guide/:chapter?", component: () => import("../guide/GuideView.vue") },
    { path: "/:rest(.*)*", redirect: "/plans" },
  ],
});
