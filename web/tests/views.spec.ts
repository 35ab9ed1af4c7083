import { flushPromises, mount } from "@vue/test-utils";
import { createPinia, setActivePinia } from "pinia";
import PrimeVue from "primevue/config";
import { beforeEach, describe, expect, it, vi } from "vitest";
import type { Assessment, LinkReport, Snag } from "../src/api/client";
import { useBench } from "../src/plan/store";
import SnagDock from "../src/snags/SnagDock.vue";
import BudgetStair from "../src/stages/links/BudgetStair.vue";
import WithoutStrip from "../src/without/WithoutStrip.vue";
import { nothingSaid, smallPlan } from "./helpers";

const plugins = [PrimeVue];
const figure = { formula: "f", inputs: {}, source: "s", extrapolated: false };

function snag(over: Partial<Snag>): Snag {
  return {
    key: "D12/devices/lamp",
    code: "D12",
    severity: "FIX",
    stage: "DEVICES",
    title: "lamp is in no room",
    figures: "0 rooms",
    consequence: "Nothing can be worked out.",
    subjects: ["/devices/lamp"],
    fixes: [{ label: "Put it into Den", edits: [{ op: "remove", path: "/devices/lamp/place", value: {} }] }],
    accepted: null,
    ...over,
  };
}

function bench(assessment: Partial<Assessment>) {
  const store = useBench();
  store.plan = smallPlan();
  store.assessment = nothingSaid(assessment);
  return store;
}

beforeEach(() => setActivePinia(createPinia()));

describe("the snag dock", () => {
  it("shows the snags of the stage, or those of what is selected", async () => {
    const other = snag({ key: "S2", code: "S2", stage: "SITE", subjects: ["/place"], title: "no place" });
    const store = bench({ snags: [snag({}), other] });
    const dock = mount(SnagDock, { props: { stage: "devices" }, global: { plugins } });
    expect(dock.text()).toContain("lamp is in no room");
    expect(dock.text()).not.toContain("no place");
    store.select("/devices/eye");
    await dock.vm.$nextTick();
    expect(dock.text()).toContain("Nothing yet that could be judged");
    store.assessment!.stages = [{ stage: "DEVICES", snags: 1, judged: true, done: [], next: "go on" }];
    store.select("/devices/nothing");
    await dock.vm.$nextTick();
    const again = mount(SnagDock, { props: { stage: "devices" }, global: { plugins } });
    expect(again.text()).toContain("Nothing found here");
    await again
      .findAll(".scope button")
      .find((b) => b.text() === "whole plan")!
      .trigger("click");
    expect(again.text()).toContain("Snags here: 2");
  });

  it("folds alike ones, fixes them together, and says what was left", async () => {
    const alike = [1, 2, 3, 4].map((n) =>
      snag({
        key: `D12/${n}`,
        title: `${n === 2 ? "shelf" : "lamp"} ${n} is in no room`,
        fixes: n === 4 ? [] : snag({}).fixes,
      }),
    );
    const store = bench({ snags: [...alike, snag({ key: "x", code: "D9", title: "no handle" })] });
    store.id = "p1";
    store.catalog = { checks: [{ id: "D12", name: "device in no room" }] } as typeof store.catalog;
    const edit = vi.spyOn(store, "edit").mockResolvedValue(true);
    const asked: unknown[] = [];
    vi.stubGlobal("fetch", async (request: Request) => {
      asked.push(await request.json());
      const body = { label: "fix of 2 snags", edits: snag({}).fixes[0]!.edits, notes: ["1 has no fix."] };
      return new Response(JSON.stringify(body), { headers: { "Content-Type": "application/json" } });
    });
    const dock = mount(SnagDock, { props: { stage: "devices" }, global: { plugins } });
    expect(dock.findAll("article")).toHaveLength(1);
    expect(dock.text()).toContain("4 × device in no room");
    await dock
      .findAll("button")
      .find((b) => b.text() === "Fix 3")!
      .trigger("click");
    await flushPromises();
    expect(asked).toEqual([{ keys: ["D12/1", "D12/2", "D12/3"] }]);
    expect(edit).toHaveBeenCalledWith(snag({}).fixes[0]!.edits, "D12: fix of 2 snags");
    expect(store.message).toBe("1 has no fix.");
    await dock.find('[aria-expanded="false"].head').trigger("click");
    expect(dock.findAll("article")).toHaveLength(5);
    await dock.find('[aria-label="Search snags"]').setValue("shelf room");
    expect(dock.findAll("article")).toHaveLength(1);
    vi.unstubAllGlobals();
  });

  it("applies a fix as one named edit and offers Show only where there is something to show", async () => {
    const store = bench({ snags: [snag({}), snag({ key: "x", subjects: ["/cautionsRead"], fixes: [] })] });
    const edit = vi.spyOn(store, "edit").mockResolvedValue(true);
    const dock = mount(SnagDock, { props: { stage: "devices" }, global: { plugins } });
    await dock.find("button.act").trigger("click");
    expect(edit).toHaveBeenCalledWith(snag({}).fixes[0]!.edits, "D12: Put it into Den");
    expect(dock.findAll("button").filter((b) => b.text() === "Show")).toHaveLength(1);
  });

  it("accepts a snag only with a reason, escaping its key", async () => {
    const store = bench({ snags: [snag({})] });
    const edit = vi.spyOn(store, "edit").mockResolvedValue(true);
    const dock = mount(SnagDock, { props: { stage: "devices" }, global: { plugins } });
    await dock
      .findAll("button")
      .find((b) => b.text() === "Accept")!
      .trigger("click");
    await dock.find("article input").setValue("  it moves next week ");
    await dock.find("form").trigger("submit");
    expect(edit).toHaveBeenCalledWith(
      [{ op: "add", path: "/accepted/D12~1devices~1lamp", value: "it moves next week" }],
      "accept D12",
    );
  });

  it("hides accepted snags until asked for", async () => {
    bench({ snags: [snag({ accepted: "known" })] });
    const dock = mount(SnagDock, { props: { stage: "devices" }, global: { plugins } });
    expect(dock.text()).toContain("Snags here: 0");
    await dock
      .findAll("button")
      .find((b) => b.text().includes("1 accepted"))!
      .trigger("click");
    expect(dock.text()).toContain("Accepted: known");
  });
});

