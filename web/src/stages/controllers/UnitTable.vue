<script setup lang="ts">
import { computed, nextTick, reactive, ref, watch } from "vue";
import type { Unit } from "../../api/client";
import { chosenGround, firstChoice } from "../../drawing/moves";
import { UNIT_WORDS, words } from "../../drawing/marks";
import { pointer, thingOf } from "../../plan/pointers";
import { is } from "../../plan/units";
import { useBench } from "../../plan/store";
import { addAndSelect } from "../../plan/commands";
import ThingActions from "../../plan/ThingActions.vue";
import DataTable from "../../table/DataTable.vue";
import { unitColumns, type UnitRow } from "./columns";
import WhereSelect from "../WhereSelect.vue";
import Circuits from "./Circuits.vue";
import { RADIOS, type RadioMedium } from "./media";
import NetworkLike from "./NetworkLike.vue";
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
async function add() {
  const { kind } = fresh;
  const medium = kind === "GATEWAY" ? fresh.medium : null;
  const asked = { kind, ...chosenGround(fresh.where), name: fresh.name, medium };
  if (await addAndSelect("add-unit", asked, "units", `add ${fresh.name}`)) fresh.name = "";
}

const unit = computed<[string, Unit] | null>(() => {
  const thing = thingOf(bench.selection);
  if (!thing) return null;
  const id =
    thing[0] === "units" ? thing[1] : thing[0] === "devices" ? plan.value.devices[thing[1]]?.unit : null;
  const found = id ? plan.value.units[id] : undefined;
  return found ? [id!, found] : null;
});
/** Whether a network is still to be made. */
const needed = computed(() => {
  const units = Object.values(plan.value.units);
  return !units.some((u) => u.internetEntry) || !units.some((u) => is(u, "HUB"));
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
    <NetworkLike v-if="needed" />
    <UnitInspector v-if="unit" :id="unit[0]" ref="inspected" :key="unit[0]" :unit="unit[1]" />
    <p v-if="rows.length === 0" class="quiet">
      No unit yet. Make a network in one step, or begin with the router where the internet comes in, a hub,
      and the first controller.
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
