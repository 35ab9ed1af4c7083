<script setup lang="ts">
import { computed, reactive, ref } from "vue";
import { answer, api, Problem, type Op, type Room } from "../../api/client";
import { shown, words } from "../../drawing/marks";
import { freeId, pointer, thingOf } from "../../plan/pointers";
import { useBench } from "../../plan/store";

const bench = useBench();
const typed = ref("");
const trouble = ref<string | null>(null);
const plan = computed(() => bench.plan!);
const walls = computed(() => bench.catalog!.constructions.filter((c) => !c.slab));
const slabs = computed(() => bench.catalog!.constructions.filter((c) => c.slab));
const rooms = computed(() => Object.entries(plan.value.rooms).filter(([, r]) => r.floor === bench.floor));
const room = computed<[string, Room] | null>(() => {
  const thing = thingOf(bench.selection);
  const found = thing?.[0] === "rooms" ? plan.value.rooms[thing[1]] : undefined;
  return found ? [thing![1], found] : null;
});
const SIDES = ["north", "east", "south", "west"] as const;
const text = (event: Event) => (event.target as HTMLInputElement).value;

async function addTyped() {
  trouble.value = null;
  if (!bench.floor || bench.floor === "site") {
    trouble.value = "Choose the floor above the drawing first.";
    return;
  }
  try {
    const proposal = await answer(
      api.POST("/api/plans/{id}/typed-room", {
        params: { path: { id: bench.id } },
        body: { floor: bench.floor, text: typed.value },
      }),
    );
    if (await bench.edit(proposal.edits as Op[], proposal.label)) {
      typed.value = "";
      bench.select(proposal.edits[0]!.path);
    }
  } catch (e) {
    trouble.value = e instanceof Problem ? e.message.split(" /text ")[0]! : String(e);
  }
}

function setRoom(id: string, field: string, value: unknown) {
  void bench.edit(
    [{ op: "replace", path: `${pointer("rooms", id)}/${field}`, value }],
    `${words(field.replace("walls/", "")).replace(/m$/, "")} of ${plan.value.rooms[id]!.name}`,
  );
}

function setNumber(id: string, field: string, raw: string) {
  const value = Number(raw);
  if (raw.trim() !== "" && Number.isFinite(value)) setRoom(id, field, value);
  else trouble.value = `"${raw}" is not a number.`;
}

/** A wall between two rooms is one wall: both rooms' sides change. */
function setWall(id: string, side: (typeof SIDES)[number], construction: string) {
  const path = pointer("rooms", id, "walls", side);
  const shared = (bench.assessment?.walls ?? [])
    .filter((w) => w.owners.includes(path))
    .flatMap((w) => w.owners);
  const ops: Op[] = [...new Set([path, ...shared])].map((p) => ({
    op: "replace",
    path: p,
    value: construction,
  }));
  void bench.edit(ops, `${side} wall of ${plan.value.rooms[id]!.name}`);
}

function removeRoom(id: string) {
  const ops: Op[] = [{ op: "remove", path: pointer("rooms", id) }];
  for (const map of ["units", "devices"] as const) {
    for (const [key, thing] of Object.entries(plan.value[map])) {
      if (thing.place?.room === id)
        ops.push({ op: "replace", path: pointer(map, key, "place"), value: null });
    }
  }
  void bench.edit(ops, `remove room ${plan.value.rooms[id]!.name}`);
}

const floor = reactive({ name: "", building: "", base: "0", height: "2.5" });
async function addFloor() {
  const building = floor.building || Object.keys(plan.value.buildings)[0];
  const base = Number(floor.base);
  const height = Number(floor.height);
  if (!building || !Number.isFinite(base) || !Number.isFinite(height)) {
    trouble.value = "A floor needs a building, a level and a height in metres.";
    return;
  }
  const id = freeId(floor.name, plan.value.floors);
  const value = { building, name: floor.name, baseM: base, heightM: height, slab: "timber-floor" };
  if (await bench.edit([{ op: "add", path: pointer("floors", id), value }], `floor ${floor.name}`)) {
    bench.floor = id;
    floor.name = "";
  }
}
const current = computed(() =>
  bench.floor && bench.floor !== "site" ? plan.value.floors[bench.floor] : undefined,
);
function setFloor(field: string, value: unknown) {
  void bench.edit(
    [{ op: "replace", path: pointer("floors", bench.floor!, field), value }],
    `floor ${current.value!.name}`,
  );
}
function removeFloor() {
  void bench.edit(
    [{ op: "remove", path: pointer("floors", bench.floor!) }],
    `remove floor ${current.value!.name}`,
  );
}

