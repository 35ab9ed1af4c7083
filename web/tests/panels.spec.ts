import { flushPromises, mount } from "@vue/test-utils";
import { createPinia, setActivePinia } from "pinia";
import PrimeVue from "primevue/config";
import { afterEach, beforeEach, describe, expect, it, vi } from "vitest";
import { createMemoryHistory, createRouter } from "vue-router";
import type { Catalog } from "../src/api/client";
import { STAGES } from "../src/plan/stages";
import StagePanel from "../src/plan/StagePanel.vue";
import { useBench } from "../src/plan/store";
import { nothingSaid, smallPlan } from "./helpers";

beforeEach(() => setActivePinia(createPinia()));
afterEach(() => vi.unstubAllGlobals());

const catalog = {
  checks: [],
  constructions: [],
  bands: ["SUB_GHZ"],
  deviceKinds: [{ kind: "LAMP", family: "LOAD" }],
  cautions: [{ id: "MAINS", name: "Mains can kill." }],
  materials: [],
} as unknown as Catalog;

function opened(part: string) {
  const store = useBench();
  store.id = "p1";
  store.revision = 1;
  store.plan = smallPlan();
  store.catalog = catalog;
  store.floor = "ground";
  store.part = part;
  store.assessment = nothingSaid();
  return store;
}

const parts = Object.entries(STAGES).flatMap(([stage, entry]) =>
  Object.keys(entry.parts).map((part) => [stage, part] as const),
);

describe.each(parts)("the panel %s/%s", (stage, part) => {
  it("stands without answers, and tells why there are none where it asked", async () => {
    const asked: string[] = [];
    vi.stubGlobal("fetch", async (input: Request | string) => {
      asked.push(typeof input === "string" ? input : input.url);
      return new Response(JSON.stringify({ detail: "The answer cannot be worked out." }), {
        status: 409,
        headers: { "Content-Type": "application/problem+json" },
      });
    });
    const broken: unknown[] = [];
    const store = opened(part);
    const router = createRouter({
      history: createMemoryHistory(),
      routes: [{ path: "/plans/:id/:stage", component: { template: "<i />" } }],
    });
    await router.push(`/plans/p1/${stage}`);
    const wrapper = mount(StagePanel, {
      props: { stage },
      global: {
        plugins: [PrimeVue, router],
        config: { errorHandler: (e: unknown) => void broken.push(e) },
      },
    });
    await vi
      .waitFor(() => expect(wrapper.find(".panel-body, [role=alert]").exists()).toBe(true), 3000)
      .catch(() => {});
    await flushPromises();
    expect(broken).toEqual([]);
    const told = `${wrapper.text()} ${store.message ?? ""}`;
    const reports = asked.filter((url) => url.includes("/api/plans/p1/"));
    if (reports.length) expect(told).toContain("The answer cannot be worked out.");
    else expect(wrapper.text().length).toBeGreaterThan(10);
  });
});
