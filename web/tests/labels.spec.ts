import { describe, expect, it } from "vitest";
import { placeLabels, type Placed, type Wanted } from "../src/drawing/labels";

/** The area that a label covers, as wide as its letters. */
function area(label: Placed) {
  const long = label.text.length * 5.6;
  const left =
    label.anchor === "start" ? label.tx : label.anchor === "end" ? label.tx - long : label.tx - long / 2;
  return { left, right: left + long, top: label.ty - 10, bottom: label.ty + 3 };
}
const meet = (a: ReturnType<typeof area>, b: ReturnType<typeof area>) =>
  a.left < b.right && b.left < a.right && a.top < b.bottom && b.top < a.bottom;

/** Marks strewn over a sheet by a small generator of its own, the same in every run. */
function strewn(count: number, seed: number): Wanted[] {
  let state = seed;
  const next = () => (state = (state * 48271) % 2147483647) / 2147483647;
  return Array.from({ length: count }, (_, i) => ({
    id: `/devices/${i}`,
    x: 100 + next() * 600,
    y: 40 + next() * 300,
    text: "lamp ".repeat(1 + Math.floor(next() * 3)).trim(),
  }));
}

describe("labels on the drawing", () => {
  it("puts a lone label to the right of its mark, without a line", () => {
    const [only] = placeLabels([{ id: "a", x: 100, y: 50, text: "hall lamp" }], 800);
    expect(only).toMatchObject({ anchor: "start", led: false, tx: 114 });
  });

  it.each([1, 2, 3, 4, 5])("never covers another label or leaves the sheet (seed %i)", (seed) => {
    const wanted = strewn(40, seed);
    const placed = placeLabels(wanted, 800);
    expect(placed.length).toBeGreaterThan(25);
    placed.forEach((label, i) => {
      const mine = area(label);
      expect(mine.left >= 0 && mine.right <= 800).toBe(true);
      for (const other of placed.slice(i + 1)) expect(meet(mine, area(other))).toBe(false);
    });
  });

  it("leads a line to what finds no room beside its mark", () => {
    const crowd = [0, 1, 2, 3, 4, 5].map((i) => ({
      id: `${i}`,
      x: 300 + i * 14,
      y: 100,
      text: "a longer name",
    }));
    const placed = placeLabels(crowd, 800);
    expect(placed.length).toBeGreaterThan(3);
    expect(placed.some((label) => label.led)).toBe(true);
  });

  it("serves first come first, so that what is selected keeps its label", () => {
    const crowd = Array.from({ length: 30 }, (_, i) => ({ id: `${i}`, x: 300, y: 100, text: "same place" }));
    const placed = placeLabels(crowd, 800);
    expect(placed.length).toBeLessThan(30);
    expect(placed[0]!.id).toBe("0");
  });
});
