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

/** Puts a thing at a point of the site on a floor: into the room there, or as near as its own room allows. */
export function placedAt(plan: Plan, path: string, xM: number, yM: number, floor: string): Op[] {
  const at = placeOf(plan, path);
  const building = plan.buildings[plan.floors[floor]?.building ?? ""];
  if (!at?.place.room || !building) return [];
  const x = cm(xM - building.xM);
  const y = cm(yM - building.yM);
  const found = roomAt(plan, floor, x, y);
  if (found) return [{ op: "replace", path: at.path, value: { ...at.place, room: found, xM: x, yM: y } }];
  const own = plan.rooms[at.place.room]!;
  const value = {
    ...at.place,
    xM: cm(clamp(x, own.xM, own.xM + own.widthM)),
    yM: cm(clamp(y, own.yM, own.yM + own.depthM)),
  };
  return [{ op: "replace", path: at.path, value }];
}

const clamp = (value: number, least: number, most: number) => Math.min(most, Math.max(least, value));

/** The room of a floor that holds a point of its building. */
export function roomAt(plan: Plan, floor: string, xM: number, yM: number): string | undefined {
  return Object.entries(plan.rooms).find(
    ([, r]) =>
      r.floor === floor && xM >= r.xM && xM <= r.xM + r.widthM && yM >= r.yM && yM <= r.yM + r.depthM,
  )?.[0];
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

const STEP_M = 0.7;
const FREE_M = 0.5;

/** A place in a room clear of what stands there already: the free one nearest the middle, or the clearest. */
export function freePlace(plan: Plan, room: string, heightM: number): Place | null {
  const r = plan.rooms[room];
  if (!r) return null;
  const there = [...Object.values(plan.units), ...Object.values(plan.devices)]
    .map((thing) => thing.place)
    .filter((place) => place?.room === room) as Place[];
  const clear = ([x, y]: [number, number]) =>
    Math.min(...there.map((p) => Math.hypot(p.xM - x, p.yM - y)), Infinity);
  const middle: [number, number] = [r.xM + r.widthM / 2, r.yM + r.depthM / 2];
  const spots = along(r.xM, r.widthM)
    .flatMap((x) => along(r.yM, r.depthM).map((y): [number, number] => [x, y]))
    .sort((a, b) => distance(a, middle) - distance(b, middle));
  const best =
    spots.find((spot) => clear(spot) >= FREE_M) ??
    spots.reduce((a, b) => (clear(b) > clear(a) ? b : a), middle);
  return { room, spot: null, xM: cm(best[0]), yM: cm(best[1]), heightM };
}

/** Points along one side of a room, its middle among them. */
function along(start: number, length: number): number[] {
  const steps = Math.min(40, Math.floor((length / 2 - 0.3) / STEP_M));
  const middle = start + length / 2;
  return Array.from(
    { length: 2 * Math.max(0, steps) + 1 },
    (_, i) => middle + (i - Math.max(0, steps)) * STEP_M,
  );
}

const distance = (a: [number, number], b: [number, number]) => Math.hypot(a[0] - b[0], a[1] - b[1]);

/** Where something new goes: "room:id" or "spot:id", beside what is there already. */
export function placeChosen(plan: Plan, choice: string, heightM: number): Place | null {
  const [kind, id] = [choice.slice(0, 4), choice.slice(5)];
  if (kind === "spot") return { room: null, spot: id, xM: 0, yM: 0, heightM };
  return kind === "room" ? freePlace(plan, id, heightM) : null;
}

/** Where something new goes before anybody chose: the selected room, or the largest of the sheet in view. */
export function firstChoice(plan: Plan, floor: string | null, selection: string | null): string {
  const thing = thingOf(selection);
  if (thing?.[0] === "rooms" && thing[1] in plan.rooms) return `room:${thing[1]}`;
  const rooms = Object.entries(plan.rooms).sort(
    ([, a], [, b]) =>
      Number(b.floor === floor) - Number(a.floor === floor) || b.widthM * b.depthM - a.widthM * a.depthM,
  );
  return rooms[0] ? `room:${rooms[0][0]}` : "";
}
