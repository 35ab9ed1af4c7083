import { describe, expect, it } from "vitest";
import { crosses, placeLabels, type Line, type Placed, type Wanted } from "../src/drawing/labels";

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

  it.each([1, 2, 3])("never crosses a wall, but for what must be seen (seed %i)", (seed) => {
    const walls: Line[] = [
      [50, 150, 750, 150],
      [50, 260, 750, 260],
      [250, 20, 250, 360],
      [480, 20, 600, 360],
    ];
    const wanted = strewn(40, seed);
    const placed = placeLabels(wanted, 800, [], walls);
    expect(placed.length).toBeGreaterThan(15);
    for (const label of placed) {
      expect(walls.some((wall) => crosses(wall, area(label)))).toBe(false);
    }
    // a name as long as its room is wide stands over the wall only when it must
    const long = { id: "a", x: 260, y: 200, text: "a name far longer than the room is wide" };
    const narrow: Line[] = [
      [200, 0, 200, 400],
      [330, 0, 330, 400],
    ];
    expect(placeLabels([long], 800, [], narrow).map((l) => [l.text, l.folded])).toEqual([
      ["+1", [long.text]],
    ]);
    expect(placeLabels([{ ...long, must: true }], 800, [], narrow)).toHaveLength(1);
  });

  it("tells a line through an area from one past it", () => {
    const box = { left: 10, top: 10, right: 20, bottom: 20 };
    expect(crosses([0, 15, 30, 15], box)).toBe(true);
    expect(crosses([12, 12, 14, 14], box)).toBe(true);
    expect(crosses([0, 0, 30, 30], box)).toBe(true);
    expect(crosses([0, 12, 12, 0], box)).toBe(false);
    expect(crosses([0, 25, 30, 25], box)).toBe(false);
    expect(crosses([25, 0, 25, 30], box)).toBe(false);
    expect(crosses([0, 15, 9, 15], box)).toBe(false);
    expect(crosses([0, 15, 9, 15, 4], box)).toBe(true);
    expect(crosses([0, 25, 30, 25, 8], box)).toBe(false);
    expect(crosses([0, 25, 30, 25, 12], box)).toBe(true);
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
    expect(placed[0]!.id).toBe("0");
    const last = placed.find((p) => p.folded)!;
    expect(last.folded!.length).toBe(30 - (placed.length - 1));
    expect(last.text).toBe(`+${last.folded!.length}`);
  });
});
