import { flushPromises, mount, type VueWrapper } from "@vue/test-utils";
import { createPinia, setActivePinia } from "pinia";
import { beforeEach, describe, expect, it, vi } from "vitest";
import { defineComponent, h, ref } from "vue";
import { Problem, type Op } from "../src/api/client";
import { useBench } from "../src/plan/store";
import { asCsv, readBlock } from "../src/table/clipboard";
import type { TableColumn } from "../src/table/columns";
import DataTable from "../src/table/DataTable.vue";
import { matches } from "../src/table/filters";
import { readQuantity, unitOf } from "../src/table/quantities";

describe("numbers as people write them", () => {
  it.each([
    ["6,2", "m", 6.2],
    ["6.2", "m", 6.2],
    ["85 cm", "m", 0.85],
    ["12' 6\"", "m", 3.81],
    ["12′ 6″", "m", 3.81],
    ["12' 6", "m", 3.81],
    ["2h 30", "h", 2.5],
    ["2h 30", "s", 9000],
    ["90 min", "h", 1.5],
    ["3 d", "h", 72],
    ["6,2+0,4", "m", 6.6],
    ["3 - 50 cm", "m", 2.5],
    ["−7,5", "", -7.5],
    ["1.234,5", "m", 1234.5],
    ["1,234.5", "m", 1234.5],
    ["350 mA", "A", 0.35],
    ["1,2 kW", "W", 1200],
    ["2.4 GHz", "MHz", 2400],
    ["4k", "Ω", 4000],
    ["0.1+0.2", "m", 0.3],
    ["1e3", "m", 1000],
  ])("%s in %s is %d", (typed, unit, expected) => {
    expect(readQuantity(typed, unit)).toEqual({ value: expected });
  });

  it.each([
    ["six", "m"],
    ["6 kg", "m"],
    ["6 m", ""],
    ["6 m 2 s", "m"],
    ["1 2", "m"],
    ["", "m"],
    ["1.2.3", "m"],
    ["1+".repeat(60) + "1", "m"],
  ])("%s in %s is told", (typed, unit) => {
    expect(readQuantity(typed, unit)).toHaveProperty("trouble");
  });

  it("a field's unit is what its label ends with", () => {
    expect(unitOf("Antenna on a mast, m")).toBe("m");
    expect(unitOf("Asleep, µA")).toBe("µA");
    expect(unitOf("Name")).toBe("");
    expect(unitOf("Decodes families, with commas")).toBe("");
  });
});

describe("blocks", () => {
  it("are read from spreadsheets and from CSV, ragged as they are", () => {
    expect(readBlock("a\tb\r\nc\r\n")).toEqual([["a", "b"], ["c"]]);
    expect(readBlock('"two\nlines"\t1,5')).toEqual([["two\nlines", "1,5"]]);
    expect(readBlock('x,"y, z"\n1,2')).toEqual([
      ["x", "y, z"],
      ["1", "2"],
    ]);
    expect(readBlock("6,2")).toEqual([["6,2"]]);
  });
  it("are saved without a formula in them", () => {
    expect(asCsv([["=1+1", "-3", "-x", 'a "b"']])).toBe(`'=1+1,-3,'-x,"a ""b"""\r\n`);
  });
  it("filters by words and by figures", () => {
    expect(matches("LAM", "hall lamp", "hall lamp")).toBe(true);
    expect(matches(">5", "6 m", 6)).toBe(true);
    expect(matches(">5", "4 m", 4)).toBe(false);
    expect(matches("1..4", "4", 4)).toBe(true);
    expect(matches("<=0,5", "0.5", 0.5)).toBe(true);
    expect(matches("x..y", "4", 4)).toBe(false);
  });
});

interface Lamp {
  id: string;
  name: string;
  kind: string;
  heightM: number | null;
}
const at = (row: Lamp, field: string) => `/devices/${row.id}/${field}`;
const columns: TableColumn<Lamp>[] = [
  {
    id: "name",
    head: "Name",
    value: (r) => r.name,
    edit: { raw: (r) => r.name, ops: (r, value) => [{ op: "replace", path: at(r, "name"), value }] },
  },
  {
    id: "kind",
    head: "Kind",
    value: (r) => r.kind.toLowerCase(),
    edit: {
      raw: (r) => r.kind,
      ops: (r, value) => [{ op: "replace", path: at(r, "kind"), value }],
      choices: () => [
        ["LAMP", "lamp"],
        ["FAN", "fan"],
        ["SOCKET", "socket"],
      ],
    },
  },
  {
    id: "height",
    head: "Height, m",
    numeric: true,
    value: (r) => r.heightM,
    edit: {
      raw: (r) => r.heightM,
      ops: (r, value) => [{ op: "replace", path: at(r, "heightM"), value }],
      unit: "m",
      optional: true,
    },
  },
  { id: "note", head: "Note", hidden: true, value: () => "fixed" },
];

