import { flushPromises, mount } from "@vue/test-utils";
import { createPinia, setActivePinia } from "pinia";
import PrimeVue from "primevue/config";
import { afterEach, beforeEach, describe, expect, it, vi } from "vitest";
import { defineComponent, h, ref, type Ref } from "vue";
import type { Op, Schemas } from "../src/api/client";
import { useQuery } from "../src/app/useQuery";
import { lasting } from "../src/drawing/marks";
import WeighedChange from "../src/plan/WeighedChange.vue";
import { useBench } from "../src/plan/store";
import { useFar } from "../src/stages/long-range/far";
import MessagePart from "../src/stages/long-range/MessagePart.vue";
import PathPart from "../src/stages/long-range/PathPart.vue";
import TakesPart from "../src/stages/long-range/TakesPart.vue";
import { smallPlan } from "./helpers";

const plugins = [PrimeVue];
const figure = { formula: "a − b", inputs: { a: "3 dB" }, source: "s", extrapolated: false };

beforeEach(() => setActivePinia(createPinia()));
afterEach(() => vi.unstubAllGlobals());

/** A server that answers by path; what it was asked is kept. */
function server(answers: Record<string, unknown>) {
  const asked: string[] = [];
  vi.stubGlobal("fetch", async (request: Request) => {
    const path = new URL(request.url, "http://localhost").pathname.replace("/api/plans/p1", "");
    asked.push(`${request.method} ${path}`);
    const body = answers[path];
    return new Response(JSON.stringify(body ?? { detail: `Nothing at ${path}.` }), {
      status: body === undefined ? 404 : 200,
      headers: { "Content-Type": "application/json" },
    });
  });
  return asked;
}

const radio = (receives: boolean): Schemas["Radio"] => ({
  medium: "CHIRP",
  frequencyMHz: 868.1,
  txPowerDbm: 13,
  antennaGainDbi: 2,
  feederLossDb: 0,
  sensitivityDbm: null,
  chirp: { spreadingFactor: 9, bandwidthKHz: 125, codingRateDenominator: 5 },
  receives,
  metalBox: false,
  family: null,
  decodes: [],
  air: null,
  modulation: null,
  repeats: null,
  beam: null,
});

/** A bench with a board and an eye that talk over chirp, and the ground between them. */
function bench(senderReceives = true) {
  const store = useBench();
  const plan = smallPlan();
  plan.units.board!.radios = { chirp: radio(true) };
  plan.units.eye!.radios = { chirp: radio(senderReceives) };
  plan.paths.way = {
    from: "eye",
    to: "board",
    profile: [
      { distanceM: 0, elevationM: 0 },
      { distanceM: 400, elevationM: 3 },
    ],
    covers: [],
    source: null,
    model: "DIFFRACTION",
    exponent: null,
    interceptDb: null,
    earthFactor: null,
    learned: null,
  };
  store.id = "p1";
  store.plan = plan;
  store.catalog = { media: [{ id: "CHIRP", name: "long-range chirp" }] } as unknown as Schemas["Catalog"];
  return store;
}

describe("an answer to a question that changes", () => {
  function asking(question: Ref<number | null>) {
    const ends: Record<number, (answer: string | Error) => void> = {};
    let got!: ReturnType<typeof useQuery<number, string>>;
    mount(
      defineComponent({
        setup() {
          got = useQuery(
            () => question.value,
            (q) =>
              new Promise<string>((yes, no) => {
                ends[q] = (a) => (typeof a === "string" ? yes(a) : no(a));
              }),
          );
          return () => h("p");
        },
      }),
    );
    return { ends, got };
  }

  it("never shows one that was overtaken, in whatever order they come", async () => {
    const question = ref<number | null>(1);
    const { ends, got } = asking(question);
    question.value = 2;
    await flushPromises();
    expect(got.working.value).toBe(true);
    ends[2]!("second");
    await flushPromises();
    ends[1]!("first");
    await flushPromises();
    expect(got.answer.value).toBe("second");
    expect(got.working.value).toBe(false);
    question.value = null;
    await flushPromises();
    expect(got.answer.value).toBeNull();
  });

  it("tells why there is none, and forgets that when there is one again", async () => {
    const question = ref<number | null>(1);
    const { ends, got } = asking(question);
    ends[1]!(new Error("the hill is gone"));
    await flushPromises();
    expect([got.answer.value, got.trouble.value]).toEqual([null, "the hill is gone"]);
    useBench().revision++;
    await flushPromises();
    ends[1]!("found");
    await flushPromises();
    expect([got.answer.value, got.trouble.value]).toEqual(["found", null]);
  });
});

