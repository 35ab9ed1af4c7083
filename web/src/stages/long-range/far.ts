import type { FieldOf, ValueOf } from "../../plan/patch";
import { defineStore } from "pinia";
import { answer, api, problemOf, type Medium, type Op, type Schemas, patiently } from "../../api/client";
import { pointer } from "../../plan/pointers";
import { useBench } from "../../plan/store";

/** What the Long range stage looks at: its open part, the chosen path, and what there is. */
export const useFar = defineStore("far", {
  state: () => ({
    path: null as string | null,
    /** Units of the link that was looked at last, for which ground may be laid. */
    ends: null as { from: string; to: string } | null,
    overview: null as Schemas["Overview"] | null,
    /** Why there is none. */
    trouble: null as string | null,
  }),
  getters: {
    rows: (s): Schemas["FarLink"][] => s.overview?.rows ?? [],
    row(): Schemas["FarLink"] | null {
      return this.rows.find((r) => r.path !== null && r.path === this.path) ?? null;
    },
    medium(): Medium | undefined {
      return this.row?.medium ?? undefined;
    },
  },
  actions: {
    /** Looks at the path between two units, as the plan has it now; where there is none, its ground can be laid. */
    look(from: string, to: string) {
      this.path = pathBetween(from, to) ?? this.path;
      this.ends = { from, to };
    },
    async load() {
      const bench = useBench();
      const [id, revision] = [bench.id, bench.revision];
      let trouble: string | null = null;
      let overview: Schemas["Overview"] | null = null;
      try {
        overview = await answer(api.GET("/api/plans/{id}/long-range", { params: { path: { id } } }));
      } catch (e) {
        trouble = e instanceof Error ? e.message : String(e);
      }
      // a newer edit asks again
      if (bench.id !== id || bench.revision !== revision) return;
      this.trouble = trouble;
      this.overview = overview;
      const known = Object.keys(bench.plan?.paths ?? {});
      if (!this.path || !known.includes(this.path)) {
        this.path = this.rows.find((r) => r.path)?.path ?? known[0] ?? null;
      }
    },
  },
});

/** Sends a file as it is; gives what the server answered, or why it was not taken in. */
export async function sendBytes<T>(
  url: string,
  method: "PUT" | "POST",
  file: Blob,
): Promise<{ body?: T; trouble?: string }> {
  try {
    const response = await patiently(url, {
      method,
      headers: { "Content-Type": "application/octet-stream" },
      body: file,
    });
    const body = await response.json().catch(() => null);
    return response.ok ? { body: body as T } : { trouble: problemOf(response.status, body).message };
  } catch {
    return { trouble: "Skelto's server does not answer. Nothing was changed." };
  }
}

/** Id of the path between two units, either way round. */
export const pathBetween = (from: string, to: string): string | undefined =>
  Object.entries(useBench().plan!.paths).find(
    ([, p]) => (p.from === from && p.to === to) || (p.from === to && p.to === from),
  )?.[0];

/** Stores a value below a unit. */
export const putUnit = <F extends FieldOf<"units">>(
  unit: string,
  field: F,
  value: ValueOf<"units", F>,
  label: string,
) => useBench().put<["units", string, F]>(["units", unit, field], value, label);

/** The edit that sets a path to a new value. */
export const pathOp = (id: string, path: unknown, known: boolean): Op => ({
  op: known ? "replace" : "add",
  path: pointer("paths", id),
  value: path,
});
