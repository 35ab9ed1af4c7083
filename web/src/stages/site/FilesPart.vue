<script setup lang="ts">
import { computed, ref } from "vue";
import { answer, api, problemOf, type Schemas, patiently } from "../../api/client";
import EditField from "../../app/EditField.vue";
import { exportSheet } from "../../drawing/exportSheet";
import { boundsOf } from "../../drawing/outline";
import { useBench } from "../../plan/store";

/** Lists, pictures and files: rooms typed or pasted, a floor plan under the drawing, GeoJSON and SVG. */
const bench = useBench();
const list = ref("");
const page = ref(1);
const known = ref(1);
const busy = ref(false);
const trouble = ref<string | null>(null);
const floor = computed(() =>
  bench.floor && bench.floor !== "site" ? bench.plan!.floors[bench.floor] : undefined,
);
const under = computed(() => floor.value?.underlay ?? null);
const at = <F extends "fade" | "xM" | "yM">(field: F) => ["floors", bench.floor!, "underlay", field] as const;

async function guarded(work: () => Promise<void>) {
  trouble.value = null;
  busy.value = true;
  try {
    await work();
  } catch (e) {
    trouble.value = e instanceof Error ? e.message : String(e);
  }
  busy.value = false;
}
const addList = () =>
  guarded(async () => {
    await bench.stored();
    const found = await answer(
      api.POST("/api/plans/{id}/typed-rooms", {
        params: { path: { id: bench.id } },
        body: { floor: bench.floor!, text: list.value },
      }),
    );
    if (await bench.edit(found.edits, found.label)) list.value = "";
  });

const fileOf = (event: Event) => (event.target as HTMLInputElement).files?.[0];
const LARGEST = 32 * 1024 * 1024;
const takePicture = (event: Event) =>
  guarded(async () => {
    const input = event.target as HTMLInputElement;
    const file = fileOf(event);
    if (!file) return;
    if (file.size > LARGEST) {
      input.value = "";
      throw new Error(
        `${file.name} has ${Math.round(file.size / 1048576)} MB; a picture may have at most 32. Nothing was changed.`,
      );
    }
    const response = await patiently(`/api/plans/${bench.id}/pictures?page=${page.value}`, {
      method: "POST",
      headers: { "Content-Type": "application/octet-stream" },
      body: file,
    });
    input.value = "";
    if (!response.ok) throw problemOf(response.status, await response.json().catch(() => null));
    const stored = (await response.json()) as Schemas["Stored"];
    const rooms = Object.values(bench.plan!.rooms).filter((r) => r.floor === bench.floor);
    const boxes = rooms.map((r) => boundsOf(r.corners));
    const west = Math.min(0, ...boxes.map((b) => b.west));
    const south = Math.min(0, ...boxes.map((b) => b.south));
    const wide = boxes.length ? Math.max(...boxes.map((b) => b.east)) - west : 12;
    const value = {
      picture: stored.id,
      xM: west,
      yM: south,
      metresPerPixel: Math.round((wide / stored.width) * 100000) / 100000,
      fade: 0.5,
    };
    await bench.put(["floors", bench.floor!, "underlay"], value, `picture under ${floor.value!.name}`);
  });
/** Two marks on the sheet, and how far apart they really are. */
const scaleBy = () =>
  guarded(async () => {
    const marks = bench.measured;
    if (marks.length !== 2) throw new Error("Mark two points first.");
    const seen = Math.hypot(marks[1]![0] - marks[0]![0], marks[1]![1] - marks[0]![1]);
    if (!(known.value > 0) || seen < 0.01) throw new Error("The known length must be above nothing.");
    const factor = known.value / seen;
    const building = bench.plan!.buildings[floor.value!.building]!;
    const [x0, y0] = [marks[0]![0] - building.xM, marks[0]![1] - building.yM];
    const u = under.value!;
    const round = (v: number) => Math.round(v * 1000) / 1000;
    // the first mark stays where it is
    const value = {
      ...u,
      metresPerPixel: Math.round(u.metresPerPixel * factor * 1e6) / 1e6,
      xM: round(x0 - (x0 - u.xM) * factor),
      yM: round(y0 - (y0 - u.yM) * factor),
    };
    await bench.put(["floors", bench.floor!, "underlay"], value, "scale of the picture");
    bench.marking = false;
    bench.measured = [];
  });

