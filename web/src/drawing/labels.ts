/** A label that wants a place near its mark. */
export interface Wanted {
  id: string;
  x: number;
  y: number;
  text: string;
}

export interface Placed extends Wanted {
  tx: number;
  ty: number;
  anchor: "start" | "end" | "middle";
  /** It stands so far off that a line must lead to it. */
  led: boolean;
}

interface Area {
  left: number;
  top: number;
  right: number;
  bottom: number;
}

const LETTER_PX = 5.6;
const LINE_PX = 13;
/** How far off a label may stand at the end of a line, right and down or left and up. */
const FAR: [number, number][] = [
  [22, -14],
  [-22, -14],
  [22, 24],
  [-22, 24],
  [34, -32],
  [-34, -32],
  [34, 42],
  [-34, 42],
];

/**
 * Puts each label beside its mark where it covers neither another label nor a mark: right, left, below, above, or
 * farther off with a line to it. What finds no room is left out; it is still in the mark's name. Earlier ones go first.
 */
export function placeLabels(wanted: Wanted[], width: number, obstacles: Area[] = []): Placed[] {
  const taken: Area[] = [
    ...obstacles,
    ...wanted.map((w) => ({ left: w.x - 9, right: w.x + 12, top: w.y - 9, bottom: w.y + 12 })),
  ];
  const placed: Placed[] = [];
  for (const want of wanted) {
    const long = want.text.length * LETTER_PX + 4;
    const options: [Area, Placed][] = [
      at(want, want.x + 14, want.y + 4, "start", 0, long),
      at(want, want.x - 11, want.y + 4, "end", -long, 0),
      at(want, want.x, want.y + 20, "middle", -long / 2, long / 2),
      at(want, want.x, want.y - 12, "middle", -long / 2, long / 2),
      ...FAR.map(([dx, dy]) =>
        dx > 0
          ? at(want, want.x + dx, want.y + dy, "start", 0, long, true)
          : at(want, want.x + dx, want.y + dy, "end", -long, 0, true),
      ),
    ];
    const free = options.find(
      ([area]) => area.left > 0 && area.right < width && !taken.some((t) => meet(t, area)),
    );
    if (free) {
      taken.push(free[0]);
      placed.push(free[1]);
    }
  }
  return placed;
}

function at(
  want: Wanted,
  tx: number,
  ty: number,
  anchor: Placed["anchor"],
  from: number,
  to: number,
  led = false,
): [Area, Placed] {
  return [
    { left: tx + from, right: tx + to, top: ty - LINE_PX + 3, bottom: ty + 3 },
    { ...want, tx, ty, anchor, led },
  ];
}

function meet(a: Area, b: Area): boolean {
  return a.left < b.right && b.left < a.right && a.top < b.bottom && b.top < a.bottom;
}

/** Half of what a mark takes of the sheet. */
const MARK_PX = 11;
const NAME_LETTER_PX = 6.9;

/**
 * Where the name of a room stands, with its size below it where there is room: no mark over it, else as few as may be, and
 * as near to the middle as may be.
 *
 * @param room its middle, width and height on the sheet
 * @param text its name and its size, the size empty when it is not wanted
 */
export function roomSpot(
  room: { cx: number; cy: number; w: number; h: number },
  text: string[],
  marks: { x: number; y: number }[],
): { x: number; y: number; sized: boolean } {
  const [name, size] = text;
  const wide = Math.max(name!.length * NAME_LETTER_PX, size!.length * LETTER_PX) / 2;
  const over = (x: number, y: number, below: number) =>
    marks.filter(
      (m) => Math.abs(m.x - x) < wide + MARK_PX && m.y > y - 11 - MARK_PX && m.y < y + below + MARK_PX,
    ).length;
  const steps = [0, -1, 1, -2, 2];
  const spots = steps
    .flatMap((fy) =>
      steps.map((fx) => ({ x: room.cx + (room.w * fx) / 9, y: room.cy + (room.h * fy) / 6.5 })),
    )
    .filter((p) => Math.abs(p.x - room.cx) + wide < room.w / 2 || p.x === room.cx)
    .sort((a, b) => Math.hypot(a.x - room.cx, a.y - room.cy) - Math.hypot(b.x - room.cx, b.y - room.cy));
  const least = (below: number) =>
    spots.reduce((a, b) => (over(b.x, b.y, below) < over(a.x, a.y, below) ? b : a));
  const sized = least(size ? 16 : 3);
  if (!size || over(sized.x, sized.y, 16) === 0) return { ...sized, sized: !!size };
  return { ...least(3), sized: false };
}
