import { flushPromises, mount } from "@vue/test-utils";
import { createPinia, setActivePinia } from "pinia";
import PrimeVue from "primevue/config";
import { afterAll, afterEach, beforeAll, beforeEach, describe, expect, it, vi } from "vitest";
import { createMemoryHistory, createRouter } from "vue-router";
import type { Assessment, Catalog, Plan } from "../src/api/client";
import { STAGES } from "../src/plan/stages";
import StagePanel from "../src/plan/StagePanel.vue";
import { useBench } from "../src/plan/store";
import { nothingSaid, smallPlan } from "./helpers";
import { outdated, recorded, store } from "./recorded";

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

async function shown(stage: string, broken: unknown[]) {
  const router = createRouter({
    history: createMemoryHistory(),
    routes: [{ path: "/plans/:id/:stage", component: { template: "<i />" } }],
  });
  await router.push(`/plans/p1/${stage}`);
  return mount(StagePanel, {
    props: { stage },
    global: {
      plugins: [PrimeVue, router],
      config: { errorHandler: (e: unknown) => void broken.push(e) },
    },
  });
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
    const wrapper = await shown(stage, broken);
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

/** What a person sees of each panel on the mill, with what was chosen first. */
const SEEN: Record<string, { select?: string; sees: string[] }> = {};

describe("with the answers of a whole house", () => {
  let assessed: Assessment;
  let plan: Plan;
  let all: Catalog;
  beforeAll(async () => {
    const ask = async (path: string) => (await recorded(path)).json();
    plan = ((await ask("/api/plans/p1")) as { plan: Plan }).plan;
    assessed = ((await ask("/api/plans/p1/assessment")) as { assessment: Assessment }).assessment;
    all = (await ask("/api/catalog")) as Catalog;
  });
  afterAll(store);

  it.each(parts)("the panel %s/%s says what it is for", async (stage, part) => {
    const broken: unknown[] = [];
    vi.stubGlobal("fetch", (input: Request | string) =>
      recorded(input).catch((e: unknown) => {
        broken.push(e);
        throw e;
      }),
    );
    const bench = opened(part);
    bench.plan = plan;
    bench.assessment = assessed;
    bench.catalog = all;
    const { select, sees } = SEEN[`${stage}/${part}`] ?? { sees: [] };
    bench.select(select ?? null);
    const wrapper = await shown(stage, broken);
    await vi.waitFor(() => expect(wrapper.find(".panel-body").exists()).toBe(true), 5000).catch(() => {});
    const text = () =>
      `${wrapper.text()} ${wrapper
        .findAll("input,select,[aria-label]")
        .map((e) => (e.element as HTMLInputElement).value ?? e.attributes("aria-label"))
        .join(" ")}`.replace(/\s+/g, " ");
    if (process.env.SKELTO_RECORD) {
      await new Promise((done) => setTimeout(done, 1500));
      console.log(`### ${stage}/${part}\n${text().slice(0, 1500)}`);
    }
    await vi.waitFor(() => expect(sees.filter((words) => !text().includes(words))).toEqual([]), 3000);
    expect(broken).toEqual([]);
  });

  it("they are answers that the application gives today", () => {
    expect(outdated()).toEqual([]);
  });
});
