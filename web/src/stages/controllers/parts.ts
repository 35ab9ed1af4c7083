import { defineStore } from "pinia";
import { markRaw } from "vue";
import { answer, api, type Schemas } from "../../api/client";

/** A part of the catalogue, and whether it is the person's own. */
export type Part = Schemas["Part"] & { own: boolean };

/** The catalogue of parts, fetched once. */
export const useParts = defineStore("parts", {
  state: () => ({ all: [] as Part[], trouble: null as string | null }),
  getters: {
    byId: (s) => new Map(s.all.map((p) => [p.id, p])),
    boards: (s) => s.all.filter((p) => p.kind === "BOARD"),
    extensions: (s) =>
      s.all.filter((p) => p.kind === "RELAY_BOARD" || p.kind === "DIMMER_BOARD" || p.kind === "INPUT_BOARD"),
  },
  actions: {
    async load(anew = false) {
      if (this.all.length && !anew) return;
      try {
        const listed = await answer(api.GET("/api/parts"));
        this.all = markRaw(listed.map((l) => ({ ...l.part, own: l.own })));
        this.trouble = null;
      } catch (e) {
        this.trouble = String(e);
      }
    },
  },
});

/** How many pins of a board devices may have. */
export const pinsOf = (part: Part) =>
  part.pins.filter((pin) => !pin.abilities.includes("CONSOLE") && !pin.abilities.includes("RADIO")).length;
