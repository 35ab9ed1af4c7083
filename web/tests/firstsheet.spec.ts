import { flushPromises, mount } from "@vue/test-utils";
import { createPinia, setActivePinia } from "pinia";
import PrimeVue from "primevue/config";
import { afterEach, beforeEach, describe, expect, it, vi } from "vitest";
import { defineComponent, h } from "vue";
import { createMemoryHistory, createRouter, type Router } from "vue-router";
import { Problem, type Catalog, type PlanState, type Schemas } from "../src/api/client";
import CurvePlot from "../src/app/CurvePlot.vue";
import EditField from "../src/app/EditField.vue";
import SmallHouse from "../src/drawing/SmallHouse.vue";
import { command } from "../src/plan/commands";
import FindBox from "../src/plan/FindBox.vue";
import StageRail from "../src/plan/StageRail.vue";
import { partOf, stageName, stageOf, STAGES } from "../src/plan/stages";
import { useBench } from "../src/plan/store";
import { useOthers } from "../src/plan/useOthers";
import OneLine from "../src/stages/controllers/OneLine.vue";
import NetworkLike from "../src/stages/controllers/NetworkLike.vue";
import TemplatesPart from "../src/stages/devices/TemplatesPart.vue";
import OverviewPanel from "../src/stages/overview/OverviewPanel.vue";
import SnagTable from "../src/stages/overview/SnagTable.vue";
import { nothingSaid, smallPlan } from "./helpers";

let router: Router;
beforeEach(() => {
  setActivePinia(createPinia());
  router = createRouter({
    history: createMemoryHistory(),
    routes: [
      { path: "/plans/:id/:stage", component: { template: "<i />" } },
      { path: "/guide/:chapter", component: { template: "<i />" } },
    ],
  });
});
afterEach(() => {
  vi.unstubAllGlobals();
  vi.useRealTimers();
});

/** A server that answers by path and method; what it was asked is kept. */
function server(answers: Record<string, unknown>) {
  const asked: { what: string; body: string }[] = [];
  vi.stubGlobal("fetch", async (input: Request | string, how?: RequestInit) => {
    const request = new Request(
      new URL(typeof input === "string" ? input : input.url, "http://localhost"),
      how,
    );
    const method = typeof input === "string" ? request.method : input.method;
    const what = `${method} ${new URL(request.url).pathname.replace("/api/plans/p1", "")}`;
    asked.push({ what, body: typeof input === "string" ? "" : await input.text() });
    const body = answers[what];
    return new Response(body === undefined ? "{}" : JSON.stringify(body), {
      status: body === undefined ? 404 : 200,
      headers: { "Content-Type": "application/json" },
    });
  });
  return asked;
}
function opened() {
  const store = useBench();
  store.id = "p1";
  store.revision = 3;
  store.plan = smallPlan();
  store.catalog = { checks: [] } as unknown as Catalog;
  return store;
}
const counts = { HOLDS: 3, REDUCED: 0, BY_HAND: 1, LOST: 2, UNSAFE: 0 };
const overview: Schemas["PlanOverview"] = {
  floors: [
    {
      id: "ground",
      name: "Ground",
      walls: [{ axM: 0, ayM: 0, bxM: 4, byM: 0 }],
      marks: [
        { xM: 1, yM: 1, unit: true },
        { xM: 2, yM: 1, unit: false },
      ],
    },
  ],
  stages: [
    { stage: "SITE", snags: 0, judged: true, done: ["2 rooms on 1 floor"], next: "Rooms stand." },
    { stage: "BUILD", snags: 0, judged: false, done: ["0 units"], next: "Choose the boards." },
  ],
  worst: [
    {
      key: "D2",
      code: "D2",
      severity: "STOP",
      stage: "DEVICES",
      title: "lamp cannot be",
      figures: "12 A on 10 A",
      consequence: "It burns.",
      subjects: ["/devices/lamp"],
      fixes: [],
      accepted: null,
    },
  ],
  stops: 1,
  fixes: 2,
  looks: 0,
  outages: [{ without: ["internet"], name: "internet", counts, sentence: "Without the internet" }],
  money: {
    currency: "EUR",
    total: 1234.5,
    budget: 2000,
    unchosen: 2,
    feesPerMonth: 3.5,
    closesOn: "2027-03-31",
    firstOrder: "2027-02-01",
  },
  failures: [],
};

