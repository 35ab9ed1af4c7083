<script setup lang="ts">
import { computed, reactive } from "vue";
import type { Op, Unit } from "../../api/client";
import { middleOf } from "../../drawing/moves";
import { UNIT_WORDS, words } from "../../drawing/marks";
import { freeId, pointer, thingOf } from "../../plan/pointers";
import { answer, api } from "../../api/client";
import { useBench } from "../../plan/store";
import PlaceFields from "../PlaceFields.vue";

const bench = useBench();
const plan = computed(() => bench.plan!);
const text = (event: Event) => (event.target as HTMLInputElement).value;
const ticked = (event: Event) => (event.target as HTMLInputElement).checked;
const KINDS = ["CONTROLLER", "ROUTER", "SWITCH", "ACCESS_POINT", "GATEWAY", "HUB"] as const;
const RADIOS = ["WIFI_2G4", "MESH_802154", "SUB_GHZ", "CHIRP"] as const;
const RADIO_IDS = { WIFI_2G4: "wifi", MESH_802154: "mesh", SUB_GHZ: "subghz", CHIRP: "chirp" };
const mediumName = (id: string) => bench.catalog!.media.find((m) => m.id === id)?.name ?? words(id);

const fresh = reactive({
  kind: "CONTROLLER" as (typeof KINDS)[number],
  name: "",
  room: "",
  medium: "MESH_802154" as (typeof RADIOS)[number],
});
const roomsHere = computed(() =>
  Object.entries(plan.value.rooms).sort(
    (a, b) => Number(b[1].floor === bench.floor) - Number(a[1].floor === bench.floor),
  ),
);
const hubs = computed(() => Object.entries(plan.value.units).filter(([, u]) => u.kind === "HUB"));

const radio = (medium: (typeof RADIOS)[number], kind: Unit["kind"]) =>
  answer(api.GET("/api/catalog/radio", { params: { query: { medium, region: plan.value.region, kind } } }));

async function add() {
  await bench.guarded(async () => {
    const room = fresh.room || roomsHere.value[0]?.[0] || "";
    const count = Object.values(plan.value.units).filter((u) => u.place?.room === room).length;
    const id = freeId(fresh.name, { ...plan.value.units, ...plan.value.devices });
    const isHub = fresh.kind === "HUB";
    const medium =
      fresh.kind === "ACCESS_POINT" ? "WIFI_2G4" : fresh.kind === "GATEWAY" ? fresh.medium : null;
    const radios = medium ? { [RADIO_IDS[medium]]: await radio(medium, fresh.kind) } : {};
    const value = {
      name: fresh.name,
      kind: fresh.kind,
      place: room ? middleOf(plan.value, room, fresh.kind === "ACCESS_POINT" ? 2.2 : 1.4, count + 1) : null,
      power: {
        source: "MAINS",
        circuit: Object.keys(plan.value.circuits)[0] ?? null,
        from: null,
        backupH: 0,
      },
      channels: fresh.kind === "CONTROLLER" ? 8 : 0,
      maxClients: fresh.kind === "ACCESS_POINT" ? 30 : 0,
      internetEntry: fresh.kind === "ROUTER",
      broker: isHub,
      hub: fresh.kind === "CONTROLLER" ? (hubs.value[0]?.[0] ?? null) : null,
      radios,
      ipv4: null,
      mac: null,
      nodeId: null,
    };
    const ops: Op[] = [{ op: "add", path: pointer("units", id), value }];
    if (isHub && hubs.value.length === 0) {
      // the first hub serves what waited for one
      for (const [other, u] of Object.entries(plan.value.units)) {
        if ((u.kind === "CONTROLLER" || u.kind === "SELF_CONTAINED") && !u.hub) {
          ops.push({ op: "replace", path: pointer("units", other, "hub"), value: id });
        }
      }
    }
    if (await bench.edit(ops, `add ${fresh.name}`)) {
      fresh.name = "";
      bench.select(pointer("units", id));
    }
  });
}

const unit = computed<[string, Unit] | null>(() => {
  const thing = thingOf(bench.selection);
  if (!thing) return null;
  const id =
    thing[0] === "units" ? thing[1] : thing[0] === "devices" ? plan.value.devices[thing[1]]?.unit : null;
  const found = id ? plan.value.units[id] : undefined;
  return found ? [id!, found] : null;
});
const label = (what: string) => `${what} of ${unit.value![1].name}`;
const set = (field: string, value: unknown) =>
  bench.edit(
    [{ op: "replace", path: `${pointer("units", unit.value![0])}/${field}`, value }],
    label(words(field.split("/").pop()!)),
  );