const outside = reactive({ kind: "building", name: "", x: "0", y: "0", z: "0" });
function addOutside() {
  const map = outside.kind === "building" ? "buildings" : "spots";
  const numbers = [Number(outside.x), Number(outside.y), Number(outside.z)];
  if (numbers.some((n) => !Number.isFinite(n))) {
    trouble.value = "East, north and height are numbers in metres.";
    return;
  }
  const value = { name: outside.name, xM: numbers[0], yM: numbers[1], zM: numbers[2] };
  const id = freeId(outside.name, plan.value[map]);
  void bench.edit([{ op: "add", path: pointer(map, id), value }], `${outside.kind} ${outside.name}`);
  outside.name = "";
}
const entries = computed(() => [
  ...Object.entries(plan.value.buildings).map(([id, b]) => ({ map: "buildings", id, ...b })),
  ...Object.entries(plan.value.spots).map(([id, s]) => ({ map: "spots", id, ...s })),
]);
function setOutside(map: string, id: string, field: string, raw: string) {
  const value = Number(raw);
  if (raw.trim() !== "" && Number.isFinite(value)) {
    void bench.edit([{ op: "replace", path: pointer(map, id, field), value }], `place of ${id}`);
  }
}
const setting = (path: string, raw: string) =>
  bench.edit([{ op: "replace", path, value: raw.trim() === "" ? null : Number(raw) }], "plan data");
function setPlace(field: "latitudeDeg" | "longitudeDeg", raw: string) {
  const value = Number(raw);
  if (!Number.isFinite(value)) return;
  const place = { latitudeDeg: 0, longitudeDeg: 0, ...plan.value.place, [field]: value };
  void bench.edit([{ op: "replace", path: "/place", value: place }], "place on earth");
}
</script>

