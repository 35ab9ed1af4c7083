import { describe, expect, it } from "vitest";
import { firstChoice, freePlace, moved, placedAt, placeOf, resized, roomMoved } from "../src/drawing/moves";
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

  it("keeps a thing that is dropped outside of all rooms in its own", () => {
    const [op] = placedAt(smallPlan(), "/devices/lamp", 100, 100, "ground");
    expect(op!.value).toMatchObject({ room: "den", xM: 4, yM: 3 });
  });

  it("takes a thing that is nudged through a wall into the next room", () => {
    const plan = smallPlan();
    plan.devices.lamp!.place!.xM = 3.98;
    expect(moved(plan, "/devices/lamp", 0.1, 0)[0]!.value).toMatchObject({ room: "nook", xM: 4.08 });
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

  it("puts new things clear of what stands in their room, the first into its middle", () => {
    const plan = smallPlan();
    plan.units = {};
    plan.devices = {};
    expect(freePlace(plan, "den", 1)).toMatchObject({ xM: 2, yM: 1.5 });
    const places: { xM: number; yM: number }[] = [];
    for (let n = 0; n < 12; n++) {
      const place = freePlace(plan, "den", 1)!;
      expect(place.xM > 0 && place.xM < 4 && place.yM > 0 && place.yM < 3).toBe(true);
      for (const other of places) {
        expect(Math.hypot(other.xM - place.xM, other.yM - place.yM)).toBeGreaterThanOrEqual(0.5);
      }
      places.push(place);
      plan.devices[`d${n}`] = { ...smallPlan().devices.lamp!, place };
    }
    expect(freePlace(plan, "gone", 1)).toBeNull();
  });

  it("offers the selected room first, otherwise the largest in view", () => {
    expect(firstChoice(smallPlan(), "ground", "/rooms/nook")).toBe("room:nook");
    expect(firstChoice(smallPlan(), "ground", "/devices/lamp")).toBe("room:den");
    expect(firstChoice({ ...smallPlan(), rooms: {} }, "ground", null)).toBe("");
  });
});
