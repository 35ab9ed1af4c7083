import type { State } from "../../api/client";
import type { Clock } from "../../plan/store";

/** States in the order in which the server numbers them. */
export const STATES: State[] = ["HOLDS", "REDUCED", "BY_HAND", "LOST", "UNSAFE"];

/** A supposed outage as it is asked with. */
export const queryOf = (without: string[], hours: number): string => {
  const query = new URLSearchParams();
  if (without.length) query.set("without", without.join(","));
  if (hours > 0) query.set("for", `PT${hours}H`);
  return query.toString();
};

/** The same as the bench supposes it. */
export const clockOf = (hours: number): Clock => ({
  for: hours > 0 ? `PT${hours}H` : null,
  from: null,
  at: null,
});

/** Hours in words: "2 h 10 min", "9 h". */
export function hoursInWords(hours: number): string {
  const minutes = Math.round(hours * 60);
  if (minutes < 60) return `${minutes} min`;
  return `${Math.floor(minutes / 60)} h${minutes % 60 ? ` ${minutes % 60} min` : ""}`;
}

/** Hours of a year, as exactly as estimates deserve. */
export function hoursAYear(hours: number): string {
  if (hours === 0) return "0";
  if (hours < 0.05) return "< 0.1";
  return hours < 10 ? hours.toFixed(1) : String(Math.round(hours));
}