<template>
  <div class="panel-body">
    <form class="row" @submit.prevent="addTyped">
      <label class="field grow">
        Type a room: name, width x depth, @ east,north, wall
        <input v-model="typed" placeholder="scullery 6.2x4.8 @ 7,0 brick" maxlength="200" required />
      </label>
      <button type="submit" class="act">Add room</button>
    </form>
    <p v-if="trouble" class="bad" role="alert">{{ trouble }}</p>

    <template v-if="bench.floor !== 'site'">
      <section v-if="room" class="inspect" aria-label="Selected room">
        <h3>{{ room[1].name }}</h3>
        <div class="row">
          <label class="field"
            >Name<input :value="room[1].name" @change="setRoom(room![0], 'name', text($event))"
          /></label>
          <label v-for="f in ['xM', 'yM', 'widthM', 'depthM'] as const" :key="f" class="field">
            {{ { xM: "East, m", yM: "North, m", widthM: "Width, m", depthM: "Depth, m" }[f] }}
            <input
              class="short"
              inputmode="decimal"
              :value="room[1][f]"
              @change="setNumber(room![0], f, text($event))"
            />
          </label>
          <label class="field">
            Filled
            <select :value="room[1].clutter" @change="setRoom(room![0], 'clutter', text($event))">
              <option v-for="c in ['EMPTY', 'FURNISHED', 'CROWDED']" :key="c" :value="c">
                {{ words(c) }}
              </option>
            </select>
          </label>
        </div>
        <div class="row">
          <label v-for="side in SIDES" :key="side" class="field">
            {{ side }} wall
            <select :value="room[1].walls[side]" @change="setWall(room![0], side, text($event))">
              <option v-for="c in walls" :key="c.id" :value="c.id">{{ c.name }}</option>
            </select>
          </label>
          <button type="button" class="soft" @click="removeRoom(room![0])">Remove room</button>
        </div>
      </section>
      <table v-if="rooms.length">
        <caption class="unseen">
          Rooms of this floor
        </caption>
        <thead>
          <tr>
            <th>Room</th>
            <th class="number">Corner, m</th>
            <th class="number">Size, m</th>
            <th class="number">Area, m²</th>
            <th>Walls north, east, south, west</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="[id, r] in rooms" :key="id" :class="{ chosen: room?.[0] === id }">
            <td>
              <button type="button" class="plain" @click="bench.select(pointer('rooms', id))">
                {{ r.name }}
              </button>
            </td>
            <td class="number">{{ shown(r.xM, 2) }}, {{ shown(r.yM, 2) }}</td>
            <td class="number">{{ shown(r.widthM, 2) }} × {{ shown(r.depthM, 2) }}</td>
            <td class="number">{{ shown(r.widthM * r.depthM, 1) }}</td>
            <td class="quiet">{{ [...new Set(SIDES.map((s) => r.walls[s]))].join(", ") }}</td>
          </tr>
        </tbody>
      </table>
      <div v-if="current" class="row">
        <label class="field"
          >This floor<input :value="current.name" @change="setFloor('name', text($event))"
        /></label>
        <label class="field"
          >Level, m<input
            class="short"
            :value="current.baseM"
            inputmode="decimal"
            @change="setFloor('baseM', Number(text($event)))"
        /></label>
        <label class="field"
          >Height, m<input
            class="short"
            :value="current.heightM"
            inputmode="decimal"
            @change="setFloor('heightM', Number(text($event)))"
        /></label>
        <label class="field">
          Slab under it
          <select :value="current.slab" @change="setFloor('slab', text($event))">
            <option v-for="c in slabs" :key="c.id" :value="c.id">{{ c.name }}</option>
          </select>
        </label>
        <button v-if="rooms.length === 0" type="button" class="soft" @click="removeFloor">
          Remove floor
        </button>
      </div>
      <form class="row" @submit.prevent="addFloor">
        <label class="field"
          >New floor<input v-model="floor.name" required maxlength="120" placeholder="bin loft"
        /></label>
        <label class="field">
          In
          <select v-model="floor.building">
            <option value="">{{ Object.values(plan.buildings)[0]?.name }}</option>
            <option v-for="(b, id) in plan.buildings" :key="id" :value="id">{{ b.name }}</option>
          </select>
        </label>
        <label class="field">Level, m<input v-model="floor.base" class="short" inputmode="decimal" /></label>
        <label class="field"
          >Height, m<input v-model="floor.height" class="short" inputmode="decimal"
        /></label>
        <button type="submit" class="soft">Add floor</button>
      </form>
    </template>
    <template v-else>
      <div class="row">
        <label class="field"
          >Mains voltage, V<input
            class="short"
            :value="plan.mainsVoltageV"
            inputmode="decimal"
            @change="setting('/mainsVoltageV', text($event))"
        /></label>
        <label class="field"
          >Latitude, °<input
            class="short"
            :value="plan.place?.latitudeDeg"
            inputmode="decimal"
            @change="setPlace('latitudeDeg', text($event))"
        /></label>
        <label class="field"
          >Longitude, °<input
            class="short"
            :value="plan.place?.longitudeDeg"
            inputmode="decimal"
            @change="setPlace('longitudeDeg', text($event))"
        /></label>
      </div>
      <table>
        <caption class="unseen">
          Buildings and outdoor spots
        </caption>
        <thead>
          <tr>
            <th>Building or spot</th>
            <th>East, m</th>
            <th>North, m</th>
            <th>Ground, m</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="e in entries" :key="e.map + e.id">
            <td>
              {{ e.name }} <span class="quiet">{{ e.map === "spots" ? "spot" : "building" }}</span>
            </td>
            <td v-for="f in ['xM', 'yM', 'zM'] as const" :key="f">
              <input
                class="short"
                :aria-label="`${f} of ${e.name}`"
                :value="e[f]"
                inputmode="decimal"
                @change="setOutside(e.map, e.id, f, text($event))"
              />
            </td>
          </tr>
        </tbody>
      </table>
      <form class="row" @submit.prevent="addOutside">
        <label class="field"
          >New<select v-model="outside.kind">
            <option value="building">building</option>
            <option value="spot">outdoor spot</option>
          </select></label
        >
        <label class="field">Name<input v-model="outside.name" required maxlength="120" /></label>
        <label class="field">East, m<input v-model="outside.x" class="short" inputmode="decimal" /></label>
        <label class="field">North, m<input v-model="outside.y" class="short" inputmode="decimal" /></label>
        <label class="field">Ground, m<input v-model="outside.z" class="short" inputmode="decimal" /></label>
        <button type="submit" class="soft">Add</button>
      </form>
    </template>
  </div>
</template>

<style scoped src="../panel.css"></style>
