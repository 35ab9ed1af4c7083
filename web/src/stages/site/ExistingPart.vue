<script setup lang="ts">
import { added, removed, replaced, typed } from "../../plan/patch";
import { computed, onMounted, reactive } from "vue";
import type { Op, Schemas } from "../../api/client";
import EditField from "../../app/EditField.vue";
import { choice } from "../../app/typed";
import { shown, words } from "../../drawing/marks";
import { chosenGround, firstChoice } from "../../drawing/moves";
import { freeId, nameAt, pointer, thingOf } from "../../plan/pointers";
import { command } from "../../plan/commands";
import { useBench } from "../../plan/store";
import { useParts } from "../controllers/parts";
import PlaceFields from "../PlaceFields.vue";
import WhereSelect from "../WhereSelect.vue";

/** What is in the house already, and whether cables can still go into the walls. */
const bench = useBench();
const parts = useParts();
onMounted(() => void parts.load());
const plan = computed(() => bench.plan!);
const fittings = computed(() => Object.entries(plan.value.fittings));
const cables = computed(() => Object.entries(plan.value.cables));
const routes = computed(() => Object.entries(plan.value.routes));
const owned = computed(() => Object.entries(plan.value.owned));
const chosen = computed(() => (thingOf(bench.selection)?.[0] === "fittings" ? bench.selection : null));
const KINDS = ["OUTLET", "DATA_POINT", "WIRING_CENTRE"] as const;
const CABLE_KINDS = ["twisted pair", "two-core 1.5 mm²", "alarm cable", "coaxial", "empty pipe"];
const roomOf = (place: Schemas["Place"] | null) =>
  place?.room
    ? plan.value.rooms[place.room]?.name
    : place?.spot
      ? plan.value.spots[place.spot]?.name
      : "nowhere";
const put = (
  map: "fittings" | "cables" | "owned" | "routes",
  id: string,
  field: string,
  value: string | number | null,
) => bench.edit([typed([map, id, field], value)], `${words(field)} of ${plan.value[map][id]!.name}`);
function remove(map: "fittings" | "cables" | "owned" | "routes", id: string) {
  const ops: Op[] = [];
  if (map === "fittings") {
    for (const [key, c] of cables.value) {
      for (const end of ["from", "to"] as const) {
        if (c[end] === id) ops.push(replaced(["cables", key, end], null));
      }
    }
  }
  ops.push(removed(map, id));
  void bench.edit(ops, `remove ${plan.value[map][id]!.name}`);
}

const fitting = reactive({ name: "", kind: "OUTLET" as Schemas["Fitting"]["kind"], where: "" });
async function addFitting() {
  const where = fitting.where || firstChoice(plan.value, bench.floor, bench.selection);
  const asked = { name: fitting.name, kind: fitting.kind, ...chosenGround(where) };
  if (await command("add-fitting", asked)) fitting.name = "";
}
const cable = reactive({ name: "", kind: CABLE_KINDS[0]!, pairs: 4 });
async function addCable() {
  const id = freeId(cable.name, plan.value.cables);
  const value = { ...cable, from: null, to: null, freePairs: cable.pairs };
  if (await bench.edit([added(["cables", id], value)], `cable ${cable.name}`)) cable.name = "";
}
const part = reactive({ name: "", count: 1 });
async function addPart() {
  const id = freeId(part.name, plan.value.owned);
  const value = { ...part, kind: null, medium: null, part: null };
  if (await bench.edit([added(["owned", id], value)], `part ${part.name}`)) part.name = "";
}
const route = reactive({ name: "", points: "" });
async function addRoute() {
  const points = route.points
    .split(/[;\s]+/)
    .filter(Boolean)
    .map((pair) => pair.split(",").map(Number))
    .map(([xM, yM]) => ({ xM: xM ?? NaN, yM: yM ?? NaN }));
  if (points.some((p) => !Number.isFinite(p.xM) || !Number.isFinite(p.yM))) {
    bench.message = "Write the bends of a route as pairs of metres: 0,0 4.2,0 4.2,3.";
    return;
  }
  const id = freeId(route.name, plan.value.routes);
  const value = { name: route.name, floor: bench.floor, points };
  if (await bench.edit([added(["routes", id], value)], `route ${route.name}`)) {
    route.name = route.points = "";
  }
}
const work = computed(() => plan.value.wallWork);
const setOpen = (event: Event) => {
  const said = (event.target as HTMLSelectElement).value;
  const value = said === "" ? null : { open: said === "open", closesOn: work.value?.closesOn ?? null };
  void bench.put(["wallWork"], value, "open walls");
};
const setDay = (event: Event) =>
  bench.put(
    ["wallWork", "closesOn"],
    (event.target as HTMLInputElement).value || null,
    "day the walls close",
  );
