import { describe, expect, it } from "vitest";
import { cornerMoved, firstChoice, moved, placedAt, placeOf, roomMoved, snapped } from "../src/drawing/moves";
import { facing, inside, middleOf } from "../src/drawing/outline";
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
      "/rooms/den/corners",
      "/units/board/place",
      "/units/eye/place",
      "/devices/lamp/place",
    ]);
    expect(roomMoved(smallPlan(), "den", 0, 0)).toEqual([]);
  });

  it("takes the corners of neighbours along when a corner moves, unless it goes alone", () => {
    // the den's south-east corner is the nook's south-west one
    const both = cornerMoved(smallPlan(), "den", 1, 4.5, -0.25, false);
    expect(both.map((op) => op.path)).toEqual(["/rooms/den/corners/1", "/rooms/nook/corners/0"]);
    expect(both.every((op) => JSON.stringify(op.value) === '{"xM":4.5,"yM":-0.25}')).toBe(true);
    expect(cornerMoved(smallPlan(), "den", 1, 4.5, 0, true).map((op) => op.path)).toEqual([
      "/rooms/den/corners/1",
    ]);
  });

  it("snaps a dragged corner to corners and their lines nearby", () => {
    expect(snapped(smallPlan(), "den", 2, 5.95, 2.93)).toEqual([6, 3]);
    expect(snapped(smallPlan(), "den", 2, 5.95, 1.5)).toEqual([6, 1.5]);
    expect(snapped(smallPlan(), "den", 2, 5.5, 1.5)).toEqual([5.5, 1.5]);
  });

  it("finds the middle of an L and which way its walls look", () => {
    const corners = [
      [0, 0],
      [6, 0],
      [6, 1],
      [1, 1],
      [1, 6],
      [0, 6],
    ].map(([xM, yM]) => ({ xM: xM!, yM: yM! }));
    expect(inside(corners, 3, 3)).toBe(false);
    expect(inside(corners, ...middleOf(corners))).toBe(true);
    expect([0, 1, 2, 3, 4, 5].map((i) => facing(corners, i))).toEqual([
      "south",
      "east",
      "north",
      "east",
      "north",
      "west",
    ]);
    expect(facing([...corners].reverse(), 0)).toBe("north");
  });

  it("offers the selected room first, otherwise the largest in view", () => {
    expect(firstChoice(smallPlan(), "ground", "/rooms/nook")).toBe("room:nook");
    expect(firstChoice(smallPlan(), "ground", "/devices/lamp")).toBe("room:den");
    expect(firstChoice({ ...smallPlan(), rooms: {} }, "ground", null)).toBe("");
  });
});
