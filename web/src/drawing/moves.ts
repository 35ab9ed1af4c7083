import { replaced } from "../plan/patch";
import type { Op, Plan } from "../api/client";
import { pointer, thingOf } from "../plan/pointers";
import { areaOf, heldIn, inside } from "./outline";

type Place = { room: string | null; spot: string | null; xM: number; yM: number; heightM: number };

const cm = (value: number) => Math.round(value * 100) / 100;

/** Where the place of a thing is kept: a self-contained device stands where its unit stands. */
export function placeOf(plan: Plan, path: string): { path: string; place: Place } | null {
  const thing = thingOf(path);
  if (!thing) return null;
  const [map, id] = thing;
  if (map === "units" || map === "fittings" || map === "demands") {
    const place = plan[map][id]?.place;
    return place ? { path: pointer(map, id, "place"), place } : null;
  }
  if (map === "devices") {
    const device = plan.devices[id];
    if (device?.place) return { path: pointer("devices", id, "place"), place: device.place };
    return device?.unit ? placeOf(plan, pointer("units", device.unit)) : null;
  }
  return null;
}

/** Puts a thing at a point of the site on a floor: into the room there, or as near as its own room allows. */
export function placedAt(plan: Plan, path: string, xM: number, yM: number, floor: string): Op[] {
  const at = placeOf(plan, path);
  const building = plan.buildings[plan.floors[floor]?.building ?? ""];
  if (!at?.place.room || !building) return [];
  const x = cm(xM - building.xM);
  const y = cm(yM - building.yM);
  const found = roomAt(plan, floor, x, y);
  if (found) return [{ op: "replace", path: at.path, value: { ...at.place, room: found, xM: x, yM: y } }];
  const held = heldIn(plan.rooms[at.place.room]!.corners, x, y);
  return [{ op: "replace", path: at.path, value: { ...at.place, xM: cm(held[0]), yM: cm(held[1]) } }];
}

/** The room of a floor that holds a point of its building. */
export function roomAt(plan: Plan, floor: string, xM: number, yM: number): string | undefined {
  return Object.entries(plan.rooms).find(([, r]) => r.floor === floor && inside(r.corners, xM, yM))?.[0];
}

/** Moves a thing or a room by some metres. */
export function moved(plan: Plan, path: string, dx: number, dy: number): Op[] {
  const thing = thingOf(path);
  if (thing?.[0] === "rooms") return roomMoved(plan, thing[1], dx, dy);
  const at = placeOf(plan, path);
  if (!at) return [];
  const room = at.place.room ? plan.rooms[at.place.room]! : null;
  if (!room) {
    const value = { ...at.place, xM: cm(at.place.xM + dx), yM: cm(at.place.yM + dy) };
    return [{ op: "replace", path: at.path, value }];
  }
  const building = plan.buildings[plan.floors[room.floor]!.building]!;
  return placedAt(plan, path, building.xM + at.place.xM + dx, building.yM + at.place.yM + dy, room.floor);
}

/** Moves a room with everything that stands in it. */
export function roomMoved(plan: Plan, id: string, dx: number, dy: number): Op[] {
  const room = plan.rooms[id];
  if (!room || (dx === 0 && dy === 0)) return [];
  const corners = room.corners.map((c) => ({ xM: cm(c.xM + dx), yM: cm(c.yM + dy) }));
  const ops: Op[] = [replaced(["rooms", id, "corners"], corners)];
  for (const map of ["units", "devices", "fittings", "demands"] as const) {
    for (const [key, thing] of Object.entries(plan[map])) {
      if (thing.place?.room === id) {
        const value = { ...thing.place, xM: cm(thing.place.xM + dx), yM: cm(thing.place.yM + dy) };
        ops.push(replaced([map, key, "place"], value));
      }
    }
  }
  return ops;
}

const SAME_M = 0.015;

/** Puts a corner elsewhere; corners of other rooms of the floor that stood there go with it, unless it goes alone. */
export function cornerMoved(
  plan: Plan,
  id: string,
  corner: number,
  xM: number,
  yM: number,
  alone: boolean,
): Op[] {
  const room = plan.rooms[id];
  const from = room?.corners[corner];
  if (!room || !from) return [];
  const value = { xM: cm(xM), yM: cm(yM) };
  return Object.entries(plan.rooms).flatMap(([other, r]) =>
    r.floor !== room.floor || (alone && other !== id)
      ? []
      : r.corners.flatMap((c, i) =>
          (other === id && i === corner) ||
          (!alone && Math.hypot(c.xM - from.xM, c.yM - from.yM) < SAME_M && other !== id)
            ? [replaced(["rooms", other, "corners", String(i)], value)]
            : [],
        ),
  );
}

/** Where a corner snaps to: another corner nearby, else the lines of corners nearby east and north. */
export function snapped(plan: Plan, id: string, corner: number, xM: number, yM: number): [number, number] {
  const room = plan.rooms[id]!;
  const others = Object.entries(plan.rooms)
    .filter(([, r]) => r.floor === room.floor)
    .flatMap(([other, r]) => r.corners.filter((_, i) => other !== id || i !== corner));
  const near = others.find((c) => Math.hypot(c.xM - xM, c.yM - yM) < SNAP_M);
  if (near) return [near.xM, near.yM];
  const east = others.find((c) => Math.abs(c.xM - xM) < SNAP_M);
  const north = others.find((c) => Math.abs(c.yM - yM) < SNAP_M);
  return [east?.xM ?? xM, north?.yM ?? yM];
}
const SNAP_M = 0.12;

/** The room or spot of a choice "room:id" or "spot:id"; neither for nowhere yet. */
export const chosenGround = (choice: string) => ({
  room: choice.startsWith("room:") ? choice.slice(5) : null,
  spot: choice.startsWith("spot:") ? choice.slice(5) : null,
});

/** Where something new goes before anybody chose: the selected room, or the largest of the sheet in view. */
export function firstChoice(plan: Plan, floor: string | null, selection: string | null): string {
  const thing = thingOf(selection);
  if (thing?.[0] === "rooms" && thing[1] in plan.rooms) return `room:${thing[1]}`;
  const rooms = Object.entries(plan.rooms).sort(
    ([, a], [, b]) =>
      Number(b.floor === floor) - Number(a.floor === floor) || areaOf(b.corners) - areaOf(a.corners),
  );
  return rooms[0] ? `room:${rooms[0][0]}` : "";
}
