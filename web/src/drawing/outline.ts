import type { Room } from "../api/client";
import type { Box } from "./useSheet";

export type Corner = { xM: number; yM: number };

/** The smallest rectangle around a room, in its building's metres. */
export function boundsOf(corners: Corner[]): Box {
  const xs = corners.map((c) => c.xM);
  const ys = corners.map((c) => c.yM);
  return { west: Math.min(...xs), south: Math.min(...ys), east: Math.max(...xs), north: Math.max(...ys) };
}

/** Whether a point lies in an outline or on its edge. */
export function inside(corners: Corner[], x: number, y: number): boolean {
  let odd = false;
  for (let i = 0; i < corners.length; i++) {
    const a = corners[i]!;
    const b = corners[(i + 1) % corners.length]!;
    if (Math.hypot(...toward(a, b, x, y)) < 1e-6) return true;
    if (a.yM > y !== b.yM > y && x < a.xM + ((y - a.yM) / (b.yM - a.yM)) * (b.xM - a.xM)) odd = !odd;
  }
  return odd;
}

/** The way from the nearest point of a wall to a point. */
function toward(a: Corner, b: Corner, x: number, y: number): [number, number] {
  const near = nearestOn(a, b, x, y);
  return [x - near[0], y - near[1]];
}

/** The point of a wall that is nearest to a point. */
export function nearestOn(a: Corner, b: Corner, x: number, y: number): [number, number] {
  const [dx, dy] = [b.xM - a.xM, b.yM - a.yM];
  const square = dx * dx + dy * dy;
  const share = square === 0 ? 0 : Math.max(0, Math.min(1, ((x - a.xM) * dx + (y - a.yM) * dy) / square));
  return [a.xM + share * dx, a.yM + share * dy];
}

/** The point of an outline nearest to a point: itself when it lies inside. */
export function heldIn(corners: Corner[], x: number, y: number): [number, number] {
  if (inside(corners, x, y)) return [x, y];
  const points = corners.map((a, i) => nearestOn(a, corners[(i + 1) % corners.length]!, x, y));
  return points.reduce((p, q) => (Math.hypot(q[0] - x, q[1] - y) < Math.hypot(p[0] - x, p[1] - y) ? q : p));
}

/** A point inside a room where a name may stand: the middle of its rectangle, or the inner point farthest from walls. */
export function middleOf(corners: Corner[]): [number, number] {
  const box = boundsOf(corners);
  const middle: [number, number] = [(box.west + box.east) / 2, (box.south + box.north) / 2];
  if (corners.length === 4 && inside(corners, ...middle)) return middle;
  let best = middle;
  let farthest = -1;
  for (let i = 1; i < 8; i++) {
    for (let j = 1; j < 8; j++) {
      const x = box.west + ((box.east - box.west) * i) / 8;
      const y = box.south + ((box.north - box.south) * j) / 8;
      if (!inside(corners, x, y)) continue;
      const off = Math.min(
        ...corners.map((a, k) => Math.hypot(...toward(a, corners[(k + 1) % corners.length]!, x, y))),
      );
      if (off > farthest + 1e-6) [farthest, best] = [off, [x, y]];
    }
  }
  return best;
}

/** Length of each wall, metres. */
export function wallLengths(room: Room): number[] {
  return room.corners.map((a, i) => {
    const b = room.corners[(i + 1) % room.corners.length]!;
    return Math.hypot(b.xM - a.xM, b.yM - a.yM);
  });
}

/** Area in square metres, for drawings. */
export function areaOf(corners: Corner[]): number {
  let twice = 0;
  corners.forEach((a, i) => {
    const b = corners[(i + 1) % corners.length]!;
    twice += a.xM * b.yM - b.xM * a.yM;
  });
  return Math.abs(twice) / 2;
}

/** Which way a wall looks from inside its room, in words of the compass. */
export function facing(corners: Corner[], wall: number): string {
  const a = corners[wall]!;
  const b = corners[(wall + 1) % corners.length]!;
  let turn = 0;
  corners.forEach((p, i) => {
    const q = corners[(i + 1) % corners.length]!;
    turn += p.xM * q.yM - q.xM * p.yM;
  });
  const sign = turn > 0 ? 1 : -1;
  const angle = (Math.atan2(-(b.xM - a.xM) * sign, (b.yM - a.yM) * sign) * 180) / Math.PI;
  const names = ["east", "north-east", "north", "north-west", "west", "south-west", "south", "south-east"];
  return names[(Math.round(angle / 45) + 8) % 8]!;
}