describe("the Without strip", () => {
  type Item = Assessment["strip"][number];
  const item = (id: string, kind: Item["kind"], group: Item["group"]): Item => ({
    id,
    name: id.replace("unit:", ""),
    kind,
    group,
    felt: 2,
    out: false,
  });

  it("toggles what it supposes gone and folds several of a kind into a count", async () => {
    const points = ["a", "b", "c"].map((n) => item(`unit:${n}`, "ACCESS_POINT", "NETWORK"));
    const store = bench({
      strip: [item("mains", "MAINS", "POWER"), item("unit:r", "ROUTER", "NETWORK"), ...points],
    });
    store.without = ["unit:b"];
    const suppose = vi.spyOn(store, "suppose").mockResolvedValue();
    const strip = mount(WithoutStrip, { global: { plugins } });
    expect(strip.findAll("button.toggle").map((b) => b.text())).toEqual([
      "mains",
      "router",
      "access points 1 of 3",
    ]);
    await strip.find("button.toggle").trigger("click");
    expect(suppose).toHaveBeenCalledWith(["unit:b", "mains"]);
    expect(strip.text()).toContain("2 hold · 0 lost");
  });

  it("says what will stand there while nothing does", () => {
    bench({});
    expect(mount(WithoutStrip, { global: { plugins } }).text()).toContain("two or more devices depend on");
  });
});

describe("the budget stair", () => {
  const report = { meets: false, neededDb: 13.2, runs: [], marginDb: 8.7 } as unknown as LinkReport;
  const run = {
    from: "a",
    to: "b",
    budget: {
      steps: [
        { label: "sent", changeDb: 0, levelDbm: 14, figure },
        { label: "free space", changeDb: -60, levelDbm: -46, figure },
        { label: "Stone 600", changeDb: -20.3, levelDbm: -66.3, figure: { ...figure, extrapolated: true } },
      ],
      receivedDbm: -66.3,
      sensitivityDbm: -75,
      marginDb: 8.7,
      sensitivityFigure: figure,
      marginFigure: figure,
    },
  };

  it("falls step by step and says the same in words", () => {
    const stair = mount(BudgetStair, { props: { run, report, title: "a to b" }, global: { plugins } });
    const alt = stair.find("svg").attributes("aria-label")!;
    expect(alt).toContain("sent 14.0 dBm, free space −60.0 dB, Stone 600 −20.3 dB, arrives −66.3 dBm");
    const heights = [
      ...stair
        .find("path.steps")
        .attributes("d")!
        .matchAll(/(?:M[\d.]+ |V)([\d.]+)/g),
    ].map((m) => Number(m[1]));
    expect(heights).toHaveLength(3);
    expect(heights).toEqual([...heights].sort((a, b) => a - b));
    expect(stair.find(".arrives").classes()).toContain("short");
  });

  it("marks what is extrapolated and gives the margin last", () => {
    const stair = mount(BudgetStair, { props: { run, report, title: "a to b" }, global: { plugins } });
    const items = stair.findAll("li").map((li) => li.text());
    expect(items[2]).toContain("−20.3 dB *");
    expect(items.at(-1)).toContain("8.7 dB");
  });
});
