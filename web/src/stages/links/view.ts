import { defineStore } from "pinia";
import { answer, api, type Schemas } from "../../api/client";
import { useBench } from "../../plan/store";

/** What the Links stage shows beside the links: its open part, and what that part draws on the sheet. */
export const useLinksView = defineStore("links-view", {
  state: () => ({
    tab: "links",
    meshes: [] as Schemas["MeshReport"][],
    demands: {} as Record<string, Schemas["DemandReport"]>,
    readings: [] as Schemas["Shown"][],
    fit: null as Schemas["Fit"] | null,
    /** The answer to the question where boxes should stand, and the one that is looked at. */
    placement: null as Schemas["PlacementResult"] | null,
    looked: 0,
  }),
  getters: {
    placing: (s): Schemas["Placing"] | null => s.placement?.placings[s.looked] ?? null,
  },
  actions: {
    async load() {
      const bench = useBench();
      const params = { params: { path: { id: bench.id } } };
      await bench.guarded(async () => {
        if (this.tab === "mesh") this.meshes = await answer(api.GET("/api/plans/{id}/meshes", params));
        if (this.tab === "rooms") this.demands = await answer(api.GET("/api/plans/{id}/demands", params));
        if (this.tab === "walk") await this.loadReadings();
      });
    },
    async loadReadings() {
      const params = { params: { path: { id: useBench().id } } };
      this.readings = await answer(api.GET("/api/plans/{id}/readings", params));
      this.fit =
        this.readings.filter((r) => r.predictedDbm !== null).length >= 10
          ? await answer(api.GET("/api/plans/{id}/calibration", params))
          : null;
    },
  },
});
