import type { Op, Plan } from "../api/client";
import { pointer, thingOf } from "../plan/pointers";

type Place = { room: string | null; spot: string | null; xM: number; yM: number; heightM: number };

const cm = (value: number) => Math.round(value * 100) / 100;

/** Where the place of a thing is kept: a self-contained device stands where its unit stands. */
export function placeOf(plan: Plan, path: string): { path: string; place: Place } | null {
  const thing = thingOf(path);
  if (!thing) return null;
  const [map, id] = thing;
  if (map === "units") {
    const place = plan.units[id]?.place;
    return place ? { path: pointer("units", id, "place"), place } : null;
  }
  if (map === "devices") {
    const device = plan.devices[id];
    if (device?.place) return { path: pointer("devices", id, "place"), place: device.place };
    return device?.unit ? placeOf(plan, pointer("units", device.unit)) : null;
  }
  return null;
}

/** Puts a thing at a point of the site on a floor; the room is the one at that point, or stays. */
export function placedAt(plan: Plan, path: string, xM: number, yM: number, floor: string): Op[] {
  const at = placeOf(plan, path);
  const building = plan.buildings[plan.floors[floor]?.building ?? ""];
  if (!at || !building || !at.place.room) return [];
  const x = cm(xM - building.xM);
  const y = cm(yM - building.yM);
  const room =
    Object.entries(plan.rooms).find(
      ([, r]) => r.floor === floor && x >= r.xM && x <= r.xM + r.widthM && y >= r.yM && y <= r.yM + r.depthM,
    )?.[0] ?? at.place.room;
  return [{ op: "replace", path: at.path, value: { ...at.place, room, xM: x, yM: y } }];
}

/** Moves a thing or a room by some metres. */
export function moved(plan: Plan, path: string, dx: number, dy: number): Op[] {
  const thing = thingOf(path);
  if (thing?.[0] === "rooms") return roomMoved(plan, thing[1], dx, dy);
  const at = placeOf(plan, path);
  if (!at) return [];
  const value = { ...at.place, xM: cm(at.place.xM + dx), yM: cm(at.place.yM + dy) };
  return [{ op: "replace", path: at.path, value }];
}

/** Moves a room with everything that stands in it. */
export function roomMoved(plan: Plan, id: string, dx: number, dy: number): Op[] {
  const room = plan.rooms[id];
  if (!room || (dx === 0 && dy === 0)) return [];
  const ops: Op[] = [
    { op: "replace", path: pointer("rooms", id, "xM"), value: cm(room.xM + dx) },
    { op: "replace", path: pointer("rooms", id, "yM"), value: cm(room.yM + dy) },
  ];
  for (const map of ["units", "devices"] as const) {
    for (const [key, thing] of Object.entries(plan[map])) {
      if (thing.place?.room === id) {
        const value = { ...thing.place, xM: cm(thing.place.xM + dx), yM: cm(thing.place.yM + dy) };
        ops.push({ op: "replace", path: pointer(map, key, "place"), value });
      }
    }
  }
  return ops;
}

/** Drags a room's north-east corner to a point of the site. */
export function resized(plan: Plan, id: string, xM: number, yM: number): Op[] {
  const room = plan.rooms[id];
  if (!room) return [];
  const building = plan.buildings[plan.floors[room.floor]!.building]!;
  const widthM = cm(Math.max(0.3, xM - building.xM - room.xM));
  const depthM = cm(Math.max(0.3, yM - building.yM - room.yM));
  return [
    { op: "replace", path: pointer("rooms", id, "widthM"), value: widthM },
    { op: "replace", path: pointer("rooms", id, "depthM"), value: depthM },
  ];
}

/** The middle of a room as a place, at a height above its floor. */
export function middleOf(plan: Plan, room: string, heightM: number, offset: number): Place | null {
  const r = plan.rooms[room];
  if (!r) return null;
  const step = 0.6;
  const columns = Math.max(1, Math.floor((r.widthM - 1) / step));
  const xM = cm(r.xM + Math.min(r.widthM - 0.3, 0.6 + (offset % columns) * step));
  const yM = cm(r.yM + Math.max(0.3, r.depthM / 2 - 0.5 * Math.floor(offset / columns)));
  return { room, spot: null, xM, yM, heightM };
}

/** Where something new goes: "room:id" or "spot:id", beside what is there already. */
export function placeChosen(plan: Plan, choice: string, heightM: number): Place | null {
  const [kind, id] = [choice.slice(0, 4), choice.slice(5)];
  if (kind === "spot") return { room: null, spot: id, xM: 0, yM: 0, heightM };
  if (kind !== "room") return null;
  const things = [...Object.values(plan.units), ...Object.values(plan.devices)];
  return middleOf(plan, id, heightM, things.filter((thing) => thing.place?.room === id).length);
}

/** The choice for something new that nobody has made yet: a room of the floor in view, or any. */
export function firstChoice(plan: Plan, floor: string | null): string {
  const rooms = Object.entries(plan.rooms);
  const id = (rooms.find(([, room]) => room.floor === floor) ?? rooms[0])?.[0];
  return id ? `room:${id}` : "";
}
