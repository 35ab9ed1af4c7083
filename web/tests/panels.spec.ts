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
      .waitFor(() => expect(wrapper.find(".panel-body, [role=alert]").exists()).toBe(true), 9000)
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
const SEEN: Record<string, { select?: string; sees: string[] }> = {
  "overview/sheet": { sees: ["14 rooms on 7 floors", "49 of 49 devices attached", "30 of them at target"] },
  "overview/snags": { sees: ["yard gate has no obstacle detection stated", "12.2 A at 230 V"] },
  "site/rooms": { select: "/rooms/lathe", sees: ["Type a room", "Lathe room"] },
  "site/walls": { sees: ["Plasterboard stud 100", "Reinforced slab 180", "19.3"] },
  "site/existing": { sees: ["bench outlets", "wiring centre in the loft", "mill sockets"] },
  "site/files": { sees: ["Geom"] },
  "devices/devices": { select: "/devices/yard-gate", sees: ["bath fan", "yard gate", "Criticality"] },
  "devices/templates": { sees: ["Stone floor", "Kitchen", "What it brings"] },
  "devices/sound": { sees: ["104 dB(A) at 1 m", "no, wants 75", "a stairwell"] },
  "devices/cautions": { sees: ["never a certificate", "licensed electrician", "Acknowledged, 2026-10-04"] },
  "controllers/units": { select: "/units/hall-board", sees: ["annexe board", "2 of 6", "house hub"] },
  "controllers/power": { sees: ["loft rail supply, 12 V", "56 %", "48 V, 0.25 A at worst"] },
  "controllers/lines": { sees: ["42 of 400 pF", "0.38 ms", "0x28"] },
  "controllers/boxes": { sees: ["Rail enclosure, 12 units", "Mount a unit"] },
  "controllers/parts": { sees: ["142 of 142 shown", "Generic parts with typical figures"] },
  "links/links": { select: "/units/bath-leak", sees: ["48.2", "over 99.9 %", "mesh gateway"] },
  "links/rooms": { sees: ["Places to work from", "lathe AP", "83 %"] },
  "links/mesh": { sees: ["bath leak probe sleeps", "loft board passes on", "148.2"] },
  "links/channels": { sees: ["2 of 6", "Nothing better exists than the channels as they are"] },
  "links/walk": { sees: ["62 readings", "6.1 dB", "it predicts better", "Stone 600"] },
  "links/next": { sees: ["Boxes that stand stay", "Find places"] },
  "long-range/profile": { sees: ["621 m", "51.0 dB", "ground not known", "90 % of 99 %"] },
  "long-range/settings": { sees: ["cistern outpost – long-range gateway, 1.9 dB", "Coding rate"] },
  "long-range/takes": { sees: ["the antenna of long-range gateway outside", "earth the mast", "96 %enough"] },
  "long-range/map": { sees: ["Antenna there at, m", "Draw the map"] },
  "long-range/air": { sees: ["at most 1.0 % on air", "868.300 MHz, SF10 125 kHz 4/5", "207 ms"] },
  "long-range/messages": { sees: ["sensor gateway, not designed", "node id", "counter"] },
  "long-range/energy": { sees: ["it never listens", "18 µA", "68 %"] },
  "long-range/test": { sees: ["Add the reading", "Or paste a table"] },
  "long-range/ground": { sees: ["never the law: check with your regulator", "EN 300 220", "10.0 dBm ERP"] },
  "names/addresses": {
    select: "/units/hub",
    sees: ["14 reserved", "90 given out by the router", "hubs from .16"],
  },
  "names/messages": { select: "/devices/pit-pump", sees: ["who says what to whom", "command", "leat"] },
  "names/topics": { sees: ["root, building, room, device", "Topic of boiler heater"] },
  "names/rename": {
    select: "/rooms/meal",
    sees: [
      "Called “Meal floor” now, then",
      "Type another name to see everything",
      "Answer to old topics until",
    ],
  },
  "names/secrets": {
    sees: [
      "passphrase of the wireless network leat study",
      "key safe in the office",
      "nobody said yet",
      "0.3",
    ],
  },
  "names/traffic": {
    sees: ["Over the broker", "workshop meter", "44506", "phone message service", "All is in one segment"],
  },
  "names/leases": { sees: ["a column of addresses, hardware addresses or both", "Compare"] },
  "names/spoken": {
    sees: ["None of 3", "west bedroom lamp", "Asks back first", "A new group", "entered elsewhere"],
  },
  "names/controllers": { select: "/units/hall-board", sees: ["main/E11", "192.168.40.33", "stands in Hall"] },
  "names/give": { sees: ["Hosts file", "written only"] },
  "rules/buttons": { sees: ["bedside button", "Everything off for the night", "700 ms"] },
  "rules/state": { sees: ["house mode", "keeper", "Europe/London", "Door opens while away"] },
  "rules/sensors": { sees: ["hall motion", "sees 10 m²", "window of Lathe room"] },
  "rules/screens": { sees: ["Keeper's phone", "asks first", "Wheel pit"] },
  "rules/ready": { sees: ["Water on the floor shuts the water", "then shut water stop valve"] },
  "rules/rules": {
    select: "/rules/hall-lamp-on-arrival",
    sees: ["Hall lamp on arrival", "only if it is dark", "house hub", "Pit pump by level", "Add a rule"],
  },
  "outages/outages": {
    sees: ["Supposed only: nothing is switched", "works over a weak link, 86 %", "43 holds"],
  },
  "outages/matrix": {
    sees: ["49 devices", "mains 8 h", "river door lock", "that nothing feels", "Choose a cell to see why"],
  },
  "outages/hours": { sees: ["Exact arithmetic on estimates", "days between tests", "0.3 to 3"] },
  "outages/promises": { sees: ["Nothing is promised yet", "What guards survives any one box"] },
  "outages/doors": { sees: ["river door lock", "way out, outside door", "local codes", "Who is told"] },
  "build/cost": {
    sees: ["2179", "the first order is due by 2027-03-17", "a board follows from its devices"],
  },
  "build/boards": { sees: ["Slim board, 9 pins, Wi-Fi", "One controller for each room", "42.20"] },
  "build/cables": { sees: ["168 m of Installation cable", "green-yellow earth", "1.89 V"] },
  "build/wiring": { sees: ["hall board", "48 V, up to 0.10 A", "front door lock"] },
};

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
    const { select, sees } = SEEN[`${stage}/${part}`]!;
    bench.select(select ?? null);
    const wrapper = await shown(stage, broken);
    await vi.waitFor(() => expect(wrapper.find(".panel-body").exists()).toBe(true), 9000).catch(() => {});
    const text = () =>
      `${wrapper.text()} ${wrapper
        .findAll("input,select,[aria-label]")
        .map((e) => (e.element as HTMLInputElement).value ?? e.attributes("aria-label"))
        .join(" ")}`.replace(/\s+/g, " ");
    if (process.env.SKELTO_RECORD) {
      await new Promise((done) => setTimeout(done, 1500));
    }
    await vi.waitFor(() => expect(sees.filter((words) => !text().includes(words))).toEqual([]), 9000);
    expect(broken).toEqual([]);
  });

  it("they are answers that the application gives today", () => {
    expect(outdated()).toEqual([]);
  });
});
