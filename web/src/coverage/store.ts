import { defineStore } from "pinia";
import { markRaw } from "vue";
import { answer, api, type Medium, type Op, type Schemas, patiently } from "../api/client";
import { newest } from "../plan/newest";
import { useBench } from "../plan/store";

export type FloorCoverage = Schemas["FloorCoverage"];

/** A coverage with its grid: hundredths of a dBm and numbers of servers, two of each for every cell. */
export interface Mapped {
  coverage: FloorCoverage;
  levels: Int16Array;
  servers: Uint8Array;
}

const TYPE = "application/vnd.skelto.coverage";
const NONE = 255;
const previews = newest<Op[]>((ops, signal) => useCoverage().follow(ops, signal));

/** Reads the binary form that docs/formats.md describes. */
export function read(buffer: ArrayBuffer): Mapped {
  const view = new DataView(buffer);
  const letters = String.fromCharCode(...new Uint8Array(buffer, 0, 4));
  if (letters !== "SKC1") throw new Error("This is no coverage that this page can read.");
  const length = view.getUint32(4, true);
  const coverage = JSON.parse(new TextDecoder().decode(new Uint8Array(buffer, 8, length))) as FloorCoverage;
  const cells = coverage.grid.columns * coverage.grid.rows;
  return {
    coverage,
    levels: new Int16Array(buffer, 8 + length, 2 * cells),
    servers: new Uint8Array(buffer, 8 + length + 4 * cells, 2 * cells),
  };
}

/** Level and server of a point of the site, or null outside of the grid and where nothing is heard. */
export function levelAt(mapped: Mapped, xM: number, yM: number): { dbm: number; server: string } | null {
  const g = mapped.coverage.grid;
  const column = Math.floor((xM - g.westM) / g.cellM);
  const row = Math.floor((yM - g.southM) / g.cellM);
  if (column < 0 || row < 0 || column >= g.columns || row >= g.rows) return null;
  const cell = row * g.columns + column;
  const server = mapped.servers[2 * cell]!;
  if (server === NONE) return null;
  return { dbm: mapped.levels[2 * cell]! / 100, server: mapped.coverage.servers[server]!.name };
}

/** What the floor in view receives of the chosen radio, also while something is dragged. */
export const useCoverage = defineStore("coverage", {
  state: () => ({
    /** The radio whose coverage is drawn, or null for none. */
    medium: null as Medium | null,
    /** Radios that the plan has something to map for. */
    media: [] as Medium[],
    stored: null as Mapped | null,
    dragged: null as Mapped | null,
    trouble: null as string | null,
    /** Where the cursor is, in metres on the site. */
    cursor: null as [number, number] | null,
    asked: "",
  }),
  getters: {
    shown: (s): Mapped | null => s.dragged ?? s.stored,
  },
  actions: {
    url(kind: "grid" | "preview"): string | null {
      const bench = useBench();
      if (!this.medium || !bench.floor || bench.floor === "site") return null;
      return `/api/plans/${bench.id}/coverage/${this.medium}/${encodeURIComponent(bench.floor)}/${kind}?${bench.outageQuery}`;
    },
    async refresh() {
      const bench = useBench();
      try {
        this.media = await answer(
          api.GET("/api/plans/{id}/coverage", { params: { path: { id: bench.id } } }),
        );
      } catch {
        this.media = [];
      }
      if (this.medium && !this.media.includes(this.medium)) this.medium = null;
      await this.load();
    },
    async load() {
      const url = this.url("grid");
      this.asked = url ?? "";
      this.trouble = null;
      if (!url) {
        this.stored = this.dragged = null;
        return;
      }
      const response = await patiently(url, { headers: { Accept: TYPE } }).catch(() => null);
      if (this.asked !== url) return;
      if (response?.ok) this.stored = markRaw(read(await response.arrayBuffer()));
      else {
        this.stored = null;
        this.trouble = response
          ? ((await response.json().catch(() => ({}))).detail ?? "The coverage could not be worked out.")
          : "Skelto's server does not answer.";
      }
      this.dragged = null;
    },
    /** Follows a drag: one request at a time, the newest waits. */
    async preview(ops: Op[]) {
      if (this.medium) await previews.ask(ops);
    },
    async follow(ops: Op[], signal?: AbortSignal): Promise<(() => void) | null> {
      const url = this.url("preview");
      const response =
        url &&
        (await patiently(url, {
          method: "POST",
          headers: { Accept: TYPE, "Content-Type": "application/json-patch+json" },
          body: JSON.stringify(ops),
          signal,
        }));
      if (!response || !response.ok) return null;
      const dragged = markRaw(read(await response.arrayBuffer()));
      return () => (this.dragged = dragged);
    },
    endPreview() {
      void previews.drop();
    },
  },
});
