<script setup lang="ts">
import { computed, onMounted, ref, watch } from "vue";
import { useRoute } from "vue-router";
import { answer, api, Problem, type Medium, type Schemas } from "../api/client";
import { shown } from "../drawing/marks";
import { boundsOf, middleOf } from "../drawing/outline";
import { useBench } from "../plan/store";

/** The walk test as it is done: standing in a room with a phone, one thumb free. */
const route = useRoute();
const bench = useBench();
const trouble = ref<string | null>(null);
const told = ref<string | null>(null);
const floor = ref("");
const room = ref<string | null>(null);
const spot = ref<[number, number] | null>(null);
const medium = ref<Medium>("WIFI_2G4");
const media = ref<Medium[]>([]);
const readings = ref<Schemas["Shown"][]>([]);
const typed = ref<Record<string, string>>({});
const busy = ref(false);
const params = computed(() => ({ params: { path: { id: bench.id } } }));

onMounted(async () => {
  try {
    await bench.open(String(route.params.id), []);
    floor.value = bench.floor && bench.floor !== "site" ? bench.floor : Object.keys(bench.plan!.floors)[0]!;
    media.value = await answer(api.GET("/api/plans/{id}/coverage", params.value));
    medium.value = media.value[0] ?? "WIFI_2G4";
    await load();
  } catch (e) {
    trouble.value = e instanceof Problem ? e.message : String(e);
  }
});
async function load() {
  readings.value = await answer(api.GET("/api/plans/{id}/readings", params.value));
}
const floors = computed(() =>
  Object.entries(bench.plan?.floors ?? {}).filter(([id]) =>
    Object.values(bench.plan!.rooms).some((r) => r.floor === id),
  ),
);
const rooms = computed(() =>
  Object.entries(bench.plan?.rooms ?? {}).filter(([, r]) => r.floor === floor.value),
);
const building = computed(() => bench.plan!.buildings[bench.plan!.floors[floor.value]!.building]!);
const transmitters = computed(() =>
  Object.entries(bench.plan?.units ?? {}).filter(
    ([, u]) =>
      (u.kind === "ACCESS_POINT" || u.kind === "GATEWAY" || u.kind === "ROUTER" || u.kind === "HUB") &&
      Object.values(u.radios).some((r) => r.medium === medium.value),
  ),
);
const countIn = (id: string) => readings.value.filter((r) => inRoom(r.reading, id)).length;
function inRoom(r: Schemas["Reading"], id: string): boolean {
  const target = bench.plan!.rooms[id]!;
  if (r.floor !== target.floor) return false;
  const box = boundsOf(target.corners);
  const [x, y] = [r.xM - building.value.xM, r.yM - building.value.yM];
  return x >= box.west && x <= box.east && y >= box.south && y <= box.north;
}
const here = computed(() => (room.value ? readings.value.filter((r) => inRoom(r.reading, room.value!)) : []));
watch(floor, () => (room.value = null));
watch(room, (id) => (spot.value = id ? middleOf(bench.plan!.rooms[id]!.corners) : null));

/** The sketch of the room: tap where you stand. */
const SIZE = 300;
const sketch = computed(() => {
  if (!room.value) return null;
  const corners = bench.plan!.rooms[room.value]!.corners;
  const box = boundsOf(corners);
  const scale = (SIZE - 20) / Math.max(box.east - box.west, box.north - box.south);
  const x = (m: number) => 10 + (m - box.west) * scale;
  const y = (m: number) => 10 + (box.north - m) * scale;
  return {
    width: 20 + (box.east - box.west) * scale,
    height: 20 + (box.north - box.south) * scale,
    points: corners.map((c) => `${x(c.xM)},${y(c.yM)}`).join(" "),
    dots: here.value.map((r) => ({
      id: r.id,
      x: x(r.reading.xM - building.value.xM),
      y: y(r.reading.yM - building.value.yM),
    })),
    x,
    y,
    back: (px: number, py: number): [number, number] => [
      box.west + (px - 10) / scale,
      box.north - (py - 10) / scale,
    ],
  };
});
function stand(event: MouseEvent) {
  const area = (event.currentTarget as SVGElement).getBoundingClientRect();
  spot.value = sketch.value!.back(event.clientX - area.left, event.clientY - area.top);
}
const site = computed<[number, number]>(() => [
  Math.round((building.value.xM + spot.value![0]) * 100) / 100,
  Math.round((building.value.yM + spot.value![1]) * 100) / 100,
]);

async function guarded(work: () => Promise<void>) {
  trouble.value = told.value = null;
  busy.value = true;
  try {
    await work();
  } catch (e) {
    trouble.value = e instanceof Error ? e.message : String(e);
  }
  busy.value = false;
}
const standIn = () =>
  guarded(async () => {
    const heard = await answer(
      api.POST("/api/plans/{id}/readings/stand-in", {
        ...params.value,
        body: { medium: medium.value, floor: floor.value, xM: site.value[0], yM: site.value[1], heightM: 1 },
      }),
    );
    told.value = heard.length
      ? heard.map((r) => `${bench.plan!.units[r.unit]?.name} ${shown(r.dbm, 0)} dBm`).join(", ")
      : "Nothing is heard here.";
    await load();
  });
const store = () =>
  guarded(async () => {
    const body = Object.entries(typed.value)
      .filter(([, text]) => text.trim() !== "")
      .map(([unit, text]) => ({
        floor: floor.value,
        xM: site.value[0],
        yM: site.value[1],
        heightM: 1,
        unit,
        medium: medium.value,
        dbm: Number(text.replace("−", "-").replace(",", ".")),
        at: new Date().toISOString(),
      }));
    if (body.some((r) => !Number.isFinite(r.dbm))) throw new Error("A level must be a number such as −63.");
    if (!body.length) throw new Error("Type what your phone shows, such as −63.");
    await answer(api.POST("/api/plans/{id}/readings", { ...params.value, body }));
    typed.value = {};
    told.value = body.length === 1 ? "Stored." : `${body.length} readings stored.`;
    await load();
  });
