import type { Device } from "../api/client";
import paths from "./symbols.json";

/**
 * The installation symbols of devices: our own set in the manner of the public symbol standards, each in a square of 16, one
 * stroke wide. The server draws the same ones on paper.
 */
export const SYMBOLS: Record<Device["kind"], string> = paths;
