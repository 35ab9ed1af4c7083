import type { Op, Plan } from "../../api/client";
import { pointer } from "../../plan/pointers";

/** The edits that leave everything in a room or at a spot without a place, before that is removed. */
export function clearedPlaces(plan: Plan, kind: "room" | "spot", id: string): Op[] {
  return (["units", "devices"] as const).flatMap((map) =>
    Object.entries(plan[map])
      .filter(([, thing]) => thing.place?.[kind] === id)
      .map(([key]) => ({ op: "replace" as const, path: pointer(map, key, "place"), value: null })),
  );
}
