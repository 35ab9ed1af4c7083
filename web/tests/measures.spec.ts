import { describe, expect, it } from "vitest";
import { columnIn, feetAndInches, gaugeOf, labelIn, readIn, shownIn } from "../src/app/measures";
import type { TableColumn } from "../src/table/columns";
import { gaugeMm2, readQuantity } from "../src/table/quantities";

describe("feet, inches and gauges", () => {
  it.each([
    [3.81, `12' 6"`],
    [0.3048, `1' 0"`],
    [2.4, `7' 10½"`],
    [0.0254, `1"`],
    [0.003175, `⅛"`],
    [0, `0"`],
    [-0.6096, `−2' 0"`],
  ])("writes %d m as %s and reads it back to an eighth of an inch", (metres, written) => {
    expect(feetAndInches(metres)).toBe(written);
    const read = readIn("FEET", "Height, m", written);
    expect("value" in read && Math.abs(read.value - metres) <= 0.0254 / 16).toBe(true);
  });

  it("takes a bare number as feet only where the plan is in feet, and other units either way", () => {
    expect(readIn("FEET", "Height, m", "10")).toEqual({ value: 3.048 });
    expect(readIn("METRIC", "Height, m", "10")).toEqual({ value: 10 });
    expect(readIn("METRIC", "Height, m", `12' 6"`)).toEqual({ value: 3.81 });
    expect(readIn("FEET", "Height, m", "85 cm")).toEqual({ value: 0.85 });
    expect(readIn("FEET", "Power, W", "10")).toEqual({ value: 10 });
    expect(readIn("FEET", "Height, m", "tall")).toHaveProperty("trouble");
  });

  // areas of ASTM B258, mm²
  it.each([
    [24, 0.205],
    [18, 0.823],
    [12, 3.31],
    [10, 5.26],
    [0, 53.5],
    [-3, 107.2],
  ])("has gauge %d at %d mm²", (gauge, area) => {
    expect(Math.abs(gaugeMm2(gauge) / area - 1)).toBeLessThan(0.01);
    const name = gauge < 0 ? `${1 - gauge}/0` : String(gauge);
    expect(gaugeOf(area)).toBe(`AWG ${name === "0" ? "0" : name}`);
    const read = readQuantity(`AWG ${name}`, "mm²");
    expect("value" in read && Math.abs(read.value / area - 1) < 0.01).toBe(true);
  });

  it("shows and stores a column of lengths in feet, others as they are", () => {
    const column: TableColumn<{ m: number | null }> = {
      id: "height",
      head: "Height, m",
      value: (row) => row.m,
      shown: (row) => (row.m === null ? "no place" : String(row.m)),
      edit: {
        raw: (row) => row.m,
        ops: (_, value) => [{ op: "replace", path: "/h", value }],
        unit: "m",
      },
    };
    expect(columnIn("METRIC", column)).toBe(column);
    const feet = columnIn("FEET", column);
    expect(feet.head).toBe("Height, ft");
    expect(feet.shown!({ m: 3.81 })).toBe(`12' 6"`);
    expect(feet.shown!({ m: null })).toBe("no place");
    expect(feet.edit!.unit).toBe("ft");
    expect(feet.edit!.ops({ m: 1 }, 10)[0]!.value).toBe(3.048);
    expect(columnIn("FEET", { ...column, head: "Area, m²" }).head).toBe("Area, m²");
    expect(labelIn("FEET", "From corner, m")).toBe("From corner, ft");
    expect(shownIn("FEET", "Area of a conductor, mm²", 0.823)).toBe("AWG 18");
    expect(shownIn("FEET", "Name", "den")).toBe("den");
  });
});
