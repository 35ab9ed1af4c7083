/** A label that wants a place near its mark. */
export interface Wanted {
  id: string;
  x: number;
  y: number;
  text: string;
  /** It is what somebody looks at: rather over a wall than not at all. */
  must?: boolean;
  /** The names that it stands for. */
  folded?: string[];
}

/** A line of the sheet from one point to another, and how thick it is. */
export type Line = [ax: number, ay: number, bx: number, by: number, thick?: number];

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
 * Puts each label beside its mark where it covers neither another label nor a mark nor a wall: right, left, below, above, or
 * farther off with a line to it. Those that find no room fold into a "+3" at one of them, whose names it holds; where even
 * that finds none they are in the marks' names. Earlier ones go first.
 */
export function placeLabels(
  wanted: Wanted[],
  width: number,
  obstacles: Area[] = [],
  walls: Line[] = [],
): Placed[] {
  const taken: Area[] = [
    ...obstacles,
    ...wanted.map((w) => ({ left: w.x - 9, right: w.x + 12, top: w.y - 9, bottom: w.y + 12 })),
  ];
  const placed: Placed[] = [];
  const left: Wanted[] = [];
  const place = (want: Wanted): boolean => {
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
    const clear = options.filter(
      ([area]) => area.left > 0 && area.right < width && !taken.some((t) => meet(t, area)),
    );
    const free =
      clear.find(([area]) => !walls.some((wall) => crosses(wall, area))) ??
      (want.must ? clear[0] : undefined);
    if (free) {
      taken.push(free[0]);
      placed.push(free[1]);
    }
    return !!free;
  };
  for (const want of wanted) if (!place(want)) left.push(want);
  for (const group of near(left)) {
    const [first] = group;
    const folded = group.map((w) => w.text);
    const many = { ...first!, id: `more-${first!.id}`, text: `+${group.length}`, must: false, folded };
    if (place(many)) continue;
    // no room even for that: the last label nearby gives its place and folds too
    const near = placed.findLastIndex(
      (p) => !p.must && !p.folded && Math.hypot(p.x - first!.x, p.y - first!.y) < FOLD_PX,
    );
    if (near < 0) continue;
    const given = placed[near]!;
    folded.unshift(given.text);
    placed[near] = { ...given, id: many.id, text: `+${folded.length}`, folded };
  }
  return placed;
}

/** Marks that fold into one: those within so many pixels of the first of them. */
const FOLD_PX = 70;
function near(wanted: Wanted[]): Wanted[][] {
  const groups: Wanted[][] = [];
  for (const want of wanted) {
    const group = groups.find(([first]) => Math.hypot(first!.x - want.x, first!.y - want.y) < FOLD_PX);
    if (group) group.push(want);
    else groups.push([want]);
  }
  return groups;
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

/** Whether a line runs through an area: what is left of it after each side has cut its part off (Liang and Barsky 1984). */
export function crosses([ax, ay, bx, by, thick = 0]: Line, area: Area): boolean {
  let [from, to] = [0, 1];
  const half = thick / 2;
  const cuts: [number, number][] = [
    [ax - bx, ax - area.left + half],
    [bx - ax, area.right - ax + half],
    [ay - by, ay - area.top + half],
    [by - ay, area.bottom - ay + half],
  ];
  for (const [step, room] of cuts) {
    if (step === 0) {
      if (room < 0) return false;
    } else if (step < 0) from = Math.max(from, room / step);
    else to = Math.min(to, room / step);
  }
  return from < to;
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
