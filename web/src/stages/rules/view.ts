import { defineStore } from "pinia";
import type { Schemas } from "../../api/client";

/** A circle of an action, and where it stands in the plan. */
export interface Circle {
  path: string;
  floor: string;
  around: Schemas["Around"];
}

/** What the Rules stage draws on the sheet: what sensors see, and the circles of the chosen rule. */
export const useRulesView = defineStore("rules-view", {
  state: () => ({
    sights: [] as Schemas["SensorSight"][],
    circles: [] as Circle[],
  }),
});