const takeGeoJson = (event: Event) =>
  guarded(async () => {
    const input = event.target as HTMLInputElement;
    const file = fileOf(event);
    if (!file) return;
    const text = await file.text();
    input.value = "";
    const query = floor.value ? `?floor=${encodeURIComponent(bench.floor!)}` : "";
    const response = await patiently(`/api/plans/${bench.id}/geojson${query}`, {
      method: "POST",
      headers: { "Content-Type": "application/json" },
      body: text,
    });
    const body: unknown = await response.json().catch(() => null);
    if (!response.ok) throw problemOf(response.status, body);
    const found = body as Schemas["Edits"];
    await bench.edit(found.edits, found.label);
  });
</script>

<template>
  <div class="panel-body">
    <p v-if="trouble" class="bad" role="alert">{{ trouble }}</p>
    <template v-if="floor">
      <form @submit.prevent="addList">
        <label class="field">
          Rooms of {{ floor.name }}, a line each: typed as “hall 5.4x4.2 brick”, or pasted from a spreadsheet
          as name, width, depth and if known east, north, wall
          <textarea v-model="list" rows="4" required placeholder="hall 5.4x4.2&#10;study 3x3.6"></textarea>
        </label>
        <div class="row">
          <button type="submit" class="act" :disabled="busy">Lay them out</button>
          <span class="quiet">Rooms without a place are packed beside each other, to be dragged right.</span>
        </div>
      </form>
      <h3>A picture under {{ floor.name }}</h3>
      <div class="row">
        <label class="field">
          PNG, JPEG, SVG or PDF
          <input
            type="file"
            accept=".png,.jpg,.jpeg,.svg,.pdf,image/png,image/jpeg,image/svg+xml,application/pdf"
            :disabled="busy"
            @change="takePicture"
          />
        </label>
        <label class="field"
          >Page of a PDF<input v-model.number="page" class="short" type="number" min="1"
        /></label>
        <template v-if="under">
          <label class="field">
            Shows
            <input
              type="range"
              min="0"
              max="1"
              step="0.05"
              :value="under.fade"
              @change="
                bench.put(
                  at('fade'),
                  Number(($event.target as HTMLInputElement).value),
                  'fade of the picture',
                )
              "
            />
          </label>
          <EditField
            label="East, m"
            numeric
            :value="under.xM"
            :save="(v: number) => bench.put(at('xM'), v, 'place of the picture')"
          />
          <EditField
            label="North, m"
            numeric
            :value="under.yM"
            :save="(v: number) => bench.put(at('yM'), v, 'place of the picture')"
          />
          <button
            type="button"
            class="soft"
            @click="bench.put(['floors', bench.floor!, 'underlay'], null, 'remove picture')"
          >
            Take it away
          </button>
        </template>
      </div>
      <div v-if="under" class="row">
        <button
          type="button"
          class="soft"
          :aria-pressed="bench.marking"
          @click="((bench.marking = !bench.marking), (bench.measured = []))"
        >
          {{ bench.marking ? `Click two points: ${bench.measured.length} of 2` : "Mark a known length" }}
        </button>
        <label v-if="bench.marking" class="field"
          >It is, m<input v-model.number="known" class="short" type="number" min="0.01" step="0.01"
        /></label>
        <button
          v-if="bench.marking && bench.measured.length === 2"
          type="button"
          class="act"
          @click="scaleBy"
        >
          Scale the picture
        </button>
      </div>
    </template>
    <p v-else class="quiet">Choose the sheet of a floor to type rooms or lay a picture under it.</p>
    <h3>Files</h3>
    <div class="row">
      <a class="soft link" :href="`/api/plans/${bench.id}/geojson`" download>Geometry as GeoJSON</a>
      <label class="field">
        Take in GeoJSON, in metres
        <input
          type="file"
          accept=".geojson,.json,application/geo+json"
          :disabled="busy"
          @change="takeGeoJson"
        />
      </label>
      <button type="button" class="soft" @click="exportSheet(bench.plan!.name, floor?.name ?? 'site')">
        This sheet as SVG
      </button>
    </div>
  </div>
</template>

<style scoped src="../panel.css"></style>
<style scoped>
textarea {
  width: 100%;
  font: inherit;
}
.link {
  text-decoration: none;
  color: var(--link);
}
</style>