</script>

<template>
  <div class="panel-body">
    <div class="row">
      <label class="field">
        The walls are
        <select :value="work === null ? '' : work.open ? 'open' : 'closed'" @change="setOpen">
          <option value="">not said</option>
          <option value="open">open: cables can go in</option>
          <option value="closed">closed</option>
        </select>
      </label>
      <label v-if="work?.open" class="field">
        They close on<input type="date" :value="work.closesOn ?? ''" @change="setDay" />
      </label>
    </div>
    <div v-if="chosen" class="row">
      <span>{{ nameAt(plan, chosen) }}</span>
      <PlaceFields :path="chosen" :holder="`${chosen}/place`" />
    </div>
    <table>
      <caption class="unseen">
        Outlets, data points and wiring centres
      </caption>
      <thead>
        <tr>
          <th>Outlet, data point, wiring centre</th>
          <th>Kind</th>
          <th>In</th>
          <th>Circuit</th>
          <th><span class="unseen">Remove</span></th>
        </tr>
      </thead>
      <tbody>
        <tr
          v-for="[id, f] in fittings"
          :key="id"
          :class="{ chosen: bench.selection === pointer('fittings', id) }"
        >
          <td>
            <EditField
              bare
              :label="`Name of ${f.name}`"
              :value="f.name"
              :save="(v: string) => put('fittings', id, 'name', v)"
            />
          </td>
          <td>{{ words(f.kind) }}</td>
          <td>
            <button
              type="button"
              class="plain"
              :aria-label="`${roomOf(f.place)}: place of ${f.name}`"
              @click="bench.select(pointer('fittings', id))"
            >
              {{ roomOf(f.place) }}
            </button>
            <span v-if="f.place" class="quiet at">
              {{ shown(f.place.xM, 1) }}, {{ shown(f.place.yM, 1) }} m</span
            >
          </td>
          <td>
            <select
              v-if="f.kind === 'OUTLET'"
              :aria-label="`Circuit of ${f.name}`"
              :value="f.circuit ?? ''"
              @change="put('fittings', id, 'circuit', choice($event))"
            >
              <option value="">not known</option>
              <option v-for="(c, key) in plan.circuits" :key="key" :value="key">{{ c.name }}</option>
            </select>
          </td>
          <td>
            <button
              type="button"
              class="plain"
              :aria-label="`Remove ${f.name}`"
              @click="remove('fittings', id)"
            >
              Remove
            </button>
          </td>
        </tr>
      </tbody>
    </table>
    <form class="row" @submit.prevent="addFitting">
      <label class="field"
        >Name<input v-model="fitting.name" required maxlength="120" placeholder="outlet by the range"
      /></label>
      <label class="field">
        Kind
        <select v-model="fitting.kind">
          <option v-for="k in KINDS" :key="k" :value="k">{{ words(k) }}</option>
        </select>
      </label>
      <WhereSelect v-model="fitting.where" label="In" none="the room in view" />
      <button type="submit" class="soft">Add it</button>
    </form>

    <table v-if="cables.length">
      <caption class="unseen">
        Cables in the walls
      </caption>
      <thead>
        <tr>
          <th>Cable in the wall</th>
          <th>Kind</th>
          <th>From</th>
          <th>To</th>
          <th>Pairs or cores</th>
          <th>Free</th>
          <th><span class="unseen">Remove</span></th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="[id, c] in cables" :key="id">
          <td>{{ c.name }}</td>
          <td>{{ c.kind }}</td>
          <td v-for="end in ['from', 'to'] as const" :key="end">
            <select
              :aria-label="`${end} of ${c.name}`"
              :value="c[end] ?? ''"
              @change="put('cables', id, end, choice($event))"
            >
              <option value="">not known</option>
              <option v-for="[key, f] in fittings" :key="key" :value="key">{{ f.name }}</option>
            </select>
          </td>
          <td>
            <EditField
              bare
              numeric
              :label="`Pairs of ${c.name}`"
              :value="c.pairs"
              :save="(v: number) => put('cables', id, 'pairs', v)"
            />
          </td>
          <td>
            <EditField
              bare
              numeric
              :label="`Free pairs of ${c.name}`"
              :value="c.freePairs"
              :save="(v: number) => put('cables', id, 'freePairs', v)"
            />
          </td>
          <td>
            <button
              type="button"
              class="plain"
              :aria-label="`Remove ${c.name}`"
              @click="remove('cables', id)"
            >
              Remove
            </button>
          </td>
        </tr>
      </tbody>
    </table>
    <form class="row" @submit.prevent="addCable">
      <label class="field"
        >Cable<input v-model="cable.name" required maxlength="120" placeholder="old telephone line"
      /></label>
      <label class="field">
        Kind
        <select v-model="cable.kind">
          <option v-for="k in CABLE_KINDS" :key="k">{{ k }}</option>
        </select>
      </label>
      <label class="field"
        >Pairs or cores<input v-model.number="cable.pairs" class="short" type="number" min="1" max="200"
      /></label>
      <button type="submit" class="soft">Add cable</button>
    </form>

    <ul v-if="routes.length" class="plain-list">
      <li v-for="[id, r] in routes" :key="id">
        {{ r.name }} <span class="quiet">{{ plan.floors[r.floor]?.name }}, {{ r.points.length }} points</span>
        <button type="button" class="plain" :aria-label="`Remove ${r.name}`" @click="remove('routes', id)">
          Remove
        </button>
      </li>
    </ul>
    <form v-if="bench.floor !== 'site'" class="row" @submit.prevent="addRoute">
      <label class="field"
        >Cable route on this floor<input
          v-model="route.name"
          required
          maxlength="120"
          placeholder="skirting, north"
      /></label>
      <label class="field grow">
        Bends, east,north in metres<input v-model="route.points" required placeholder="0,0 4.2,0 4.2,3" />
      </label>
      <button type="submit" class="soft">Add route</button>
    </form>

    <ul v-if="owned.length" class="plain-list">
      <li v-for="[id, o] in owned" :key="id">
        {{ o.count }} × {{ o.name }}
        <select
          :aria-label="`Part of the catalogue that ${o.name} is`"
          :value="o.part ?? ''"
          @change="put('owned', id, 'part', choice($event))"
        >
          <option value="">not in the catalogue</option>
          <option v-for="p in parts.all" :key="p.id" :value="p.id">{{ p.name }}</option>
        </select>
        <button type="button" class="plain" :aria-label="`Remove ${o.name}`" @click="remove('owned', id)">
          Remove
        </button>
      </li>
    </ul>
    <form class="row" @submit.prevent="addPart">
      <label class="field"
        >Part in the drawer<input
          v-model="part.name"
          required
          maxlength="120"
          placeholder="four-way relay board"
      /></label>
      <label class="field"
        >How many<input v-model.number="part.count" class="short" type="number" min="1" max="10000"
      /></label>
      <button type="submit" class="soft">Add part</button>
    </form>
  </div>
</template>

<style scoped src="../panel.css"></style>
<style scoped>
.at {
  margin-left: 6px;
}
.plain-list {
  margin: 0;
  padding-left: 18px;
}
</style>
