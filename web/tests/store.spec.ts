import { createPinia, setActivePinia } from "pinia";
import { afterEach, beforeEach, describe, expect, it, vi } from "vitest";
import { forgetBack } from "../src/app/whenBack";
import { useBench } from "../src/plan/store";
import { smallPlan } from "./helpers";

interface Call {
  method: string;
  url: string;
  match: string | null;
  body: string;
}

let calls: Call[] = [];
let revision = 7;
let refuse: { status: number; detail: string } | null = null;
/** What the preview of a drag says, when it is let go. */
let previewed: { name: string; go: Promise<void> } = { name: "Small", go: Promise.resolve() };

const reply = (status: number, body: unknown) =>
  new Response(JSON.stringify(body), { status, headers: { "Content-Type": "application/json" } });

beforeEach(() => {
  setActivePinia(createPinia());
  calls = [];
  revision = 7;
  refuse = null;
  previewed = { name: smallPlan().name, go: Promise.resolve() };
  vi.stubGlobal("fetch", async (request: Request | string) => {
    if (typeof request === "string") return reply(refuse ? 503 : 200, {});
    const body = request.method === "GET" ? "" : await request.text();
    calls.push({ method: request.method, url: request.url, match: request.headers.get("If-Match"), body });
    if (request.url.includes("assessment"))
      return reply(200, { revision, assessment: { strip: [], positions: {} } });
    if (request.url.includes("catalog")) return reply(200, {});
    if (request.url.includes("preview")) {
      const { name, go } = previewed;
      await go;
      return reply(200, {
        plan: { ...smallPlan(), name },
        assessment: { strip: [], positions: {}, sentence: "of the drag" },
      });
    }
    if (request.method === "PATCH") {
      if (refuse) return reply(refuse.status, { detail: refuse.detail, errors: [] });
      revision++;
    }
    return reply(200, { id: "p", revision, plan: smallPlan(), undo: "x", redo: null });
  });
});
afterEach(() => {
  forgetBack();
  vi.unstubAllGlobals();
});

async function opened() {
  const bench = useBench();
  await bench.open("p", []);
  return bench;
}

describe("the bench", () => {
  it("sends edits one after the other, each for the revision that the last one made", async () => {
    const bench = await opened();
    const op = { op: "replace" as const, path: "/name", value: "A" };
    await Promise.all([bench.edit([op], "one"), bench.edit([op], "two"), bench.edit([op], "three")]);
    expect(calls.filter((c) => c.method === "PATCH").map((c) => c.match)).toEqual(['"7"', '"8"', '"9"']);
    expect(bench.revision).toBe(10);
    expect(bench.saving).toBe("safe");
  });

  const asked = (what: string) => calls.filter((c) => c.url.includes(what)).length;
  const move = () => [{ op: "replace" as const, path: "/name", value: "A" }];

  it("takes the figures of the drag that ended as the plan was stored, without asking again", async () => {
    const bench = await opened();
    const ops = move();
    let letGo = () => {};
    previewed.go = new Promise((go) => (letGo = go));
    const following = bench.preview(ops);
    bench.endPreview(ops);
    await bench.edit(ops, "move");
    expect(bench.revision).toBe(8);
    expect(bench.assessment?.sentence).toBeUndefined();
    letGo();
    await following;
    await vi.waitFor(() => expect(bench.dragged).toBeNull());
    expect(bench.assessment?.sentence).toBe("of the drag");
    expect(asked("assessment")).toBe(1);
  });

  it("asks again where the drag was of another place, or made another plan", async () => {
    const bench = await opened();
    const ops = move();
    await bench.preview(move());
    bench.endPreview(ops);
    await bench.edit(ops, "move");
    await vi.waitFor(() => expect(asked("assessment")).toBe(2));
    previewed.name = "Another";
    await bench.preview(ops);
    bench.endPreview(ops);
    await bench.edit(ops, "move");
    await vi.waitFor(() => expect(asked("assessment")).toBe(3));
    await vi.waitFor(() => expect(bench.dragged).toBeNull());
    expect(bench.assessment?.sentence).toBeUndefined();
  });

  it("keeps a stale edit and can make it on the newer plan", async () => {
    const bench = await opened();
    refuse = { status: 412, detail: "changed elsewhere" };
    expect(await bench.edit([{ op: "remove", path: "/rooms/nook" }], "remove nook")).toBe(false);
    expect(bench.stale?.label).toBe("remove nook");
    refuse = null;
    revision = 12;
    await bench.settleStale(true);
    expect(calls.filter((c) => c.method === "PATCH").at(-1)!.match).toBe('"12"');
    expect(bench.stale).toBeNull();
  });

  it("keeps edits that the database could not take, in their order, for another try", async () => {
    const bench = await opened();
    refuse = { status: 503, detail: "The database does not answer." };
    await bench.edit([{ op: "remove", path: "/rooms/nook" }], "remove nook");
    await bench.edit([{ op: "replace", path: "/name", value: "B" }], "name");
    expect(bench.unsaved.map((e) => e.label)).toEqual(["remove nook", "name"]);
    const tried = calls.length;
    expect(bench.saving).toBe("failed");
    expect(bench.message).toContain("does not answer");
    refuse = null;
    await bench.retry();
    expect(bench.saving).toBe("safe");
    expect(bench.unsaved).toEqual([]);
    const sent = calls.slice(tried).filter((c) => c.method === "PATCH");
    expect(sent.map((c) => c.body.includes("nook"))).toEqual([true, false]);
  });

  it("stores what waits by itself once the server answers again", async () => {
    vi.useFakeTimers();
    try {
      const bench = await opened();
      refuse = { status: 503, detail: "The database does not answer." };
      await bench.edit([{ op: "replace", path: "/name", value: "B" }], "name");
      expect(bench.unsaved).toHaveLength(1);
      await vi.advanceTimersByTimeAsync(10_000);
      expect(bench.unsaved).toHaveLength(1);
      const backs = bench.backs;
      refuse = null;
      await vi.advanceTimersByTimeAsync(10_000);
      expect(bench.unsaved).toEqual([]);
      expect(bench.saving).toBe("safe");
      expect(bench.message).toBeNull();
      expect(bench.backs).toBe(backs + 1);
    } finally {
      vi.useRealTimers();
    }
  });

  it("asks again by itself when the server has too much to do", async () => {
    vi.useFakeTimers();
    try {
      const bench = await opened();
      refuse = { status: 429, detail: "Too much." };
      const made = bench.edit([{ op: "replace", path: "/name", value: "B" }], "name");
      await vi.advanceTimersByTimeAsync(500);
      refuse = null;
      await vi.advanceTimersByTimeAsync(10_000);
      expect(await made).toBe(true);
      expect(bench.message).toBeNull();
    } finally {
      vi.useRealTimers();
    }
  });

  it("says why an edit is refused and does not offer it again", async () => {
    const bench = await opened();
    refuse = { status: 422, detail: "This is not a valid plan." };
    await bench.edit([{ op: "replace", path: "/name", value: "" }], "name");
    expect(bench.message).toBe("This is not a valid plan.");
    expect(bench.unsaved).toEqual([]);
    expect(bench.saving).toBe("safe");
  });

  it("forgets a selection that an undo took away", async () => {
    const bench = await opened();
    bench.select("/rooms/gone");
    await bench.step("undo");
    expect(bench.selection).toBeNull();
    bench.select("/rooms/nook");
    await bench.step("redo");
    expect(bench.selection).toBe("/rooms/nook");
  });
});
