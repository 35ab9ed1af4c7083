<script setup lang="ts">
import { added, removed, typed as typedCell, type FieldOf, type ValueOf } from "../../plan/patch";
import { computed, reactive, ref } from "vue";
import { answer, api, Problem, type Room } from "../../api/client";
import EditField from "../../app/EditField.vue";
import { text } from "../../app/typed";
import { shown, words } from "../../drawing/marks";
import { areaOf, boundsOf } from "../../drawing/outline";
import { freeId, pointer, thingOf } from "../../plan/pointers";
import { useLength } from "../../app/useLength";
import { useBench } from "../../plan/store";
import type { TableColumn } from "../../table/columns";
import DataTable from "../../table/DataTable.vue";
import RoomInspector from "./RoomInspector.vue";
import Surroundings from "./Surroundings.vue";

const bench = useBench();
const lengths = useLength();
const typed = ref("");
const trouble = ref<string | null>(null);
const plan = computed(() => bench.plan!);
const slabs = computed(() => bench.constructions.filter((c) => c.slab));
const rooms = computed(() => Object.entries(plan.value.rooms).filter(([, r]) => r.floor === bench.floor));
const room = computed<[string, Room] | null>(() => {
  const thing = thingOf(bench.selection);
  const found = thing?.[0] === "rooms" ? plan.value.rooms[thing[1]] : undefined;
  return found ? [thing![1], found] : null;
});
const wallsOf = (r: Room) => [...new Set(r.walls)].map((id) => bench.construction(id)?.name ?? id).join(", ");
const sizeOf = (r: Room) => {
  const box = boundsOf(r.corners);
  return lengths.size(box.east - box.west, box.north - box.south);
};

async function addTyped() {
  trouble.value = null;
  if (!bench.floor) return;
  const text = typed.value;
  try {
    await bench.stored();
    const proposal = await answer(
      api.POST("/api/plans/{id}/typed-room", {
        params: { path: { id: bench.id } },
        body: { floor: bench.floor, text },
      }),
    );
    if (await bench.edit(proposal.edits, proposal.label)) {
      // the next room may already be on its way into the field
      if (typed.value === text) typed.value = "";
      bench.select(proposal.edits[0]!.path);
    }
  } catch (e) {
    trouble.value = e instanceof Problem ? e.message.split(" /text ")[0]! : String(e);
  }
}

interface RoomRow {
  id: string;
  r: Room;
}
const roomRows = computed<RoomRow[]>(() => rooms.value.map(([id, r]) => ({ id, r })));
const USES = ["LIVING", "SLEEPING", "WORK", "WET", "PASSAGE", "STORE"];
const CLUTTERS = ["EMPTY", "FURNISHED", "CROWDED"];
const EXPOSURES = ["DRY", "DAMP", "OUTDOOR", "FREEZING"];
const chosenOf = (
  id: "use" | "clutter" | "exposure",
  head: string,
  values: string[],
  hidden = false,
): TableColumn<RoomRow> => ({
  id,
  head,
  hidden,
  value: (row) => words(row.r[id]),
  edit: {
    raw: (row) => row.r[id],
    ops: (row, value) => [typedCell(["rooms", row.id, id], value)],
    choices: () => values.map((v) => [v, words(v)]),
  },
});
const roomColumns: TableColumn<RoomRow>[] = [
  {
    id: "name",
    head: "Room",
    wide: true,
    value: (row) => row.r.name,
    edit: {
      raw: (row) => row.r.name,
      ops: (row, value) => [typedCell(["rooms", row.id, "name"], value)],
    },
  },
  { id: "size", head: "Size", value: (row) => sizeOf(row.r) },
  {
    id: "area",
    head: "Area, m²",
    numeric: true,
    value: (row) => areaOf(row.r.corners),
    shown: (row) => shown(areaOf(row.r.corners), 1),
  },
  {
    id: "corner",
    head: "South-west",
    value: (row) => {
      const { west, south } = boundsOf(row.r.corners);
      return `${lengths.length(west)}, ${lengths.length(south)}`;
    },
  },
  chosenOf("use", "Use", USES),
  { id: "walls", head: "Walls", wide: true, value: (row) => wallsOf(row.r) },
  chosenOf("clutter", "Furniture", CLUTTERS, true),
  chosenOf("exposure", "Exposure", EXPOSURES, true),
];
const fresh = reactive({ name: "", building: "" });
/** A new floor stands on the highest of its building. */
async function addFloor() {
  const building = fresh.building || Object.keys(plan.value.buildings)[0]!;
  const tops = Object.values(plan.value.floors)
    .filter((f) => f.building === building)
    .map((f) => f.baseM + f.heightM + 0.3);
  const id = freeId(fresh.name, plan.value.floors);
  const baseM = tops.length ? Math.round(Math.max(...tops) * 100) / 100 : 0;
  const value = { building, name: fresh.name, baseM, heightM: 2.5, slab: "timber-floor" };
  if (await bench.edit([added(["floors", id], value)], `floor ${fresh.name}`)) {
    bench.floor = id;
    fresh.name = "";
  }
}
const current = computed(() =>
  bench.floor && bench.floor !== "site" ? plan.value.floors[bench.floor] : undefined,
);
const WELL = { xM: "East, m", yM: "North, m", widthM: "Width, m", depthM: "Depth, m" } as const;
const wells = computed(() =>
  Object.entries(plan.value.stairwells).filter(([, s]) => s.floor === bench.floor),
);
function addWell() {
  const first = rooms.value[0]?.[1];
  const box = first ? boundsOf(first.corners) : { west: 0, south: 0, east: 4, north: 4 };
  const value = { floor: bench.floor, xM: box.west + 0.5, yM: box.south + 0.5, widthM: 1, depthM: 2.4 };
  const id = freeId(`stairs ${bench.floor}`, plan.value.stairwells);
  void bench.edit([added(["stairwells", id], value)], "stairwell");
}
const setFloor = <F extends FieldOf<"floors">>(field: F, value: ValueOf<"floors", F>) =>
  bench.put<["floors", string, F]>(["floors", bench.floor!, field], value, `floor ${current.value!.name}`);
