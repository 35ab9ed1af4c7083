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
    ...wanted.map((w) => ({ left: w.x - 8, right: w.x + 8, top: w.y - 8, bottom: w.y + 8 })),
  ];
  const placed: Placed[] = [];
  for (const want of wanted) {
    const long = want.text.length * LETTER_PX + 4;
    const options: [Area, Placed][] = [
      at(want, want.x + 11, want.y + 4, "start", 0, long),
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
