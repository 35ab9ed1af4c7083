import { barLength } from "../drawing/useSheet";
import { shown } from "../drawing/marks";
import { useBench } from "../plan/store";
import { feetAndInches, FOOT_M } from "./measures";

/** Lengths in the measures that the plan wants. */
export function useLength() {
  const bench = useBench();
  const feet = () => bench.plan?.measures === "FEET";
  return {
    /** A length with its unit. */
    length: (metres: number, places = 2) => (feet() ? feetAndInches(metres) : `${shown(metres, places)} m`),
    /** Width by depth with their unit. */
    size: (widthM: number, depthM: number) =>
      feet()
        ? `${feetAndInches(widthM)} × ${feetAndInches(depthM)}`
        : `${shown(widthM, 2)} × ${shown(depthM, 2)} m`,
    /** A bar of a round length under so many pixels, at so many pixels a metre: its pixels and its words. */
    bar(scale: number, mostPx: number): { px: number; text: string } {
      if (feet()) {
        const ft = barLength(scale * FOOT_M, mostPx);
        return { px: ft * FOOT_M * scale, text: `${ft} ft` };
      }
      const m = barLength(scale, mostPx);
      return { px: m * scale, text: m >= 1000 ? `${m / 1000} km` : `${m} m` };
    },
  };
}