describe("the overview", () => {
  it("says how far each stage is, what is worst, what outages would do, money, dates and the last edits", async () => {
    const store = opened();
    const suppose = vi.spyOn(store, "suppose").mockResolvedValue();
    server({
      "GET /overview": overview,
      "GET /revisions": [
        { number: 3, at: "2026-11-27T10:00:00Z", kind: "UNDO", label: "move of lamp" },
        { number: 2, at: "2026-11-27T09:00:00Z", kind: "EDIT", label: "move of lamp" },
      ],
    });
    await router.push("/plans/p1/overview");
    const wrapper = mount(OverviewPanel, { global: { plugins: [PrimeVue, router] } });
    await flushPromises();
    const text = wrapper.text().replace(/\s+/g, " ");
    for (const said of [
      "clear",
      "nothing yet",
      "Choose the boards.",
      "1 stop, 2 to fix, 0 to look at",
      "12 A on 10 A",
      "1235 EUR of a budget of 2000 EUR",
      "without 2 parts not chosen or not priced",
      "3.50 EUR a month",
      "by 1 February 2027",
      "31 March 2027",
      "undo: move of lamp",
    ])
      expect(text).toContain(said);
    const row = wrapper.findAll("section[aria-labelledby=ov-outages] tbody td").map((c) => c.text());
    expect(row).toEqual(["3", "–", "1", "2", "–"]);
    await wrapper.find("button[aria-label='Suppose internet gone']").trigger("click");
    await flushPromises();
    expect(suppose).toHaveBeenCalledWith(["internet"]);
    expect(router.currentRoute.value.path).toBe("/plans/p1/outages");
    await wrapper.find("section[aria-labelledby=ov-worst] button").trigger("click");
    expect(store.selection).toBe("/devices/lamp");
  });

  it("draws floors at one scale, and says that there is none", () => {
    const house = mount(SmallHouse, { props: { floors: overview.floors, label: "Floors" } });
    expect(house.findAll("rect.unit")).toHaveLength(1);
    expect(house.findAll("circle.device")).toHaveLength(1);
    expect(mount(SmallHouse, { props: { floors: [], label: "Floors" } }).text()).toContain(
      "No room is drawn",
    );
  });
});

describe("the stages of the page", () => {
  it("fall back to the overview and to a stage's first part", () => {
    expect(stageOf("kitchen")).toBe("overview");
    expect(stageOf("long-range")).toBe("long-range");
    expect(partOf("build", "wiring")).toBe("wiring");
    expect(partOf("build", "rooms")).toBe("cost");
    expect(stageName("LONG_RANGE")).toBe("Long range");
  });

  it("stand in the rail in working order, each with its snags, its next step and its paper", () => {
    const store = opened();
    store.assessment = nothingSaid({ stages: overview.stages });
    const rail = mount(StageRail, { props: { stage: "site" }, global: { plugins: [router] } });
    expect(rail.findAll("button.stage").map((b) => b.text().split(/\s{2,}|clear|nothing/)[0])).toHaveLength(
      Object.keys(STAGES).length,
    );
    expect(rail.find(".done").text()).toContain("Rooms stand.");
    expect(rail.findAll(".print a").map((a) => a.attributes("href"))).toContain(
      "/api/plans/p1/sheets/site?paper=letter",
    );
  });
});

