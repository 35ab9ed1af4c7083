import type { Op, Plan } from "../../api/client";
import { pointer } from "../../plan/pointers";

/** The edits that leave everything in a room or at a spot without a place, before that is removed. */
export function clearedPlaces(plan: Plan, kind: "room" | "spot", id: string): Op[] {
  const cleared = (["units", "devices", "fittings"] as const).flatMap((map) =>
    Object.entries(plan[map])
      .filter(([, thing]) => thing.place?.[kind] === id)
      .map(([key]): Op => ({ op: "replace", path: pointer(map, key, "place"), value: null })),
  );
  const gone = Object.entries(plan.demands)
    .filter(([, demand]) => demand.place[kind] === id)
    .map(([key]): Op => ({ op: "remove", path: pointer("demands", key) }));
  return [...cleared, ...gone];
}
