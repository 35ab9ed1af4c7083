import type { Device } from "../api/client";

/** A circle as a path. */
const o = (x: number, y: number, r: number) =>
  `M${x - r} ${y}a${r} ${r} 0 1 0 ${2 * r} 0a${r} ${r} 0 1 0 ${-2 * r} 0`;
const box = (w: number, h: number, y = -h / 2) => `M${-w / 2} ${y}h${w}v${h}h${-w}Z`;
const CROSS = "M-4.2 -4.2L4.2 4.2M-4.2 4.2L4.2 -4.2";
const DROP = "M0 -7C2.6 -3.6 4.6 -1.2 4.6 1.4A4.6 4.6 0 0 1 -4.6 1.4C-4.6 -1.2 -2.6 -3.6 0 -7Z";

/**
 * The installation symbols of devices: our own set in the manner of the public symbol standards, each in a square of 16, one
 * stroke wide.
 */
export const SYMBOLS: Record<Device["kind"], string> = {
  LAMP: o(0, 0, 6) + CROSS,
  DIMMED_LAMP: `${o(0, 0, 5.4)}M-3.8 -3.8L3.8 3.8M-3.8 3.8L3.8 -3.8M-8 8L8 -8M4.6 -8H8V-4.6`,
  LIGHT_STRIP: `${box(16, 6)}M-4 0H-3M0 0H1M4 0H5`,
  SOCKET: "M-6.5 3A6.5 6.5 0 0 1 6.5 3M0 -3.5V-8M-3 3H3",
  FAN: `${o(0, 0, 6.6)}M0 0C-3 -1.5 -3 -5 0 -5.4C1.4 -3.6 1.4 -1.6 0 0C2.9 -1.8 5.9 -0.2 4.7 2.7C2.5 3 0.8 1.8 0 0C-0.1 3.3 -2.9 5 -4.7 2.7C-4 0.6 -2 -0.2 0 0`,
  HEATER: `${box(15, 9)}M-3.8 -4.5V4.5M0 -4.5V4.5M3.8 -4.5V4.5`,
  PUMP: `${o(0, 0, 6.6)}M-3.4 -4.6L5.6 0L-3.4 4.6Z`,
  BLIND: "M-7 -7H7M-6 -7V5M6 -7V5M-6 -3.6H6M-6 -0.4H6M-6 2.8H6M0 2.8V8",
  DISPLAY: `${box(16, 11, -6.5)}M-4 7H4M-4 0.6L-1.4 -2.6L1 0L4 -3.4`,
  LOCK: `${box(11, 8, -1)}M-3.4 -1V-3.6A3.4 3.4 0 0 1 3.4 -3.6V-1M0 2V4.4`,
  GATE: "M-7.5 -6V7M7.5 -6V7M-7.5 -3H-1V4H-7.5M7.5 -3H1V4H7.5",
  POWERED_DOOR: "M-7 7V-6H7V7M-4.6 -2.6H4.6M-4.6 0.6H4.6M-4.6 3.8H4.6M-4.6 7H4.6",
  VALVE: "M-7.5 -2L7.5 6V-2L-7.5 6ZM0 2V-5M-4 -6.2A4 3.2 0 0 1 4 -6.2Z",
  SIREN: "M-7 -2.2H-3L3 -6.4V6.4L-3 2.2H-7ZM5.4 -2.6A4 4 0 0 1 5.4 2.6M7.4 -4.6A7 7 0 0 1 7.4 4.6",
  CHIME: `M-6 4C-4.4 2.4 -4.6 -6 0 -6C4.6 -6 4.4 2.4 6 4Z${o(0, 6, 1.2)}`,
  MOTION: "M-5.6 -6H5.6M-4.6 -6A4.6 4.6 0 0 0 4.6 -6M-3 1.4L-5.6 7M0 2V7.4M3 1.4L5.6 7",
  CONTACT: "M-8 3H-3.6L4.4 -3.4M3.6 3H8M3.6 0.6V3",
  BEAM: "M-7 -5.5V5.5M7 -5.5V5.5M-5 0H-3.4M-1.6 0H0M1.8 0H3.4",
  SMOKE: `${o(0, 0, 6.8)}M-2.6 4C-0.6 1.6 -3.6 -0.4 -1.4 -3.4M1.4 4C3.4 1.6 0.4 -0.4 2.6 -3.4`,
  TEMPERATURE: `${o(0, 4.6, 2.8)}M-1.7 2.2V-5.4A1.7 1.7 0 0 1 1.7 -5.4V2.2M4.4 -5H7M4.4 -1.6H6`,
  HUMIDITY: `${DROP}M-2 3L2 -1`,
  LIGHT_LEVEL: `${o(0, 0, 3)}M0 -7.4V-5M0 7.4V5M-7.4 0H-5M7.4 0H5M-5.2 -5.2L-3.6 -3.6M5.2 5.2L3.6 3.6M-5.2 5.2L-3.6 3.6M5.2 -5.2L3.6 -3.6`,
  LEVEL: "M-6.4 -7V6.6H6.4V-7M-6.4 -0.6Q-3.2 -2.8 0 -0.6T6.4 -0.6",
  LEAK: "M0 -8C2.2 -5 3.8 -3.2 3.8 -0.8A3.8 3.8 0 0 1 -3.8 -0.8C-3.8 -3.2 -2.2 -5 0 -8ZM-7.5 6Q-5 4 -2.5 6T2.5 6T7.5 6",
  PUSH_BUTTON: o(0, 0, 6.4) + o(0, 0, 2.4),
  METER: `${box(14, 14)}M-4 3.4A5 5 0 1 1 4 3.4M0 1L2.6 -2.6`,
  CAMERA: "M-8 -4.4H3V4.4H-8ZM3 -1L8 -4V4L3 1",
};