describe("find anything", () => {
  it("knows parts, settings, actions and the words that people use", async () => {
    const store = opened();
    store.assessment = nothingSaid();
    const act = vi.fn();
    await router.push("/plans/p1/site");
    const box = mount(FindBox, {
      props: {
        modelValue: true,
        actions: [{ name: "Dark paper", what: "setting", words: "night theme", act }],
      },
      global: { plugins: [PrimeVue, router], stubs: { Dialog: { template: "<div><slot /></div>" } } },
    });
    const found = async (text: string) => {
      await box.find("input").setValue(text);
      return box.findAll("li").map((l) => l.text().replace(/\s+/g, " "));
    };
    expect((await found("wifi"))[0]).toMatch(/Units|Links|Channels/);
    expect(await found("print")).toEqual(expect.arrayContaining([expect.stringContaining("Parts and cost")]));
    expect((await found("battery")).join()).toContain("Energy part of Long range");
    expect(await found("night")).toEqual(["Dark paper setting"]);
    await box.find("input").trigger("keydown", { key: "Enter" });
    expect(act).toHaveBeenCalledOnce();
    await found("cost");
    await box.find("input").trigger("keydown", { key: "Enter" });
    await flushPromises();
    expect(router.currentRoute.value.path).toBe("/plans/p1/build");
    expect(store.nextPart).toBe("cost");
  });
});

describe("templates", () => {
  const templates = {
    templates: [
      { id: "own-1", name: "Guest room", own: true, things: "lamp" },
      { id: "built-in:Bedroom", name: "Bedroom", own: false, things: "blind, lamp" },
    ],
    suggested: { nook: "built-in:Bedroom" },
  };

  it("stand chosen where one suits the room, and are placed in all rooms at once", async () => {
    opened();
    const asked = server({
      "GET /room-sets": templates,
      "POST /commands/place-room-set": { label: "templates in 2 rooms", edits: [], notes: ["nothing"] },
    });
    const wrapper = mount(TemplatesPart);
    await flushPromises();
    const selects = wrapper.findAll("tbody select");
    expect(selects.map((s) => (s.element as HTMLSelectElement).value)).toEqual(["", "built-in:Bedroom"]);
    await selects[0]!.setValue("own-1");
    expect(wrapper.find("button[type=submit]").text()).toBe("Place 2 templates");
    await wrapper.find("form").trigger("submit");
    await flushPromises();
    const body = JSON.parse(asked.find((a) => a.what.startsWith("POST"))!.body);
    expect(body).toEqual({
      own: true,
      placings: [
        { room: "den", set: "own-1" },
        { room: "nook", set: "built-in:Bedroom" },
      ],
    });
  });

  it("of one's own are kept, and why not is told", async () => {
    opened();
    server({ "GET /room-sets": templates });
    const wrapper = mount(TemplatesPart);
    await flushPromises();
    const keep = wrapper.findAll("form")[1]!;
    await keep.find("select").setValue("den");
    await keep.find("input").setValue("mine");
    await keep.trigger("submit");
    await flushPromises();
    expect(wrapper.find("[role=alert]").text()).toContain("404");
    expect((keep.find("input").element as HTMLInputElement).value).toBe("mine");
  });
});

describe("a command", () => {
  it("is worked out on the plan with the edits that are still under way", async () => {
    const store = opened();
    let stored = () => {};
    const order: string[] = [];
    vi.spyOn(store, "send").mockImplementation(
      () =>
        new Promise((done) => {
          stored = () => (order.push("stored"), done(true));
        }),
    );
    server({ "POST /commands/network-like": { label: "network", edits: [], notes: [] } });
    void store.edit([], "slow");
    await flushPromises();
    const asked = command("network-like", { room: null }).then(() => order.push("asked"));
    await flushPromises();
    expect(order).toEqual([]);
    stored();
    await asked;
    expect(order).toEqual(["stored", "asked"]);
  });

  it("waits for one before it, which may be asked still: it is worked out on what that one makes", async () => {
    const store = opened();
    const edit = vi.spyOn(store, "edit").mockResolvedValue(true);
    let answerFirst: (response: Response) => void = () => {};
    const asked: string[] = [];
    const proposed = (path: string) =>
      new Response(JSON.stringify({ label: "it", edits: [{ op: "add", path, value: {} }], notes: [] }));
    vi.stubGlobal("fetch", async (request: Request) => {
      asked.push(request.url.split("/").pop()!);
      return asked.length === 1 ? new Promise<Response>((go) => (answerFirst = go)) : proposed("/second");
    });
    const first = command("place-room-set", { placings: [], own: true });
    const second = command("network-like", { room: null });
    await flushPromises();
    expect(asked).toEqual(["place-room-set"]);
    answerFirst(proposed("/first"));
    await Promise.all([first, second]);
    expect(asked).toEqual(["place-room-set", "network-like"]);
    expect(edit.mock.calls.map(([ops]) => ops[0]!.path)).toEqual(["/first", "/second"]);
  });
});