function removeFloor() {
  void bench.edit([removed("floors", bench.floor!)], `remove floor ${current.value!.name}`);
}
</script>

<template>
  <div class="panel-body">
    <form v-if="bench.floor !== 'site'" class="row" @submit.prevent="addTyped">
      <label class="field grow">
        Type a room: name, width x depth, @ east,north, wall
        <input v-model="typed" placeholder="scullery 6.2x4.8 @ 7,0 brick" maxlength="200" required />
      </label>
      <button type="submit" class="act">Add room</button>
    </form>
    <p v-if="trouble" class="bad" role="alert">{{ trouble }}</p>

    <template v-if="bench.floor !== 'site'">
      <RoomInspector v-if="room" :id="room[0]" :key="room[0]" :room="room[1]" />
      <DataTable
        v-if="rooms.length"
        id="rooms"
        label="Rooms on the sheet"
        :rows="roomRows"
        :key-of="(r: RoomRow) => r.id"
        :name-of="(r: RoomRow) => r.r.name"
        :columns="roomColumns"
        :current="room?.[0]"
        @open="(id: string) => bench.select(pointer('rooms', id))"
      />
      <div v-if="current" :key="bench.floor!" class="row">
        <EditField label="This floor" :value="current.name" :save="(v: string) => setFloor('name', v)" />
        <EditField
          label="Level, m"
          numeric
          :value="current.baseM"
          :save="(v: number) => setFloor('baseM', v)"
        />
        <EditField
          label="Height, m"
          numeric
          :value="current.heightM"
          :save="(v: number) => setFloor('heightM', v)"
        />
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
      <div v-for="[id, s] in wells" :key="id" class="row">
        <span class="field">Stairwell in its slab</span>
        <EditField
          v-for="(head, f) in WELL"
          :key="f"
          numeric
          :label="head"
          :value="s[f]"
          :save="(v: number) => bench.put(['stairwells', id, f], v, 'stairwell')"
        />
        <button
          type="button"
          class="soft"
          @click="bench.edit([{ op: 'remove', path: pointer('stairwells', id) }], 'remove stairwell')"
        >
          Remove stairwell
        </button>
      </div>
      <div v-if="current" class="row">
        <button type="button" class="soft" @click="addWell">Add a stairwell in the slab of this floor</button>
      </div>
    </template>
    <Surroundings v-else />
    <form class="row" @submit.prevent="addFloor">
      <label class="field"
        >New floor<input v-model="fresh.name" required maxlength="120" placeholder="bin loft"
      /></label>
      <label v-if="Object.keys(plan.buildings).length > 1" class="field">
        In
        <select v-model="fresh.building">
          <option value="">{{ Object.values(plan.buildings)[0]?.name }}</option>
          <option v-for="(b, id) in plan.buildings" :key="id" :value="id">{{ b.name }}</option>
        </select>
      </label>
      <button type="submit" class="soft">Add floor</button>
    </form>
  </div>
</template>

<style scoped src="../panel.css"></style>