describe("times in words", () => {
  it("go from milliseconds to hours without a jump", () => {
    expect([0.0004, 0.2068, 1.4, 25, 90, 600, 5400, 7200, 9000].map(lasting)).toEqual([
      "0 ms",
      "207 ms",
      "1.4 s",
      "25 s",
      "90 s",
      "10 min",
      "90 min",
      "2 h",
      "2.5 h",
    ]);
  });
});

describe("what it takes", () => {
  it("shows each change with its figure and does it as one edit", async () => {
    const store = bench();
    useFar().path = "way";
    const edits: Op[] = [{ op: "replace", path: "/units/eye/radios/chirp/txPowerDbm", value: 14 }];
    server({
      "/weighed": {
        edits,
        along: [],
        brings: [{ code: "R9", severity: "STOP", title: "it repeats", figures: "", subjects: [] }],
      },
      "/long-range/paths/way/changes": {
        marginDb: 2,
        neededDb: 9.9,
        chance: 0.63,
        target: 0.95,
        changes: [
          {
            text: "power up",
            why: "more current",
            cost: 5,
            marginDb: 3,
            chance: 0.7,
            meets: false,
            figure,
            legs: [],
            brings: null,
            edits,
          },
        ],
        reach: { chance: 0.95, unbrokenM: 120, farthestM: 380, flatM: 2300, flatFigure: figure },
      },
    });
    const edit = vi.spyOn(store, "edit").mockResolvedValue(true);
    const part = mount(TakesPart, { global: { plugins } });
    await flushPromises();
    expect(part.text()).toContain("Missing: 7.9 dB.");
    expect(part.text()).toContain("up to 120 m from the receiving end, and here and there up to 380 m");
    expect(part.text()).toContain("not enough alone");
    expect(part.find(".figure").attributes("title")).toBe("How the margin with: power up comes about");
    await part.find("button.soft").trigger("click");
    await flushPromises();
    // what would leave a stop behind waits until a person wants it all the same
    expect(edit).not.toHaveBeenCalled();
    const asked = mount(WeighedChange, { global: { plugins } });
    expect(asked.text()).toContain("power up would bring a new snag");
    expect(asked.text()).toContain("R9 it repeats");
    await asked.find("button.plain").trigger("click");
    expect(edit).toHaveBeenCalledWith(edits, "power up");
    expect(store.weighed).toBeNull();
    // another path is chosen: until its answer is there, changes of the one before cannot be made
    useFar().path = "elsewhere";
    await part.vm.$nextTick();
    expect(part.find("button.soft").exists()).toBe(false);
  });

  it("says what is wrong instead of an old answer", async () => {
    bench();
    useFar().path = "way";
    server({});
    const part = mount(TakesPart, { global: { plugins } });
    await flushPromises();
    expect(part.find("[role=alert]").text()).toBe("Nothing at /long-range/paths/way/changes.");
    expect(part.find("table").exists()).toBe(false);
  });
});

