import type { Snag } from "../api/client";

export const SEVERITIES = ["STOP", "FIX", "LOOK"] as const;
export const SEVERITY_WORDS = { STOP: "stop", FIX: "fix", LOOK: "look" } as const;
/** So many of a kind are folded. */
const ALIKE = 3;

/** Snags that are told together: those of one check that are as bad as one another. */
export interface Folded {
  key: string;
  code: string;
  severity: Snag["severity"];
  snags: Snag[];
}

/** Alike ones folded where there are enough of them, in the order in which the first of each came. */
export function folded(snags: Snag[]): Folded[] {
  const groups = new Map<string, Folded>();
  const keyOf = (s: Snag) => `${s.code} ${s.severity}`;
  const many = new Map<string, number>();
  snags.forEach((s) => many.set(keyOf(s), (many.get(keyOf(s)) ?? 0) + 1));
  for (const snag of snags) {
    const key = many.get(keyOf(snag))! >= ALIKE ? keyOf(snag) : snag.key;
    const group = groups.get(key);
    if (group) group.snags.push(snag);
    else groups.set(key, { key, code: snag.code, severity: snag.severity, snags: [snag] });
  }
  return [...groups.values()];
}

/** The first thing of a snag that has a mark on the drawing. */
export const subjectOf = (snag: Snag): string | undefined =>
  snag.subjects.find((p) => /^\/(devices|units|rooms|links|demands)\//.test(p));
