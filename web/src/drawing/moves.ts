import type { Op, Plan } from "../api/client";
import { pointer, thingOf } from "../plan/pointers";
import { areaOf, boundsOf, heldIn, inside, middleOf } from "./outline";

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
  const ops: Op[] = [{ op: "replace", path: pointer("rooms", id, "corners"), value: corners }];
  for (const map of ["units", "devices", "fittings", "demands"] as const) {
    for (const [key, thing] of Object.entries(plan[map])) {
      if (thing.place?.room === id) {
        const value = { ...thing.place, xM: cm(thing.place.xM + dx), yM: cm(thing.place.yM + dy) };
        ops.push({ op: "replace", path: pointer(map, key, "place"), value });
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
            ? [{ op: "replace" as const, path: pointer("rooms", other, "corners", String(i)), value }]
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

/** A wall made so long: its far end moves along it, and the wall after it too when the two are square to each other. */
export function wallLengthened(plan: Plan, id: string, wall: number, lengthM: number): Op[] {
  const corners = plan.rooms[id]?.corners;
  if (!corners || !(lengthM > 0)) return [];
  const n = corners.length;
  const a = corners[wall]!;
  const b = corners[(wall + 1) % n]!;
  const c = corners[(wall + 2) % n]!;
  const old = Math.hypot(b.xM - a.xM, b.yM - a.yM);
  const [dx, dy] = [((b.xM - a.xM) / old) * (lengthM - old), ((b.yM - a.yM) / old) * (lengthM - old)];
  const square = Math.abs((b.xM - a.xM) * (c.xM - b.xM) + (b.yM - a.yM) * (c.yM - b.yM)) < 1e-6;
  const moved = square && n > 3 ? [(wall + 1) % n, (wall + 2) % n] : [(wall + 1) % n];
  const value = corners.map((p, i) => (moved.includes(i) ? { xM: cm(p.xM + dx), yM: cm(p.yM + dy) } : p));
  return [{ op: "replace", path: pointer("rooms", id, "corners"), value }];
}

/** Openings name walls by number: those after a place in the row are renumbered. */
function renumbered(plan: Plan, id: string, from: number, by: number): Op[] {
  return Object.entries(plan.openings).flatMap(([key, o]) =>
    o.room === id && o.wall >= from
      ? [{ op: "replace" as const, path: pointer("openings", key, "wall"), value: o.wall + by }]
      : [],
  );
}

/** Splits a wall in its middle by a new corner. */
export function cornerAdded(plan: Plan, id: string, wall: number): Op[] {
  const room = plan.rooms[id];
  if (!room) return [];
  const a = room.corners[wall]!;
  const b = room.corners[(wall + 1) % room.corners.length]!;
  const middle = { xM: cm((a.xM + b.xM) / 2), yM: cm((a.yM + b.yM) / 2) };
  return [
    { op: "add", path: pointer("rooms", id, "corners", String(wall + 1)), value: middle },
    { op: "add", path: pointer("rooms", id, "walls", String(wall + 1)), value: room.walls[wall] },
    ...renumbered(plan, id, wall + 1, 1),
  ];
}

/** Takes a corner away: the two walls that met there become one, of the first one's construction. */
export function cornerRemoved(plan: Plan, id: string, corner: number): Op[] {
  const room = plan.rooms[id];
  if (!room || room.corners.length <= 3) return [];
  const gone = Object.entries(plan.openings)
    .filter(([, o]) => o.room === id && o.wall === corner)
    .map(([key]): Op => ({ op: "remove", path: pointer("openings", key) }));
  return [
    ...gone,
    ...renumbered(plan, id, corner + 1, -1),
    { op: "remove", path: pointer("rooms", id, "walls", String(corner)) },
    { op: "remove", path: pointer("rooms", id, "corners", String(corner)) },
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
  const box = boundsOf(r.corners);
  const middle = middleOf(r.corners);
  const spots = along(box.west, box.east - box.west)
    .flatMap((x) => along(box.south, box.north - box.south).map((y): [number, number] => [x, y]))
    .filter(([x, y]) => inside(r.corners, x, y))
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
      Number(b.floor === floor) - Number(a.floor === floor) || areaOf(b.corners) - areaOf(a.corners),
  );
  return rooms[0] ? `room:${rooms[0][0]}` : "";
}
