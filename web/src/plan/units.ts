import type { Plan, Unit } from "../api/client";

/** Whether that is a unit's kind or one of its roles. */
export const is = (unit: Unit, role: Unit["kind"]) => unit.kind === role || !!unit.roles?.includes(role);

/** Whether devices are connected to its terminals, so that it can have boards of its own. */
export const drives = (unit: Unit) => is(unit, "CONTROLLER") || is(unit, "PANEL");

/** Whether devices sit on it, by wire, key or light. */
export const carries = (unit: Unit) =>
  drives(unit) || is(unit, "KEYPAD") || is(unit, "HANDSET") || is(unit, "INFRARED_SENDER");

/** Whether it is a device and its unit in one. */
export const alone = (unit: Unit) => unit.kind === "SELF_CONTAINED" || unit.kind === "CAMERA";

/** Where something stands, in words. */
export const whereWords = (plan: Plan, place: Unit["place"] | undefined): string =>
  place?.room
    ? (plan.rooms[place.room]?.name ?? "")
    : place?.spot
      ? (plan.spots[place.spot]?.name ?? "")
      : "nowhere yet";
