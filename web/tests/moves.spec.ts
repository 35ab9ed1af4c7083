import { describe, expect, it } from "vitest";
import { middleOf, moved, placedAt, placeOf, resized, roomMoved } from "../src/drawing/moves";
import { smallPlan } from "./helpers";

describe("moves on the drawing", () => {
  it("puts a thing into the room it is dropped in, in the building's metres", () => {
    expect(placedAt(smallPlan(), "/devices/lamp", 15, 21.5, "ground")).toEqual([
      {
        op: "replace",
        path: "/devices/lamp/place",
        value: { room: "nook", spot: null, xM: 5, yM: 1.5, heightM: 1 },
      },
    ]);
  });

  it("keeps the room of a thing dropped outside of all rooms", () => {
    const [op] = placedAt(smallPlan(), "/devices/lamp", 100, 100, "ground");
    expect(op!.value).toMatchObject({ room: "den", xM: 90, yM: 80 });
  });

  it("moves the unit of a device that is a unit itself", () => {
    expect(placeOf(smallPlan(), "/devices/eye")?.path).toBe("/units/eye/place");
    expect(moved(smallPlan(), "/devices/eye", 0.1, -0.2)[0]).toMatchObject({
      path: "/units/eye/place",
      value: { xM: 1.1, yM: 0.8 },
    });
  });

  it("takes everything in a room along when the room moves", () => {
    const paths = roomMoved(smallPlan(), "den", 1, 0).map((op) => op.path);
    expect(paths).toEqual([
      "/rooms/den/xM",
      "/rooms/den/yM",
      "/units/board/place",
      "/units/eye/place",
      "/devices/lamp/place",
    ]);
    expect(roomMoved(smallPlan(), "den", 0, 0)).toEqual([]);
  });

  it("never makes a room smaller than a cupboard", () => {
    expect(resized(smallPlan(), "den", 0, 0).map((op) => op.value)).toEqual([0.3, 0.3]);
  });

  it("spreads new things inside their room", () => {
    const plan = smallPlan();
    const places = [0, 1, 2, 3, 4, 5].map((n) => middleOf(plan, "den", 1, n)!);
    expect(new Set(places.map((p) => `${p.xM} ${p.yM}`)).size).toBe(6);
    for (const p of places) {
      expect(p.xM).toBeGreaterThan(0);
      expect(p.xM).toBeLessThan(4);
      expect(p.yM).toBeGreaterThan(0);
    }
  });
});
