import { describe, expect, it } from "vitest";
import { problemOf } from "../src/api/client";
import { placeLabels } from "../src/drawing/labels";
import { percent, shown } from "../src/drawing/marks";
import { barLength, extent } from "../src/drawing/useSheet";
import { freeId, partsOf, pointer, thingOf } from "../src/plan/pointers";
import { smallPlan } from "./helpers";

describe("pointers and ids", () => {
  it("escapes and reads back any key", () => {
    for (const key of ["a/b", "~", "~1", "R1/links/a /units/b", "ü 🫖"]) {
      expect(partsOf(pointer("accepted", key))).toEqual(["accepted", key]);
    }
    expect(thingOf("/rooms/den/walls/north")).toEqual(["rooms", "den"]);
    expect(thingOf(null)).toBeNull();
  });

  it("makes ids that are free and legal whatever the name is", () => {
    expect(freeId("Küche & Bad", {})).toBe("kuche-bad");
    expect(freeId("🫖", {})).toBe("thing");
    expect(freeId("lamp", { lamp: 1, "lamp-2": 1 })).toBe("lamp-3");
    expect(freeId("x".repeat(300), {}).length).toBeLessThanOrEqual(40);
  });
});

describe("figures in words", () => {
  it("writes minus signs and never rounds a chance up to certainty", () => {
    expect(shown(-3.25, 1)).toBe("−3.3");
    expect(shown(-0.01, 1)).toBe("0.0");
    expect(percent(0.9996)).toBe("over 99.9 %");
    expect(percent(1)).toBe("over 99.9 %");
    expect(percent(0.994)).toBe("99.4 %");
    expect(percent(0.86)).toBe("86 %");
  });

  it("says what a problem document says, with its places", () => {
    const problem = problemOf(422, {
      detail: "Not valid.",
      errors: [{ pointer: "/rooms/a/widthM", message: "must be a finite number" }],
    });
    expect(problem.message).toBe("Not valid. /rooms/a/widthM must be a finite number.");
    expect(problemOf(502, undefined).message).toContain("502");
  });
});

describe("the sheet", () => {
  it("covers the rooms of its floor", () => {
    expect(extent(smallPlan(), null, "ground")).toEqual({ west: 10, south: 20, east: 16, north: 23 });
  });

  it("has a scale bar of a round length that fits", () => {
    for (const scale of [0.03, 0.5, 7, 33, 210]) {
      const length = barLength(scale, 120);
      expect(length * scale).toBeLessThanOrEqual(120);
      expect(length * scale).toBeGreaterThan(40);
      expect([1, 2, 5]).toContain(Math.round(length / 10 ** Math.floor(Math.log10(length) + 1e-9)));
    }
  });

  it("places labels clear of each other and of every mark, and leaves out what has no room", () => {
    const wanted = Array.from({ length: 40 }, (_, i) => ({
      id: String(i),
      x: 100 + (i % 8) * 60,
      y: 60 + Math.floor(i / 8) * 30,
      text: `thing number ${i}`,
    }));
    const placed = placeLabels(wanted, 800);
    expect(placed.length).toBeGreaterThan(5);
    expect(placed.length).toBeLessThan(40);
    const boxes = placed.map((p) => {
      const long = p.text.length * 5.6;
      const left = p.anchor === "start" ? p.tx : p.anchor === "end" ? p.tx - long : p.tx - long / 2;
      return { left, right: left + long, top: p.ty - 9, bottom: p.ty + 2 };
    });
    boxes.forEach((a, i) =>
      boxes.slice(i + 1).forEach((b) => {
        expect(a.left < b.right && b.left < a.right && a.top < b.bottom && b.top < a.bottom).toBe(false);
      }),
    );
  });
});
