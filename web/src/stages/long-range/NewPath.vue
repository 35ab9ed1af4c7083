<script setup lang="ts">
import { computed, ref, watch } from "vue";
import { answer, api, Problem, type Schemas } from "../../api/client";
import { shown } from "../../drawing/marks";
import { freeId } from "../../plan/pointers";
import { useBench } from "../../plan/store";
import { pathBetween, pathOp, sendBytes, useFar } from "./far";

/** Lays ground between two units: from the grid of heights, a table, or a track. */
const bench = useBench();
const far = useFar();
const from = ref("");
const to = ref("");
const text = ref("");
const trouble = ref<string | null>(null);
const told = ref<string | null>(null);
const units = computed(() =>
  Object.entries(bench.plan!.units)
    .filter(([, u]) => Object.keys(u.radios).length > 0 && u.place)
    .sort(([, a], [, b]) => a.name.localeCompare(b.name)),
);
const known = computed(() => pathBetween(from.value, to.value));
watch(
  () => far.ends,
  (ends) => {
    if (ends) [from.value, to.value] = [ends.from, ends.to];
  },
  { immediate: true },
);
const ready = computed(() => from.value !== "" && to.value !== "" && from.value !== to.value);

async function keep(taken: Schemas["TakenProfile"]) {
  const old = known.value ? bench.plan!.paths[known.value] : undefined;
  const turned = old !== undefined && old.from !== from.value;
  const path = {
    ...taken.path,
    covers: old && !turned ? old.covers : [],
    model: old?.model ?? "DIFFRACTION",
    earthFactor: old?.earthFactor ?? null,
  };
  const id = known.value ?? freeId(bench.plan!.units[to.value]!.name, bench.plan!.paths);
  if (await bench.edit([pathOp(id, path, known.value !== undefined)], "ground of a path")) {
    far.path = id;
    told.value = `${taken.read} points taken in.${
      taken.asideM > 1 ? ` The track leaves the straight line by up to ${shown(taken.asideM, 0)} m.` : ""
    }`;
    text.value = "";
  }
}
async function attempt(work: () => Promise<Schemas["TakenProfile"]>) {
  trouble.value = null;
  told.value = null;
  try {
    await keep(await work());
  } catch (e) {
    trouble.value = e instanceof Error ? e.message : String(e);
  }
}
const query = () => ({ from: from.value, to: to.value });
const byGrid = () =>
  attempt(() =>
    answer(
      api.POST("/api/plans/{id}/ground/profile", { params: { path: { id: bench.id }, query: query() } }),
    ),
  );
const byTable = () =>
  attempt(() =>
    answer(
      api.POST("/api/plans/{id}/ground/profile/csv", {
        params: { path: { id: bench.id }, query: query() },
        headers: { "Content-Type": "text/csv" },
        body: text.value,
        bodySerializer: (body: unknown) => body as string,
      }),
    ),
  );
async function byTrack(event: Event) {
  const input = event.target as HTMLInputElement;
  const file = input.files?.[0];
  if (!file) return;
  await attempt(async () => {
    const q = `from=${encodeURIComponent(from.value)}&to=${encodeURIComponent(to.value)}`;
    const got = await sendBytes<Schemas["TakenProfile"]>(
      `/api/plans/${bench.id}/ground/profile/gpx?${q}`,
      "POST",
      file,
    );
    if (got.trouble) throw new Problem(422, `${file.name}: ${got.trouble}`);
    return got.body!;
  });
  input.value = "";
}
</script>

<template>
  <form class="inspect" @submit.prevent="byTable">
    <h3>Terrain profile between two units</h3>
    <div class="row">
      <label class="field">
        From
        <select v-model="from">
          <option value="">choose</option>
          <option v-for="[id, u] in units" :key="id" :value="id">{{ u.name }}</option>
        </select>
      </label>
      <label class="field">
        To
        <select v-model="to">
          <option value="">choose</option>
          <option v-for="[id, u] in units" :key="id" :value="id">{{ u.name }}</option>
        </select>
      </label>
      <button type="button" class="act" :disabled="!ready || !far.overview?.ground" @click="byGrid">
        Take it from the grid of heights
      </button>
      <label class="field">
        GPX track
        <input type="file" accept=".gpx" :disabled="!ready" @change="byTrack" />
      </label>
    </div>
    <label class="field">
      Or points: a line each with distance and height in metres
      <textarea v-model="text" rows="4" placeholder="0, 212&#10;310, 231.5&#10;620, 218"></textarea>
    </label>
    <div class="row">
      <button type="submit" class="soft" :disabled="!ready || !text.trim()">Take in the points</button>
      <span v-if="known" class="quiet">This replaces the ground that is known between the two.</span>
      <span v-if="!far.overview?.ground" class="quiet">No grid of heights yet: see Ground and law.</span>
    </div>
    <p v-if="trouble" class="bad" role="alert">{{ trouble }}</p>
    <p v-if="told" role="status">{{ told }}</p>
  </form>
</template>

<style scoped src="../panel.css"></style>
