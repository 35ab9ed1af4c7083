import type { Op, Plan } from "../../api/client";
import { pointer } from "../../plan/pointers";

/** The edits that put a device on a controller's lowest free channel, or take it off. */
export function attached(plan: Plan, device: string, unit: string | null): Op[] {
  const used = new Set(
    Object.entries(plan.devices)
      .filter(([id, d]) => id !== device && d.unit === unit)
      .map(([, d]) => d.channel),
  );
  let channel = 1;
  while (used.has(channel)) channel++;
  const free = unit && channel <= plan.units[unit]!.channels ? channel : null;
  return [
    { op: "replace", path: pointer("devices", device, "unit"), value: unit },
    { op: "replace", path: pointer("devices", device, "channel"), value: free },
    { op: "replace", path: pointer("devices", device, "wiring"), value: null },
  ];
}