function setNumber(field: string, raw: string) {
  const value = Number(raw);
  if (raw.trim() !== "" && Number.isFinite(value)) void set(field, value);
}

function setSource(source: string) {
  const circuit = source === "MAINS" ? (Object.keys(plan.value.circuits)[0] ?? null) : null;
  const from =
    source === "ETHERNET"
      ? (Object.entries(plan.value.units).find(([, u]) => u.kind === "SWITCH")?.[0] ?? null)
      : null;
  void set("power", { source, circuit, from, backupH: unit.value![1].power.backupH });
}

async function addRadio(medium: string) {
  if (!medium) return;
  await bench.guarded(async () => {
    const known = medium as (typeof RADIOS)[number];
    const value = await radio(known, unit.value![1].kind);
    await bench.edit(
      [{ op: "add", path: pointer("units", unit.value![0], "radios", RADIO_IDS[known]), value }],
      label("radio"),
    );
  });
}

const attached = computed(() =>
  Object.entries(plan.value.devices).filter(([, d]) => d.unit === unit.value?.[0]),
);
const loose = computed(() => Object.entries(plan.value.devices).filter(([, d]) => d.unit === null));

function attach(id: string) {
  if (!id) return;
  const used = new Set(attached.value.map(([, d]) => d.channel));
  let channel = 1;
  while (used.has(channel)) channel++;
  const free = channel <= unit.value![1].channels ? channel : null;
  void bench.edit(
    [
      { op: "replace", path: pointer("devices", id, "unit"), value: unit.value![0] },
      { op: "replace", path: pointer("devices", id, "channel"), value: free },
    ],
    `attach ${plan.value.devices[id]!.name}`,
  );
}
const detach = (id: string) =>
  bench.edit(
    [
      { op: "replace", path: pointer("devices", id, "unit"), value: null },
      { op: "replace", path: pointer("devices", id, "channel"), value: null },
    ],
    `detach ${plan.value.devices[id]!.name}`,
  );
const setChannel = (id: string, raw: string) =>
  bench.edit(
    [
      {
        op: "replace",
        path: pointer("devices", id, "channel"),
        value: raw.trim() === "" ? null : Number(raw),
      },
    ],
    `channel of ${plan.value.devices[id]!.name}`,
  );

function remove() {
  const [id, u] = unit.value!;
  const ops: Op[] = [];
  for (const [link, l] of Object.entries(plan.value.links)) {
    if (l.from === id || l.to === id) ops.push({ op: "remove", path: pointer("links", link) });
  }
  for (const [other, d] of Object.entries(plan.value.devices)) {
    if (d.unit === id) {
      ops.push({ op: "replace", path: pointer("devices", other, "unit"), value: null });
      ops.push({ op: "replace", path: pointer("devices", other, "channel"), value: null });
    }
  }
  for (const [other, o] of Object.entries(plan.value.units)) {
    if (o.hub === id) ops.push({ op: "replace", path: pointer("units", other, "hub"), value: null });
    if (o.power.from === id)
      ops.push({ op: "replace", path: pointer("units", other, "power", "from"), value: null });
  }
  ops.push({ op: "remove", path: pointer("units", id) });
  void bench.edit(ops, `remove ${u.name}`);
}

const roomOf = (u: Unit) =>
  u.place?.room
    ? plan.value.rooms[u.place.room]?.name
    : u.place?.spot
      ? plan.value.spots[u.place.spot]?.name
      : "nowhere yet";
const power = (u: Unit) =>
  u.power.source === "MAINS"
    ? (plan.value.circuits[u.power.circuit ?? ""]?.name ?? "mains")
    : u.power.source === "BATTERY"
      ? "battery"
      : `Ethernet from ${plan.value.units[u.power.from ?? ""]?.name ?? "nothing"}`;
const rows = computed(() => Object.entries(plan.value.units).filter(([, u]) => u.kind !== "SELF_CONTAINED"));
const newCircuit = reactive({ name: "" });
function addCircuit() {
  const id = freeId(newCircuit.name, plan.value.circuits);
  void bench.edit(
    [{ op: "add", path: pointer("circuits", id), value: { name: newCircuit.name } }],
    `circuit ${newCircuit.name}`,
  );
  newCircuit.name = "";
}
</script>

