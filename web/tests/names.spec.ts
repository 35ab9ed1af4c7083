import { describe, expect, it } from "vitest";
import { mount } from "@vue/test-utils";
import CellSheet from "../src/stages/names/CellSheet.vue";
import { sought, treeOf } from "../src/stages/names/topics";

const TOPICS: [string, string | null][] = [
  ["lamp", "leat/mill/hall/lamp"],
  ["lamp-10", "leat/mill/hall/lamp-10"],
  ["lamp-2", "leat/mill/hall/lamp-2"],
  ["gate", "leat/outside/yard/gate"],
  ["new", null],
];

describe("the topic tree", () => {
  it("has a branch for each level, counts what lies under it, and leaves out what has no topic", () => {
    const [root] = treeOf(TOPICS);
    expect(root).toMatchObject({ name: "leat", count: 4, device: null });
    expect(root!.branches.map((b) => [b.name, b.count])).toEqual([
      ["mill", 3],
      ["outside", 1],
    ]);
    const hall = root!.branches[0]!.branches[0]!;
    expect(hall.path).toBe("leat/mill/hall");
    expect(hall.branches.map((b) => b.device)).toEqual(["lamp", "lamp-2", "lamp-10"]);
  });

  it("keeps the branches that lead to what is sought, by topic or by name", () => {
    const names: Record<string, string> = { gate: "big iron gate", lamp: "hall lamp" };
    const found = sought(treeOf(TOPICS), "iron", (d) => names[d] ?? d);
    expect(found[0]!.branches.map((b) => b.name)).toEqual(["outside"]);
    expect(sought(treeOf(TOPICS), "hall", (d) => d)[0]!.branches[0]!.branches[0]!.count).toBe(3);
    expect(sought(treeOf(TOPICS), "cellar", (d) => d)).toEqual([]);
    expect(sought(treeOf(TOPICS), "  ", (d) => d)).toHaveLength(1);
  });
});

describe("a sheet of cells", () => {
  const sheet = () =>
    mount(CellSheet, {
      props: {
        label: "Addresses",
        from: 0,
        to: 63,
        columns: 32,
        shown: (n: number) => `.${n}`,
        stretches: [{ from: 40, to: 50, kind: "pool" }],
        cells: [
          { number: 1, mark: "R", kind: "network", words: "router" },
          { number: 33, mark: "•", kind: "given", words: "a and b", trouble: "given 2 times" },
        ],
      },
    });

  it("has a cell for each number, those that are given as buttons that say what they are", () => {
    const w = sheet();
    expect(w.findAll(".cell")).toHaveLength(64);
    expect(w.findAll("button").map((b) => b.attributes("aria-label"))).toEqual([
      ".1 router",
      ".33 a and b: given 2 times",
    ]);
    expect(w.findAll(".pool")).toHaveLength(11);
    expect(w.findAll(".head").map((h) => h.text())).toEqual([".0", ".32"]);
  });

  it("lets a clash stand out by more than its ink, and tells which number was chosen", async () => {
    const w = sheet();
    const clash = w.findAll("button")[1]!;
    expect(clash.text()).toBe("!");
    await clash.trigger("click");
    expect(w.emitted("choose")).toEqual([[33]]);
  });
});