describe("a network in one step", () => {
  it("is weighed like any proposal, and tells what was left out", async () => {
    const store = opened();
    const propose = vi.spyOn(store, "weigh").mockResolvedValue(true);
    const edits = [{ op: "add", path: "/units/router", value: {} }];
    const asked = server({
      "POST /commands/network-like": {
        label: "network of 1 units",
        edits,
        notes: ["Attic got no access point."],
      },
    });
    const wrapper = mount(NetworkLike);
    await wrapper.find("select").setValue("nook");
    await wrapper.find("form").trigger("submit");
    await flushPromises();
    expect(JSON.parse(asked[0]!.body)).toEqual({ room: "nook" });
    expect(propose).toHaveBeenCalledWith(edits, "network of 1 units");
    expect(wrapper.find("[role=status]").text()).toBe("Attic got no access point.");
  });
});

describe("a curve", () => {
  it("is a table where nothing can be drawn, with gaps where there is no figure", () => {
    const wrapper = mount(CurvePlot, {
      props: {
        label: "Margin",
        x: [1, 2],
        xLabel: "height, m",
        curves: [{ name: "gate", y: [-3.456, null] }],
        yLabel: "dB",
      },
    });
    expect(wrapper.findAll("tbody td").map((c) => c.text())).toEqual(["1", "−3.456", "2", "none"]);
    expect(wrapper.find("details").attributes("open")).toBeDefined();
  });
});

describe("edits of others", () => {
  const state = (revision: number): PlanState => ({
    id: "p1",
    revision,
    plan: { ...smallPlan(), name: "Changed" },
    undo: "move of lamp",
    redo: null,
  });
  const Watching = defineComponent({ setup: () => (useOthers(), () => h("i")) });

  it("are taken in and told while nothing of one's own is under way", async () => {
    vi.useFakeTimers();
    const store = opened();
    vi.spyOn(store, "assess").mockResolvedValue();
    server({ "GET ": state(5) });
    const wrapper = mount(Watching);
    store.saving = "saving";
    await vi.advanceTimersByTimeAsync(9000);
    expect(store.revision).toBe(3);
    store.saving = "safe";
    await vi.advanceTimersByTimeAsync(9000);
    expect(store.revision).toBe(5);
    expect(store.plan!.name).toBe("Changed");
    expect(store.others).toBe("Taken in from another window: move of lamp.");
    wrapper.unmount();
  });

  it("are never undone by an older answer", async () => {
    vi.useFakeTimers();
    const store = opened();
    server({ "GET ": state(2) });
    const wrapper = mount(Watching);
    await vi.advanceTimersByTimeAsync(9000);
    expect(store.revision).toBe(3);
    expect(store.plan!.name).toBe("Small");
    wrapper.unmount();
  });

  it("do not take away what is typed into the same field: it is told, and stored when that is wanted", async () => {
    const save = vi.fn().mockResolvedValue(true);
    const wrapper = mount(EditField, { props: { label: "Name", value: "lamp", save } as never });
    const input = wrapper.find("input");
    (input.element as HTMLInputElement).value = "mine";
    await input.trigger("input");
    await wrapper.setProps({ value: "theirs" } as never);
    await input.trigger("change");
    expect(save).not.toHaveBeenCalled();
    expect(wrapper.find("[role=alert]").text()).toContain("changed elsewhere");
    expect(wrapper.find("[role=alert]").text()).toContain("theirs");
    expect((input.element as HTMLInputElement).value).toBe("mine");
    await input.trigger("keydown", { key: "Enter" });
    await flushPromises();
    expect(save).toHaveBeenCalledWith("mine");
  });
});