describe("the table", () => {
  let stored: { ops: Op[]; label: string }[];
  let refuse: (ops: Op[]) => Problem | null;
  const opened: string[] = [];

  beforeEach(() => {
    setActivePinia(createPinia());
    localStorage.clear();
    stored = [];
    opened.length = 0;
    refuse = () => null;
    const bench = useBench();
    bench.attempt = vi.fn(async (ops: Op[], label: string) => {
      const why = refuse(ops);
      if (!why) stored.push({ ops, label });
      return why;
    });
  });

  const lamps = (n: number): Lamp[] =>
    Array.from({ length: n }, (_, i) => ({
      id: `d${i}`,
      name: `lamp ${i + 1}`,
      kind: "LAMP",
      heightM: i,
    }));

  function table(rows: Lamp[], more: Record<string, unknown> = {}) {
    const chosen = ref<string[]>([]);
    const Page = defineComponent({
      setup: () => () =>
        h(DataTable as never, {
          id: "lamps",
          label: "Lamps",
          rows,
          keyOf: (r: Lamp) => r.id,
          nameOf: (r: Lamp) => r.name,
          columns,
          chosen: chosen.value,
          "onUpdate:chosen": (keys: string[]) => (chosen.value = keys),
          onOpen: (key: string) => opened.push(key),
          ...more,
        }),
    });
    const page = mount(Page, { attachTo: document.body });
    return { page, chosen };
  }
  const names = (page: VueWrapper) => page.findAll("tbody td[data-at$=' 0']").map((c) => c.text());
  const cell = (page: VueWrapper, row: number, column: number) => page.get(`[data-at="${row} ${column}"]`);
  const grid = (page: VueWrapper) => page.get("[role=grid]");
  const press = (page: VueWrapper, key: string, more = {}) => grid(page).trigger("keydown", { key, ...more });
  async function paste(page: VueWrapper, text: string) {
    const event = new Event("paste", { bubbles: true });
    Object.assign(event, { clipboardData: { getData: () => text } });
    grid(page).element.dispatchEvent(event);
    await flushPromises();
  }

  it("sorts by a head, numbers as numbers, and back", async () => {
    const { page } = table(lamps(12));
    const head = page.get('[data-at="-1 0"]');
    await head.trigger("click");
    expect(names(page)[1]).toBe("lamp 2");
    await head.trigger("click");
    expect(names(page)[0]).toBe("lamp 12");
    expect(head.attributes("aria-sort")).toBe("descending");
    await head.trigger("click");
    expect(head.attributes("aria-sort")).toBeUndefined();
    page.unmount();
  });

  it("filters by column, and shows all again", async () => {
    const { page } = table(lamps(12));
    await page
      .findAll("button")
      .find((b) => b.text() === "Filter")!
      .trigger("click");
    await page.get('[aria-label="Filter Height, m"]').setValue(">9");
    expect(names(page)).toEqual(["lamp 11", "lamp 12"]);
    expect(page.get(".count").text()).toBe("2 of 12");
    await page
      .findAll("button")
      .find((b) => b.text() === "Filter")!
      .trigger("click");
    expect(names(page)).toHaveLength(12);
    page.unmount();
  });

  it("remembers the columns that are wanted", async () => {
    const first = table(lamps(2)).page;
    expect(first.text()).not.toContain("Note");
    await first
      .findAll("button")
      .find((b) => b.text() === "Columns")!
      .trigger("click");
    await first.findAll(".columns input").at(2)!.setValue(true);
    expect(first.findAll("thead th").map((c) => c.text())).toContain("Note");
    first.unmount();
    const again = table(lamps(2)).page;
    expect(again.findAll("thead th").map((c) => c.text())).toContain("Note");
    again.unmount();
  });

  it("opens the thing by Enter in its first column", async () => {
    const { page } = table(lamps(2));
    await press(page, "ArrowDown");
    await press(page, "Enter");
    expect(opened).toEqual(["d1"]);
    expect(page.find("input.cell").exists()).toBe(false);
    page.unmount();
  });

  it("is one stop of the Tab key, and arrows move through it", async () => {
    const { page } = table(lamps(3));
    expect(page.findAll('[role=grid] [tabindex="0"]')).toHaveLength(1);
    await press(page, "ArrowDown");
    await press(page, "ArrowRight");
    expect(cell(page, 1, 1).attributes("tabindex")).toBe("0");
    expect(document.activeElement).toBe(cell(page, 1, 1).element);
    await press(page, "End", { ctrlKey: true });
    expect(document.activeElement).toBe(cell(page, 2, 2).element);
    await press(page, "ArrowDown");
    expect(document.activeElement).toBe(cell(page, 2, 2).element);
    await press(page, "Home", { ctrlKey: true });
    await press(page, "ArrowUp");
    await press(page, "Enter");
    expect(page.get('[data-at="-1 0"]').attributes("aria-sort")).toBe("ascending");
    expect(stored).toEqual([]);
    page.unmount();
  });

  it("edits a cell by Enter, in any unit, and leaves it by Escape", async () => {
    const { page } = table(lamps(3));
    await press(page, "ArrowRight");
    await press(page, "ArrowRight");
    await press(page, "Enter");
    await flushPromises();
    const input = page.get<HTMLInputElement>("input.cell");
    expect(input.element.value).toBe("0");
    await input.setValue("85 cm");
    await input.trigger("keydown", { key: "Enter" });
    await flushPromises();
    expect(stored).toEqual([
      { ops: [{ op: "replace", path: "/devices/d0/heightM", value: 0.85 }], label: "Height, m of lamp 1" },
    ]);
    expect(document.activeElement).toBe(cell(page, 1, 2).element);
    await press(page, "F2");
    await page.get("input.cell").setValue("9");
    await page.get("input.cell").trigger("keydown", { key: "Escape" });
    expect(stored).toHaveLength(1);
    expect(page.find("input.cell").exists()).toBe(false);
    page.unmount();
  });

  it("tells at the cell what cannot be stored and keeps it as it was typed", async () => {
    const { page } = table(lamps(2));
    await press(page, "ArrowRight");
    await press(page, "ArrowRight");
    await press(page, "x");
    await page.get("input.cell").setValue("high");
    await page.get("input.cell").trigger("keydown", { key: "Enter" });
    await flushPromises();
    expect(cell(page, 0, 2).attributes("aria-invalid")).toBe("true");
    expect(page.get("[role=alert]").text()).toContain('lamp 1, "high" is not a number');
    await press(page, "ArrowUp");
    await press(page, "F2");
    expect(page.get<HTMLInputElement>("input.cell").element.value).toBe("high");
    await page.get("input.cell").setValue("1,5");
    await page.get("input.cell").trigger("keydown", { key: "Enter" });
    await flushPromises();
    expect(page.find("[role=alert]").exists()).toBe(false);
    expect(stored).toHaveLength(1);
    page.unmount();
  });

  it("chooses from a list only by Enter or a click: arrows and letters point", async () => {
    const { page } = table(lamps(2));
    await press(page, "ArrowRight");
    await press(page, "Enter");
    const box = page.get('[role="combobox"]');
    await box.trigger("keydown", { key: "ArrowDown" });
    await box.trigger("keydown", { key: "ArrowDown" });
    expect(stored).toEqual([]);
    await box.setValue("so");
    await box.trigger("keydown", { key: "Enter" });
    await flushPromises();
    expect(stored[0]!.ops[0]!.value).toBe("SOCKET");
    await press(page, "Enter");
    await page.get('[role="combobox"]').trigger("keydown", { key: "ArrowDown" });
    await page.get('[role="combobox"]').trigger("keydown", { key: "Escape" });
    expect(stored).toHaveLength(1);
    page.unmount();
  });

  it("selects rows by Space, Shift and all of them, and changes one column of all in one edit", async () => {
    const { page, chosen } = table(lamps(6));
    await press(page, " ");
    await press(page, "ArrowDown", { shiftKey: true });
    await press(page, "ArrowDown", { shiftKey: true });
    expect(chosen.value).toEqual(["d0", "d1", "d2"]);
    expect(page.get('[role="toolbar"]').text()).toContain("3 selected");
    await page.get('[aria-label="Change what"]').setValue("height");
    await page.get('[aria-label="Height, m of all"]').setValue("2,2");
    await page.get("form").trigger("submit");
    await flushPromises();
    expect(stored).toHaveLength(1);
    expect(stored[0]!.label).toBe("Height, m of 3 rows");
    expect(stored[0]!.ops.map((o) => o.value)).toEqual([2.2, 2.2, 2.2]);
    await press(page, "a", { ctrlKey: true });
    expect(chosen.value).toHaveLength(6);
    await press(page, "Escape");
    expect(chosen.value).toEqual([]);
    page.unmount();
  });

  it("takes a pasted block from the cell in focus on; each cell tells its trouble, the rest is one edit", async () => {
    const { page } = table(lamps(3));
    await paste(page, "ceiling\tfan\t2,4\nwall\tdynamo\t1.2\r\nfloor\tlamp\tlow\n");
    expect(stored).toHaveLength(1);
    expect(stored[0]!.ops.map((o) => [o.path, o.value])).toEqual([
      ["/devices/d0/name", "ceiling"],
      ["/devices/d0/kind", "FAN"],
      ["/devices/d0/heightM", 2.4],
      ["/devices/d1/name", "wall"],
      ["/devices/d1/heightM", 1.2],
      ["/devices/d2/name", "floor"],
    ]);
    expect(page.get("[role=alert]").text()).toContain("2 cells were not taken");
    expect(cell(page, 1, 1).attributes("aria-invalid")).toBe("true");
    expect(cell(page, 2, 2).attributes("aria-invalid")).toBe("true");
    page.unmount();
  });

  it("puts what the server refuses at its own cell and stores the rest", async () => {
    refuse = (ops) =>
      ops.some((o) => o.path === "/devices/d1/name")
        ? new Problem(422, "Nothing was changed.", [{ pointer: "/devices/d1/name", message: "is too long" }])
        : null;
    const { page } = table(lamps(3));
    await paste(page, "one\ntwo\nthree");
    expect(stored[0]!.ops.map((o) => o.value)).toEqual(["one", "three"]);
    expect(page.get("[role=alert]").text()).toContain("lamp 2, is too long");
    page.unmount();
  });

  it("makes new rows of the lines below the last one, where it can", async () => {
    const lines: Record<string, string>[][] = [];
    const added = async (got: Record<string, string>[]) => {
      lines.push(got);
      return { ops: [{ op: "add" as const, path: "/devices/new", value: {} }], troubles: ["Line 2: left."] };
    };
    const { page } = table(lamps(1), { added });
    await paste(page, "first\nsecond\tfan\nthird\ttoaster");
    expect(lines).toEqual([
      [
        { name: "second", kind: "fan" },
        { name: "third", kind: "toaster" },
      ],
    ]);
    expect(stored[0]!.ops.map((o) => o.path)).toEqual(["/devices/d0/name", "/devices/new"]);
    expect(page.get("[role=alert]").text()).toContain("Line 2: left.");
    page.unmount();
  });

  it("refuses more cells than it takes at once, whole", async () => {
    const { page } = table(lamps(2));
    await paste(page, Array.from({ length: 10_001 }, () => "x").join("\n"));
    expect(stored).toEqual([]);
    expect(page.get("[role=alert]").text()).toContain("10001 cells were pasted; 10000 are taken at once");
    page.unmount();
  });

  it("draws only what is in sight of many rows", () => {
    const { page } = table(lamps(5000));
    expect(page.findAll("tbody tr").length).toBeLessThan(120);
    expect(page.get("[role=grid]").attributes("aria-rowcount")).toBe("5001");
    page.unmount();
  });

  it("copies the rows that are selected as a block", async () => {
    const { page } = table(lamps(3));
    await press(page, " ");
    const got: Record<string, string> = {};
    const event = new Event("copy", { bubbles: true });
    Object.assign(event, { clipboardData: { setData: (type: string, text: string) => (got[type] = text) } });
    grid(page).element.dispatchEvent(event);
    expect(got["text/plain"]).toBe("lamp 1\tlamp\t0");
    page.unmount();
  });
});
