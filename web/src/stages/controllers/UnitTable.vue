<script setup lang="ts">
import { computed, nextTick, reactive, ref, watch } from "vue";
import { answer, api, type Op, type Unit } from "../../api/client";
import { firstChoice, placeChosen } from "../../drawing/moves";
import { UNIT_WORDS, words } from "../../drawing/marks";
import { freeId, pointer, thingOf } from "../../plan/pointers";
import { alone, carries, is } from "../../plan/units";
import { useBench } from "../../plan/store";
import ThingActions from "../../plan/ThingActions.vue";
import DataTable from "../../table/DataTable.vue";
import { unitColumns, type UnitRow } from "./columns";
import WhereSelect from "../WhereSelect.vue";
import Circuits from "./Circuits.vue";
import { RADIO_IDS, RADIOS, type RadioMedium } from "./media";
import UnitInspector from "./UnitInspector.vue";

const bench = useBench();
const plan = computed(() => bench.plan!);
const KINDS = [
  "CONTROLLER",
  "ROUTER",
  "SWITCH",
  "ACCESS_POINT",
  "GATEWAY",
  "HUB",
  "PANEL",
  "SUPPLY",
  "KEYPAD",
  "HANDSET",
  "WALL_TABLET",
  "ASSISTANT",
  "CAMERA",
  "RECORDER",
  "INFRARED_SENDER",
  "COUPLER",
] as const;
/** The radio that a kind of unit mostly comes with. */
const COMES_WITH: Partial<Record<Unit["kind"], RadioMedium>> = {
  ACCESS_POINT: "WIFI_2G4",
  WALL_TABLET: "WIFI_2G4",
  ASSISTANT: "WIFI_2G4",
  CAMERA: "WIFI_2G4",
  INFRARED_SENDER: "WIFI_2G4",
  KEYPAD: "SUB_GHZ",
  HANDSET: "SUB_GHZ",
};
/** The first router is most people's only access point. */
const firstWireless = computed(
  () => !Object.values(plan.value.units).some((u) => is(u, "ROUTER") || is(u, "ACCESS_POINT")),
);
const carriesDevices = (kind: Unit["kind"]) =>
  ["CONTROLLER", "PANEL", "KEYPAD", "HANDSET", "INFRARED_SENDER"].includes(kind);
const mediumName = (id: string) => bench.catalog!.media.find((m) => m.id === id)?.name ?? words(id);

const fresh = reactive({
  kind: "CONTROLLER" as (typeof KINDS)[number],
  name: "",
  where: firstChoice(plan.value, bench.floor, bench.selection),
  medium: "MESH_802154" as RadioMedium,
});
watch(
  () => bench.floor,
  () => (fresh.where = firstChoice(plan.value, bench.floor, bench.selection)),
);
const hubs = computed(() => Object.entries(plan.value.units).filter(([, u]) => is(u, "HUB")));

const radio = (medium: RadioMedium, kind: Unit["kind"]) =>
  answer(api.GET("/api/catalog/radio", { params: { query: { medium, region: plan.value.region, kind } } }));

async function add() {
  await bench.guarded(async () => {
    const id = freeId(fresh.name, { ...plan.value.units, ...plan.value.devices });
    const isHub = fresh.kind === "HUB";
    const wireless = fresh.kind === "ACCESS_POINT" || (fresh.kind === "ROUTER" && firstWireless.value);
    const medium =
      fresh.kind === "GATEWAY" ? fresh.medium : wireless ? "WIFI_2G4" : (COMES_WITH[fresh.kind] ?? null);
    const radios = medium ? { [RADIO_IDS[medium]]: await radio(medium, fresh.kind) } : {};
    const value = {
      name: fresh.name,
      kind: fresh.kind,
      place: placeChosen(plan.value, fresh.where, fresh.kind === "ACCESS_POINT" ? 2.2 : 1.4),
      power: {
        source: fresh.kind === "HANDSET" ? "BATTERY" : "MAINS",
        circuit: fresh.kind === "HANDSET" ? null : (Object.keys(plan.value.circuits)[0] ?? null),
        from: null,
        backupH: 0,
        wishH: null,
        part: null,
        count: null,
        feed: null,
      },
      channels: carriesDevices(fresh.kind) ? 8 : 0,
      maxClients: wireless ? 30 : 0,
      internetEntry: fresh.kind === "ROUTER",
      broker: isHub,
      hub: carriesDevices(fresh.kind) || fresh.kind === "CAMERA" ? (hubs.value[0]?.[0] ?? null) : null,
      radios,
      ipv4: null,
      mac: null,
      nodeId: null,
    };
    const ops: Op[] = [{ op: "add", path: pointer("units", id), value }];
    if (isHub && hubs.value.length === 0) {
      // the first hub serves what waited for one
      for (const [other, u] of Object.entries(plan.value.units)) {
        if ((carries(u) || alone(u)) && !u.hub) {
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
const rows = computed<UnitRow[]>(() => Object.entries(plan.value.units).map(([id, u]) => ({ id, u })));
const chosen = ref<string[]>([]);
const all = unitColumns();
const inspected = ref<InstanceType<typeof UnitInspector> | null>(null);
const open = (id: string, whole: boolean) => {
  bench.select(pointer("units", id));
  if (whole) void nextTick(() => (inspected.value?.$el as HTMLElement)?.scrollIntoView?.({ block: "start" }));
};
/** What is the matter with units is a column while something is. */
const columns = computed(() =>
  Object.keys(bench.shown?.troubles ?? {}).length ? all : all.filter((c) => c.id !== "now"),
);
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
      <WhereSelect v-model="fresh.where" label="Where" none="nowhere yet" />
      <button type="submit" class="act">Add unit</button>
    </form>
    <UnitInspector v-if="unit" :id="unit[0]" ref="inspected" :key="unit[0]" :unit="unit[1]" />
    <p v-if="rows.length === 0" class="quiet">
      No unit yet. Begin with the router where the internet comes in, a hub, and the first controller.
    </p>
    <DataTable
      v-else
      id="units"
      v-model:chosen="chosen"
      label="All units"
      :rows="rows"
      :key-of="(r: UnitRow) => r.id"
      :name-of="(r: UnitRow) => r.u.name"
      :columns="columns"
      :current="unit?.[0]"
      @open="open"
    >
      <template #selected="{ rows: picked, clear }">
        <ThingActions :units="picked.map((r) => r.id)" :devices="[]" :clear="clear" />
      </template>
    </DataTable>
    <Circuits />
  </div>
</template>

<style scoped src="../panel.css"></style>