describe("the supplies as a one-line diagram", () => {
  const node = (id: string, parent: string | null, more: object = {}): Schemas["PowerNode"] =>
    ({
      id,
      name: id,
      parent,
      source: parent ? null : "mill lights",
      part: null,
      volts: 12,
      typicalA: 0.1,
      worstA: 0.4,
      takenW: 1,
      takenWorstW: 5,
      assumed: false,
      draw: { formula: "f", inputs: {}, source: "s", extrapolated: false },
      gives: null,
      run: null,
      cell: null,
      store: null,
      faults: [],
      ...more,
    }) as Schemas["PowerNode"];

  it("hangs each box on what feeds it, says its figures and its faults, and selects by keys", async () => {
    const gives = { part: "rail supply", volts: 12, worstA: 2, share: 0.8 };
    const run = { lengthM: 14, dropShare: 0.03 };
    const faults = [{ code: "P3", text: "overloaded", figures: "2 A of 1 A" }];
    const groups = [
      {
        source: "mill lights",
        rows: [
          { node: node("supply", null, { gives }), depth: 0 },
          { node: node("board", "supply", { run, faults }), depth: 1 },
        ],
      },
    ];
    const wrapper = mount(OneLine, {
      props: { groups, selection: "/units/board", pathOf: (n: Schemas["PowerNode"]) => `/units/${n.id}` },
    });
    const boxes = wrapper.findAll("g[role=button]");
    expect(boxes.map((b) => b.text().replace(/\s+/g, " "))).toEqual([
      "supply 2.00 A at 12 V, 80 %",
      "board 12 V, 0.40 A at worst ! P3",
    ]);
    expect(wrapper.text()).toContain("mill lights");
    expect(wrapper.text()).toContain("14 m, −3 %");
    expect(boxes[1]!.classes()).toEqual(expect.arrayContaining(["chosen", "faulty"]));
    // the feeder's wire runs from its own box down to the one that it feeds
    expect(wrapper.findAll("path.wire")).toHaveLength(2);
    await boxes[0]!.trigger("keydown", { key: "Enter" });
    expect(wrapper.emitted("select")).toEqual([["/units/supply"]]);
  });
});

describe("refusals", () => {
  it("name things rather than their ids", () => {
    const store = opened();
    store.failed(
      new Problem(
        422,
        "No. /units/board/power/circuit is gone.",
        [
          { pointer: "/units/board/power/circuit", message: "names no circuit" },
          { pointer: "/network/poolFrom", message: "is no address" },
          { pointer: "", message: "is too large" },
        ],
        "Nothing was changed.",
      ),
    );
    expect(store.message).toBe(
      "Nothing was changed. board, power circuit names no circuit; network pool from is no address; the plan is too large.",
    );
    expect(store.refused!.places[0]!.pointer).toBe("/units/board/power/circuit");
  });
});

describe("all snags in a table", () => {
  it("stand the worst first, the accepted last, and open at their stage", async () => {
    const store = opened();
    const snag = (key: string, severity: "STOP" | "FIX" | "LOOK", accepted: string | null = null) => ({
      ...overview.worst[0]!,
      key,
      severity,
      title: key,
      accepted,
    });
    store.assessment = nothingSaid({
      snags: [snag("a look", "LOOK"), snag("taken", "STOP", "it is old"), snag("a stop", "STOP")],
    });
    await router.push("/plans/p1/overview");
    const wrapper = mount(SnagTable, { global: { plugins: [PrimeVue, router] } });
    await flushPromises();
    const titles = () => wrapper.findAll("tbody tr").map((r) => r.text().match(/a stop|a look|taken/)![0]);
    expect(titles()).toEqual(["a stop", "a look", "taken"]);
    wrapper.findComponent({ name: "DataTable" }).vm.$emit("open", "a stop", true);
    await flushPromises();
    expect(router.currentRoute.value.path).toBe("/plans/p1/devices");
    expect(store.selection).toBe("/devices/lamp");
  });
});
