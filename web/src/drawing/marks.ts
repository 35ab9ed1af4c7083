import type { Schemas, State } from "../api/client";

export const STATE_WORDS: Record<State, string> = {
  HOLDS: "holds",
  REDUCED: "reduced",
  BY_HAND: "by hand",
  LOST: "lost",
  UNSAFE: "unsafe",
};

export const STATE_COLOURS: Record<State, string> = {
  HOLDS: "var(--holds)",
  REDUCED: "var(--reduced)",
  BY_HAND: "var(--hand)",
  LOST: "var(--lost)",
  UNSAFE: "var(--unsafe)",
};

export const UNIT_WORDS: Record<Schemas["Unit"]["kind"], string> = {
  CONTROLLER: "controller",
  SELF_CONTAINED: "own radio",
  ROUTER: "router",
  SWITCH: "switch",
  ACCESS_POINT: "access point",
  GATEWAY: "gateway",
  HUB: "hub",
  PANEL: "alarm panel",
  SUPPLY: "supply",
  KEYPAD: "keypad",
  HANDSET: "handset",
  WALL_TABLET: "wall tablet",
  ASSISTANT: "speaking assistant",
  CAMERA: "camera",
  RECORDER: "recorder",
  INFRARED_SENDER: "infrared sender",
  COUPLER: "power-line coupler",
};

/** A word of the format as it stands on screen. */
export function words(constant: string): string {
  return constant.toLowerCase().replaceAll("_", " ");
}

/** A number with a real minus sign. */
export function shown(value: number, decimals: number): string {
  const text = value.toFixed(decimals);
  return (Number(text) === 0 ? text.replace("-", "") : text).replace("-", "−");
}

/** A chance in percent, never rounded up to certainty. */
export function percent(chance: number): string {
  const value = chance * 100;
  if (value > 99.9) return "over 99.9 %";
  return `${shown(value, value > 99 ? 1 : 0)} %`;
}

/** How long something takes, from milliseconds to hours. */
export function lasting(seconds: number): string {
  if (seconds < 1) return `${shown(seconds * 1000, 0)} ms`;
  if (seconds < 120) return `${shown(seconds, seconds < 10 ? 1 : 0)} s`;
  const [value, unit] = seconds < 7200 ? [seconds / 60, "min"] : [seconds / 3600, "h"];
  return `${shown(value, Number.isInteger(value) ? 0 : 1)} ${unit}`;
}

/** Jobs of devices in words. */
export const JOB_WORDS: Record<Schemas["JobState"]["job"], string> = {
  OPERATE: "operate",
  REPORT: "report",
  ALERT_HOME: "alert at home",
  ALERT_AWAY: "alert away",
  SOUND: "sound",
  KEEP_OUT: "keep out",
  LET_OUT: "let out",
  LET_IN: "let in",
  CLOSE: "close on demand",
  OPEN: "open",
  SEE: "see",
  RECORD: "record",
};