describe("ground under far links", () => {
  it("is laid under all that have none by one edit with ids of their own", async () => {
    const store = bench();
    const row = {
      link: "l",
      path: null,
      from: "eye",
      to: "board",
      fromName: "eye",
      toName: "board",
      openAir: true,
    } as const;
    useFar().overview = {
      rows: [
        {
          ...row,
          apartM: 400,
          marginDb: 51,
          chance: 1,
          target: 0.9,
          meets: true,
          broken: [],
          unknown: [],
          airtimeMs: null,
          trouble: null,
        },
      ],
      ground: { name: "hills" },
    } as unknown as Schemas["Overview"];
    const path = store.plan!.paths.way!;
    const asked = server({ "/ground/profiles": [{ path }, { path: { ...path, from: "board", to: "eye" } }] });
    const edit = vi.spyOn(store, "edit").mockResolvedValue(true);
    const part = mount(PathPart, { global: { plugins } });
    expect(part.text()).toContain("ground not known");
    // a link that is looked at is the one that ground can be laid under, and its path the one that is shown
    await part
      .findAll("button.plain")
      .find((b) => b.text() === "eye → board")!
      .trigger("click");
    expect(useFar().path).toBe("way");
    expect(part.findAll("form.inspect select").map((s) => (s.element as HTMLSelectElement).value)).toEqual([
      "eye",
      "board",
    ]);
    await part
      .findAll("button")
      .find((b) => b.text().startsWith("Take the terrain profiles of one link"))!
      .trigger("click");
    await flushPromises();
    expect(asked).toContain("POST /ground/profiles");
    expect(edit.mock.calls[0]![0].map((op) => [op.op, op.path])).toEqual([
      ["add", "/paths/eye"],
      ["add", "/paths/board"],
    ]);
    server({ "/ground/profiles": [] });
    await part.find("button.soft").trigger("click");
    await flushPromises();
    expect(part.text()).toContain("The grid of heights does not reach them");
    expect(edit).toHaveBeenCalledTimes(1);
  });
});

describe("a command that goes straight", () => {
  const view = {
    medium: "CHIRP",
    payload: { bits: 0, bytes: 0, slots: [], notes: [] },
    bytes: 12,
    assumed: true,
    airtimeMs: 200,
    answerMs: 120,
    tries: 1,
    intervalS: null,
    leastIntervalS: 20,
    broken: [],
    unknown: [],
    reminders: [],
    airtimeFigure: figure,
    answerFigure: figure,
    intervalFigure: figure,
  };
  const leg = { from: "eye", to: "board", medium: "CHIRP", marginDb: 20, commandMs: 200, answerMs: 180 };
  const route = { name: "bound directly", possible: true, why: "", chance: 0.99, confirmedMs: 380, waitS: 0 };

  it.each([
    [true, "TWO_WAY"],
    [false, "ONE_WAY"],
  ])("is added as a link of the plan; answered: %s", async (receives, direction) => {
    const store = bench(receives);
    server({
      "/long-range/messages/board": view,
      "/long-range/routes": [
        {
          ...route,
          worstMs: 380,
          figure,
          legs: [{ ...leg, planned: false, openAir: true, trouble: null, chance: 0.99 }],
        },
      ],
    });
    const edit = vi.spyOn(store, "edit").mockResolvedValue(true);
    const part = mount(MessagePart, { global: { plugins } });
    await flushPromises();
    expect(part.text()).toContain("nobody designed it");
    await part.findAll("select").at(-1)!.setValue("eye");
    await flushPromises();
    expect(part.text()).toContain("over open air: nobody knows the ground");
    await part
      .findAll("button")
      .find((b) => b.text() === "Add the link")!
      .trigger("click");
    expect(edit).toHaveBeenCalledWith(
      [
        {
          op: "add",
          path: "/links/eye-board",
          value: {
            from: "eye",
            to: "board",
            medium: "CHIRP",
            direction,
            lengthM: null,
            why: "bound directly",
            input: null,
            joined: null,
          },
        },
      ],
      "eye bound to board",
    );
  });
});