const remove = (id: string) =>
  guarded(async () => {
    await answer(
      api.DELETE("/api/plans/{id}/readings/{reading}", { params: { path: { id: bench.id, reading: id } } }),
    );
    await load();
  });
</script>

<template>
  <main v-if="bench.plan && floor" class="walk">
    <header>
      <RouterLink :to="`/plans/${bench.id}/links`">Back to the bench</RouterLink>
      <h1>Walk test</h1>
    </header>
    <div class="choices">
      <label class="field">
        Floor
        <select v-model="floor">
          <option v-for="[id, f] in floors" :key="id" :value="id">{{ f.name }}</option>
        </select>
      </label>
      <label class="field">
        Radio
        <select v-model="medium">
          <option v-for="m in media" :key="m" :value="m">
            {{ bench.catalog!.media.find((c) => c.id === m)?.name }}
          </option>
        </select>
      </label>
    </div>
    <p v-if="trouble" class="bad" role="alert">{{ trouble }}</p>
    <p v-if="told" class="told" role="status">{{ told }}</p>
    <template v-if="room && sketch && spot">
      <div class="row">
        <h2 class="grow">{{ bench.plan.rooms[room]!.name }}</h2>
        <button type="button" class="soft" @click="room = null">Other room</button>
      </div>
      <p class="quiet">Tap where you stand, then measure.</p>
      <svg
        :width="sketch.width"
        :height="sketch.height"
        role="img"
        :aria-label="`Sketch of ${bench.plan.rooms[room]!.name}; you stand at ${shown(spot[0], 1)}, ${shown(spot[1], 1)} m`"
        @click="stand"
      >
        <polygon :points="sketch.points" class="floor" />
        <circle v-for="d in sketch.dots" :key="d.id" :cx="d.x" :cy="d.y" r="4" class="taken" />
        <g :transform="`translate(${sketch.x(spot[0])} ${sketch.y(spot[1])})`">
          <circle r="11" class="ring" />
          <circle r="3" class="you" />
        </g>
      </svg>
      <div v-for="[id, u] in transmitters" :key="id" class="heard">
        <label :for="`dbm-${id}`">{{ u.name }}</label>
        <input
          :id="`dbm-${id}`"
          v-model="typed[id]"
          inputmode="text"
          placeholder="−63"
          :aria-label="`Level of ${u.name}, dBm`"
        />
        <span>dBm</span>
      </div>
      <button type="button" class="act big" :disabled="busy" @click="store">Store what I read</button>
      <button type="button" class="soft big" :disabled="busy" @click="standIn">
        Measure with the simulated phone
      </button>
      <ul class="list">
        <li v-for="r in here" :key="r.id">
          <span class="grow">{{ bench.plan.units[r.reading.unit]?.name ?? r.reading.unit }}</span>
          <b>{{ shown(r.reading.dbm, 0) }} dBm</b>
          <span class="quiet">{{
            r.predictedDbm === null ? "" : `predicted ${shown(r.predictedDbm, 0)}`
          }}</span>
          <button type="button" class="plain" @click="remove(r.id)">Remove</button>
        </li>
      </ul>
    </template>
    <template v-else>
      <h2>Which room are you in?</h2>
      <button v-for="[id, r] in rooms" :key="id" type="button" class="soft big" @click="room = id">
        {{ r.name }}
        <span class="quiet">{{ countIn(id) ? `${countIn(id)} readings` : "not measured yet" }}</span>
      </button>
    </template>
  </main>
  <main v-else class="walk">
    <p v-if="trouble" class="bad" role="alert">{{ trouble }}</p>
    <p v-else role="status">Opening the plan…</p>
    <RouterLink to="/plans">All plans</RouterLink>
  </main>
</template>

<style scoped>
.walk {
  max-width: 430px;
  min-height: 100%;
  margin: 0 auto;
  padding: 10px 14px 40px;
  display: flex;
  flex-direction: column;
  gap: 10px;
  background: var(--sheet);
}
header {
  display: flex;
  align-items: baseline;
  gap: 14px;
}
header h1 {
  font-size: 18px;
  order: -1;
  flex: 1;
}
.choices {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 10px;
}
.big {
  min-height: 46px;
  font-size: 15px;
  text-align: left;
  display: flex;
  justify-content: space-between;
  align-items: center;
}
.told {
  background: var(--paper);
  border-left: 4px solid var(--holds);
  padding: 8px 10px;
}
svg {
  touch-action: manipulation;
  align-self: center;
  max-width: 100%;
}
.floor {
  fill: var(--paper);
  stroke: var(--ink);
  stroke-width: 3;
}
.taken {
  fill: var(--signal);
}
.ring {
  fill: none;
  stroke: var(--copper);
  stroke-width: 2;
}
.you {
  fill: var(--copper);
}
.heard {
  display: grid;
  grid-template-columns: 1fr 90px auto;
  gap: 8px;
  align-items: center;
}
.heard input {
  min-height: 40px;
  font-size: 16px;
  text-align: right;
}
.list {
  list-style: none;
  margin: 0;
  padding: 0;
}
.list li {
  display: flex;
  gap: 8px;
  align-items: center;
  padding: 6px 0;
  border-bottom: 1px solid var(--hair);
}
.grow {
  flex: 1;
}
</style>
