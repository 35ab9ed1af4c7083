import { defineStore } from "pinia";
import { watch } from "vue";
import { answer, api, type Schemas } from "../../api/client";
import { partOf } from "../../plan/stages";
import { useBench } from "../../plan/store";

/** What the Links stage shows beside the links: its open part, and what that part draws on the sheet. */
export const useLinksView = defineStore("links-view", {
  state: () => ({
    meshes: [] as Schemas["MeshReport"][],
    demands: {} as Record<string, Schemas["DemandReport"]>,
    readings: [] as Schemas["Shown"][],
    fit: null as Schemas["Fit"] | null,
    /** The answer to the question where boxes should stand, and the one that is looked at. */
    placement: null as Schemas["PlacementResult"] | null,
    looked: 0,
  }),
  getters: {
    tab: (): string => partOf("links", useBench().part),
    placing: (s): Schemas["Placing"] | null => s.placement?.placings[s.looked] ?? null,
  },
  actions: {
    async load() {
      const bench = useBench();
      const [id, revision] = [bench.id, bench.revision];
      const params = { params: { path: { id } } };
      // a newer edit asks again
      const still = () => bench.id === id && bench.revision === revision;
      await bench.guarded(async () => {
        if (this.tab === "mesh") {
          const meshes = await answer(api.GET("/api/plans/{id}/meshes", params));
          if (still()) this.meshes = meshes;
        }
        if (this.tab === "rooms") {
          const demands = await answer(api.GET("/api/plans/{id}/demands", params));
          if (still()) this.demands = demands;
        }
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

/** Asks for what the open part of Links shows, and again after every edit. */
export function useLinksLoad(): void {
  const bench = useBench();
  const view = useLinksView();
  watch(
    () => [bench.id, bench.revision, bench.backs],
    () => void view.load(),
    { immediate: true },
  );
}
