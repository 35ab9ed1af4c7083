import { createPinia, setActivePinia } from "pinia";
import { afterEach, beforeEach, describe, expect, it, vi } from "vitest";
import { levelAt, read, useCoverage } from "../src/coverage/store";
import { newest } from "../src/plan/newest";
import { useBench } from "../src/plan/store";
import { smallPlan } from "./helpers";

/** Two columns and one row of half a metre; the second cell hears nothing. */
function grid(dbm: number): ArrayBuffer {
  const coverage = {
    medium: "WIFI_2G4",
    grid: { floor: "ground", westM: 10, southM: 20, cellM: 0.5, columns: 2, rows: 1, zM: 1 },
    servers: [{ unit: "ap", name: "Hall AP", xM: 0, yM: 0, zM: 1 }],
  };
  let text = JSON.stringify(coverage);
  while ((8 + new TextEncoder().encode(text).length) % 2) text += " ";
  const json = new TextEncoder().encode(text);
  const buffer = new ArrayBuffer(8 + json.length + 2 * 2 * 2 + 2 * 2);
  new Uint8Array(buffer).set(new TextEncoder().encode("SKC1"));
  const view = new DataView(buffer);
  view.setUint32(4, json.length, true);
  new Uint8Array(buffer).set(json, 8);
  view.setInt16(8 + json.length, Math.round(dbm * 100), true);
  [0, 255, 255, 255].forEach((server, i) => view.setUint8(8 + json.length + 8 + i, server));
  return buffer;
}

const settled = () => new Promise((done) => setTimeout(done));

describe("the coverage form", () => {
  it("gives level and server of the cell that holds a point, and nothing beyond the grid or without a server", () => {
    const mapped = read(grid(-67.25));
    expect(levelAt(mapped, 10.49, 20.1)).toEqual({ dbm: -67.25, server: "Hall AP" });
    expect(levelAt(mapped, 10.5, 20.1)).toBeNull();
    for (const [x, y] of [
      [9.99, 20.1],
      [11.01, 20.1],
      [10.1, 19.99],
      [10.1, 20.51],
    ])
      expect(levelAt(mapped, x!, y!)).toBeNull();
  });

  it("refuses what it cannot read", () => {
    const other = grid(-50);
    new Uint8Array(other)[3] = "2".charCodeAt(0);
    expect(() => read(other)).toThrow(/no coverage/);
  });
});

describe("previews", () => {
  /** Work that is begun in order and ends when the test says so. */
  function held() {
    const begun: number[] = [];
    const shown: number[] = [];
    const ends: Record<number, (fine: boolean) => void> = {};
    const line = newest<number>(async (n) => {
      begun.push(n);
      const fine = await new Promise<boolean>((end) => (ends[n] = end));
      if (!fine) throw new Error("refused");
      return () => shown.push(n);
    });
    return { begun, shown, ends, line };
  }

  it("are worked out two at a time, and of those that come meanwhile only the newest", async () => {
    const { begun, shown, ends, line } = held();
    for (const n of [1, 2, 3, 4]) void line.ask(n);
    expect(begun).toEqual([1, 2]);
    ends[1]!(true);
    await settled();
    expect(begun).toEqual([1, 2, 4]);
    expect(shown).toEqual([1]);
  });

  it("are not shown when a newer one was", async () => {
    const { shown, ends, line } = held();
    void line.ask(1);
    void line.ask(2);
    ends[2]!(true);
    await settled();
    ends[1]!(true);
    await settled();
    expect(shown).toEqual([2]);
  });

  it("go on after one that fails, without what waited behind it", async () => {
    const { begun, shown, ends, line } = held();
    for (const n of [1, 2, 3]) void line.ask(n);
    ends[1]!(false);
    await settled();
    ends[2]!(true);
    await settled();
    const last = line.ask(4);
    ends[4]!(true);
    await last;
    expect(begun).toEqual([1, 2, 4]);
    expect(shown).toEqual([2, 4]);
  });

  it("that are on their way when the hand lets go are not shown", async () => {
    const { begun, shown, ends, line } = held();
    for (const n of [1, 2, 3]) void line.ask(n);
    void line.drop();
    ends[1]!(true);
    ends[2]!(true);
    await settled();
    expect(begun).toEqual([1, 2]);
    expect(shown).toEqual([]);
  });

  it("but for the one of the place where it lets go", async () => {
    const { shown, ends, line } = held();
    for (const n of [1, 2, 3]) void line.ask(n);
    const kept = line.drop(2);
    ends[1]!(true);
    ends[2]!(true);
    await kept;
    expect(shown).toEqual([2]);
  });
});

describe("a drag", () => {
  let answerPreview: (() => void) | null = null;
  let asked: string[] = [];

  beforeEach(() => {
    setActivePinia(createPinia());
    answerPreview = null;
    asked = [];
    vi.stubGlobal("fetch", async (request: Request | string) => {
      const url = typeof request === "string" ? request : request.url;
      asked.push(url);
      if (url.includes("preview")) {
        await new Promise<void>((go) => (answerPreview = go));
        return url.includes("coverage")
          ? new Response(grid(-40))
          : new Response(JSON.stringify({ plan: { ...smallPlan(), name: "Dragged" }, assessment: {} }));
      }
      if (url.includes("assessment"))
        return new Response(JSON.stringify({ revision: 1, assessment: { strip: [], positions: {} } }));
      if (url.includes("/coverage/")) return new Response(grid(-60));
      if (url.includes("catalog")) return new Response("{}");
      return new Response(
        JSON.stringify({ id: "p", revision: 1, plan: smallPlan(), undo: null, redo: null }),
      );
    });
  });
  afterEach(() => vi.unstubAllGlobals());

  it("shows what follows it, but not an answer that comes when it has ended", async () => {
    const bench = useBench();
    await bench.open("p", []);
    const preview = bench.preview([{ op: "replace", path: "/name", value: "Dragged" }]);
    await settled();
    answerPreview!();
    await preview;
    expect(bench.shownPlan!.name).toBe("Dragged");
    const late = bench.preview([{ op: "replace", path: "/name", value: "Dragged" }]);
    await settled();
    bench.endPreview();
    bench.take({ id: "p", revision: 2, plan: smallPlan(), undo: null, redo: null } as never);
    answerPreview!();
    await late;
    expect(bench.shownPlan!.name).toBe("Small");
  });

  it("takes the coverage of the floor in view along, and the stored one comes back", async () => {
    const bench = useBench();
    await bench.open("p", ["internet/isp"]);
    const coverage = useCoverage();
    coverage.medium = "WIFI_2G4";
    await coverage.load();
    expect(levelAt(coverage.shown!, 10.1, 20.1)!.dbm).toBe(-60);
    bench.dragOps = [{ op: "replace", path: "/name", value: "x" }];
    const preview = coverage.preview(bench.dragOps!);
    await settled();
    answerPreview!();
    await preview;
    expect(levelAt(coverage.shown!, 10.1, 20.1)!.dbm).toBe(-40);
    expect(asked.at(-1)).toContain("/coverage/WIFI_2G4/ground/preview?");
    await coverage.load();
    expect(levelAt(coverage.shown!, 10.1, 20.1)!.dbm).toBe(-60);
  });
});