<template>
  <div class="panel-body">
    <form class="row" @submit.prevent="add">
      <label class="field">
        Kind
        <select v-model="fresh.kind">
          <option v-for="k in KINDS" :key="k" :value="k">{{ UNIT_WORDS[k] }}</option>
        </select>
      </label>
      <label v-if="fresh.kind === 'GATEWAY'" class="field">
        For
        <select v-model="fresh.medium">
          <option v-for="m in RADIOS.slice(1)" :key="m" :value="m">{{ mediumName(m) }}</option>
        </select>
      </label>
      <label class="field grow"
        >Name<input v-model="fresh.name" required maxlength="120" placeholder="scullery relay board"
      /></label>
      <label class="field">
        Room
        <select v-model="fresh.room">
          <option value="">{{ roomsHere[0]?.[1].name ?? "no room yet" }}</option>
          <option v-for="[id, r] in roomsHere" :key="id" :value="id">{{ r.name }}</option>
        </select>
      </label>
      <button type="submit" class="act">Add unit</button>
    </form>
    <section v-if="unit" class="inspect" aria-label="Selected unit">
      <h3>
        {{ unit[1].name }} <span class="quiet">{{ UNIT_WORDS[unit[1].kind] }}</span>
      </h3>
      <div class="row">
        <label class="field">Name<input :value="unit[1].name" @change="set('name', text($event))" /></label>
        <PlaceFields :path="pointer('units', unit[0])" :holder="pointer('units', unit[0], 'place')" />
      </div>
      <div class="row">
        <label class="field">
          Power
          <select :value="unit[1].power.source" @change="setSource(text($event))">
            <option value="MAINS">mains</option>
            <option value="BATTERY">battery</option>
            <option value="ETHERNET">over Ethernet</option>
          </select>
        </label>
        <label v-if="unit[1].power.source === 'MAINS'" class="field">
          Circuit
          <select :value="unit[1].power.circuit ?? ''" @change="set('power/circuit', text($event) || null)">
            <option v-for="(c, id) in plan.circuits" :key="id" :value="id">{{ c.name }}</option>
          </select>
        </label>
        <label v-if="unit[1].power.source === 'ETHERNET'" class="field">
          Fed by
          <select :value="unit[1].power.from ?? ''" @change="set('power/from', text($event) || null)">
            <option value="">nothing yet</option>
            <template v-for="(u, id) in plan.units" :key="id">
              <option v-if="u.kind === 'SWITCH' || u.kind === 'ROUTER'" :value="id">{{ u.name }}</option>
            </template>
          </select>
        </label>
        <label class="field"
          >Own backup, h<input
            class="short"
            inputmode="decimal"
            :value="unit[1].power.backupH"
            @change="setNumber('power/backupH', text($event))"
        /></label>
        <label v-if="unit[1].kind === 'CONTROLLER'" class="field"
          >Channels<input
            class="short"
            inputmode="numeric"
            :value="unit[1].channels"
            @change="setNumber('channels', text($event))"
        /></label>
        <label v-if="unit[1].kind === 'ACCESS_POINT'" class="field"
          >Clients at most<input
            class="short"
            inputmode="numeric"
            :value="unit[1].maxClients"
            @change="setNumber('maxClients', text($event))"
        /></label>
        <label v-if="unit[1].kind === 'CONTROLLER' || unit[1].kind === 'SELF_CONTAINED'" class="field">
          Served by
          <select :value="unit[1].hub ?? ''" @change="set('hub', text($event) || null)">
            <option value="">no hub</option>
            <option v-for="[id, h] in hubs" :key="id" :value="id">{{ h.name }}</option>
          </select>
        </label>
        <label v-if="unit[1].kind === 'HUB'" class="tick"
          ><input type="checkbox" :checked="unit[1].broker" @change="set('broker', ticked($event))" /> carries
          the broker</label
        >
        <label v-if="unit[1].kind === 'ROUTER' || unit[1].kind === 'HUB'" class="tick"
          ><input
            type="checkbox"
            :checked="unit[1].internetEntry"
            @change="set('internetEntry', ticked($event))"
          />
          internet entry</label
        >
        <button type="button" class="soft" @click="remove">Remove unit</button>
      </div>
      <div v-for="(r, id) in unit[1].radios" :key="id" class="row">
        <b class="medium">{{ mediumName(r.medium) }}</b>
        <label class="field"
          >Frequency, MHz<input
            class="short"
            inputmode="decimal"
            :value="r.frequencyMHz"
            @change="setNumber(`radios/${id}/frequencyMHz`, text($event))"
        /></label>
        <label class="field"
          >Power, dBm<input
            class="short"
            inputmode="decimal"
            :value="r.txPowerDbm"
            @change="setNumber(`radios/${id}/txPowerDbm`, text($event))"
        /></label>
        <label class="field"
          >Antenna, dBi<input
            class="short"
            inputmode="decimal"
            :value="r.antennaGainDbi"
            @change="setNumber(`radios/${id}/antennaGainDbi`, text($event))"
        /></label>
        <label v-if="r.chirp" class="field">
          Spreading factor
          <select
            :value="r.chirp.spreadingFactor"
            @change="setNumber(`radios/${id}/chirp/spreadingFactor`, text($event))"
          >
            <option v-for="sf in [6, 7, 8, 9, 10, 11, 12]" :key="sf" :value="sf">{{ sf }}</option>
          </select>
        </label>
        <label class="tick"
          ><input
            type="checkbox"
            :checked="r.metalBox"
            @change="set(`radios/${id}/metalBox`, ticked($event))"
          />
          in a metal box</label
        >
      </div>
      <div class="row">
        <label class="field">
          Add a radio
          <select value="" @change="addRadio(text($event))">
            <option value="">choose…</option>
            <template v-for="m in RADIOS" :key="m">
              <option v-if="!(RADIO_IDS[m] in unit[1].radios)" :value="m">{{ mediumName(m) }}</option>
            </template>
          </select>
        </label>
        <label v-if="unit[1].kind === 'CONTROLLER'" class="field">
          Attach a device
          <select value="" @change="attach(text($event))">
            <option value="">{{ loose.length ? "choose…" : "all are attached" }}</option>
            <option v-for="[id, d] in loose" :key="id" :value="id">{{ d.name }}</option>
          </select>
        </label>
      </div>
      <table v-if="unit[1].kind === 'CONTROLLER' && attached.length">
        <caption class="unseen">
          Devices on this controller
        </caption>
        <thead>
          <tr>
            <th>Channel</th>
            <th>Device</th>
            <th><span class="unseen">Detach</span></th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="[id, d] in attached" :key="id">
            <td>
              <input
                class="short"
                :aria-label="`Channel of ${d.name}`"
                inputmode="numeric"
                :value="d.channel"
                @change="setChannel(id, text($event))"
              />
            </td>
            <td>
              {{ d.name }} <span class="quiet">{{ words(d.kind) }}</span>
            </td>
            <td>
              <button type="button" class="plain" :aria-label="`Detach ${d.name}`" @click="detach(id)">
                Detach
              </button>
            </td>
          </tr>
        </tbody>
      </table>
    </section>
    <p v-if="rows.length === 0" class="quiet">
      No unit yet. Begin with the router where the internet comes in, a hub, and the first controller.
    </p>
    <table v-else>
      <caption class="unseen">
        All units
      </caption>
      <thead>
        <tr>
          <th>Unit</th>
          <th>Kind</th>
          <th>Where</th>
          <th>Power</th>
          <th class="number">Channels used</th>
          <th>Served by</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="[id, u] in rows" :key="id" :class="{ chosen: unit?.[0] === id }">
          <td>
            <button type="button" class="plain" @click="bench.select(pointer('units', id))">
              {{ u.name }}
            </button>
          </td>
          <td>{{ UNIT_WORDS[u.kind] }}</td>
          <td>{{ roomOf(u) }}</td>
          <td>{{ power(u) }}</td>
          <td class="number">
            {{
              u.kind === "CONTROLLER"
                ? `${Object.values(plan.devices).filter((d) => d.unit === id).length} of ${u.channels}`
                : ""
            }}
          </td>
          <td>{{ u.hub ? plan.units[u.hub]?.name : "" }}</td>
        </tr>
      </tbody>
    </table>
    <form class="row" @submit.prevent="addCircuit">
      <label class="field"
        >New mains circuit<input v-model="newCircuit.name" required maxlength="120"
      /></label>
      <button type="submit" class="soft">Add circuit</button>
      <span class="quiet"
        >Now:
        {{
          Object.values(plan.circuits)
            .map((c) => c.name)
            .join(", ")
        }}</span
      >
    </form>
  </div>
</template>

<style scoped src="../panel.css"></style>
<style scoped>
.medium {
  width: 130px;
  font-weight: 500;
}
</style>
