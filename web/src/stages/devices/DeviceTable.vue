<script setup lang="ts">
import type { FieldOf, ValueOf } from "../../plan/patch";
import { computed, nextTick, reactive, ref, watch } from "vue";
import type { Device } from "../../api/client";
import EditField from "../../app/EditField.vue";
import { choice, text } from "../../app/typed";
import { chosenGround, firstChoice } from "../../drawing/moves";
import { JOB_WORDS, words } from "../../drawing/marks";
import { pointer, thingOf } from "../../plan/pointers";
import { useBench } from "../../plan/store";
import { addAndSelect, command, proposal } from "../../plan/commands";
import ThingActions from "../../plan/ThingActions.vue";
import ChoiceBox from "../../table/ChoiceBox.vue";
import DataTable from "../../table/DataTable.vue";
import { deviceColumns, type DeviceRow } from "./columns";
import ControlPart from "./ControlPart.vue";
import WorksPart from "./WorksPart.vue";
import PlaceFields from "../PlaceFields.vue";
import WhereSelect from "../WhereSelect.vue";

const bench = useBench();
const plan = computed(() => bench.plan!);
const kinds = computed(() => bench.catalog!.deviceKinds);
const ticked = (event: Event) => (event.target as HTMLInputElement).checked;
const WAYS = ["WALL_CONTROL", "RULE", "HOME_APP", "AWAY_APP", "SPOKEN", "MESSAGE", "ALONE"] as const;
const WAY_WORDS: Record<(typeof WAYS)[number], string> = {
  WALL_CONTROL: "wall control",
  RULE: "rule",
  HOME_APP: "home app",
  AWAY_APP: "away app",
  SPOKEN: "spoken",
  MESSAGE: "message",
  ALONE: "acts alone",
};

const fresh = reactive({
  kind: "LAMP",
  name: "",
  where: firstChoice(plan.value, bench.floor, bench.selection),
  own: false,
});
watch(
  () => bench.floor,
  () => (fresh.where = firstChoice(plan.value, bench.floor, bench.selection)),
);

async function add() {
  const kind = fresh.kind as Device["kind"];
  const asked = { kind, ...chosenGround(fresh.where), name: fresh.name, own: fresh.own };
  if (await addAndSelect("add-device", asked, "devices", `add ${fresh.name}`)) fresh.name = "";
}

const device = computed<[string, Device] | null>(() => {
  const thing = thingOf(bench.selection);
  const found = thing?.[0] === "devices" ? plan.value.devices[thing[1]] : undefined;
  return found ? [thing![1], found] : null;
});
const family = (d: Device) => kinds.value.find((k) => k.kind === d.kind)!.family;
const set = <F extends FieldOf<"devices">>(field: F, value: ValueOf<"devices", F>) =>
  bench.put<["devices", string, F]>(
    ["devices", device.value![0], field],
    value,
    `${field.replace(/([A-Z])/g, " $1").toLowerCase()} of ${device.value![1].name}`,
  );
const controllers = computed<[string, string][]>(() => [
  ["", "nothing yet"],
  ...Object.entries(plan.value.units)
    .filter(([, u]) => u.kind === "CONTROLLER" || u.kind === "PANEL")
    .map(([id, u]): [string, string] => [id, u.name]),
]);
const ownRadio = (d: Device) => !!d.unit && plan.value.units[d.unit]?.kind === "SELF_CONTAINED";
const attach = (unit: string) =>
  command(
    "attach",
    { devices: [device.value![0]], unit: unit || null },
    `controller of ${device.value![1].name}`,
  );
type Job = NonNullable<Device["jobs"]>[number];
const JOBS: Record<string, Job[]> = {
  LOAD: ["OPERATE"],
  SENSOR: ["REPORT", "ALERT_HOME", "ALERT_AWAY"],
  SOUNDER: ["SOUND"],
  BARRIER: ["KEEP_OUT", "LET_OUT", "LET_IN"],
  VALVE: ["CLOSE", "OPEN"],
  CAMERA: ["SEE", "RECORD"],
};
/** The jobs that count for a device now. */
const asked = (id: string) => bench.shown?.states[id]?.jobs.map((j) => j.job) ?? [];
const setJob = (job: Job, on: boolean) => {
  const now = (device.value?.[1].jobs ?? []).filter((j) => j !== job);
  set("jobs", on ? [...now, job] : now);
};
const setWay = (way: (typeof WAYS)[number], on: boolean) =>
  set("ways", on ? [...device.value![1].ways, way] : device.value![1].ways.filter((w) => w !== way));
const setControl = (id: string, on: boolean) =>
  set(
    "wallControls",
    on ? [...device.value![1].wallControls, id] : device.value![1].wallControls.filter((w) => w !== id),
  );
const buttons = computed(() =>
  Object.entries(plan.value.devices).filter(([, d]) => d.kind === "PUSH_BUTTON"),
);

const remove = () => command("remove", { units: [], devices: [device.value![0]] });

/** What locks are called that let go, or hold, without power. */
const restWords = (kind: Device["kind"], rest: string) =>
  kind === "LOCK" && rest === "OPEN"
    ? "opens: fail-safe"
    : kind === "LOCK" && rest === "CLOSED"
      ? "stays shut: fail-secure"
      : words(rest);

const rows = computed<DeviceRow[]>(() => Object.entries(plan.value.devices).map(([id, d]) => ({ id, d })));
const chosen = ref<string[]>([]);
const columns = deviceColumns();
const inspected = ref<HTMLElement | null>(null);
const open = (id: string, whole: boolean) => {
  bench.select(pointer("devices", id));
  if (whole) void nextTick(() => inspected.value?.scrollIntoView?.({ block: "start" }));
};
/** Lines that are pasted below the last row become devices. */
async function pasted(lines: Record<string, string>[]) {
  await bench.stored();
  const found = await proposal("add-devices", {
    lines: lines.map((l) => ({ name: l.name ?? null, kind: l.kind ?? null, room: l.where ?? null })),
  });
  return { ops: found.edits, troubles: found.notes };
}
</script>

<template>
  <div class="panel-body">
    <form class="row" @submit.prevent="add">
      <label class="field">
        Kind
        <select v-model="fresh.kind">
          <option v-for="k in kinds" :key="k.kind" :value="k.kind">{{ k.name }}</option>
        </select>
      </label>
      <label class="field grow"
        >Name<input v-model="fresh.name" required maxlength="120" placeholder="scullery lamp"
      /></label>
      <WhereSelect v-model="fresh.where" label="Where" none="nowhere yet" />
      <label class="tick"><input v-model="fresh.own" type="checkbox" /> has its own radio and battery</label>
      <button type="submit" class="act">Add device</button>
    </form>
    <section v-if="device" :key="device[0]" ref="inspected" class="inspect" aria-label="Selected device">
      <h3>
        {{ device[1].name }} <span class="quiet">{{ words(device[1].kind) }}</span>
      </h3>
      <div class="row">
        <EditField label="Name" :value="device[1].name" :save="(v: string) => set('name', v)" />
        <label class="field">
          Kind
          <select :value="device[1].kind" @change="set('kind', text($event))">
            <option v-for="k in kinds" :key="k.kind" :value="k.kind">{{ k.name }}</option>
          </select>
        </label>
        <PlaceFields :path="pointer('devices', device[0])" :holder="pointer('devices', device[0], 'place')" />
      </div>
      <div class="row">
        <ChoiceBox
          v-if="!ownRadio(device[1])"
          label="Controller"
          :value="device[1].unit ?? ''"
          :choices="controllers"
          @choose="attach"
        />
        <EditField
          v-if="device[1].unit && !ownRadio(device[1])"
          label="Channel"
          numeric
          optional
          :value="device[1].channel"
          :save="(v: number | null) => set('channel', v)"
        />
        <label class="field">
          Criticality
          <select :value="device[1].criticality" @change="set('criticality', text($event))">
            <option v-for="c in ['COMFORT', 'ROUTINE', 'PROTECTIVE', 'VITAL']" :key="c" :value="c">
              {{ words(c) }}
            </option>
          </select>
        </label>
        <label class="field">
          Made for
          <select :value="device[1].rating ?? ''" @change="set('rating', choice($event))">
            <option value="">not known</option>
            <option v-for="r in ['DRY', 'DAMP', 'OUTDOOR', 'FREEZING']" :key="r" :value="r">
              {{ words(r) }} places
            </option>
          </select>
        </label>
        <template v-if="family(device[1]) !== 'SENSOR'">
          <label class="field">
            By hand
            <select :value="device[1].hand" @change="set('hand', text($event))">
              <option value="NONE">no</option>
              <option value="SWITCH">a switch in its circuit</option>
              <option value="MECHANICAL">key, crank or handle</option>
            </select>
          </label>
          <label class="field">
            On power loss
            <select :value="device[1].rest" @change="set('rest', text($event))">
              <option v-for="r in ['STAYS', 'OFF', 'ON', 'OPEN', 'CLOSED']" :key="r" :value="r">
                {{ restWords(device[1].kind, r) }}
              </option>
            </select>
          </label>
          <label class="field">
            Fed by
            <select :value="device[1].circuit ?? ''" @change="set('circuit', choice($event))">
              <option value="">its controller only</option>
              <option v-for="(c, id) in plan.circuits" :key="id" :value="id">{{ c.name }}</option>
            </select>
          </label>
        </template>
        <template v-if="family(device[1]) === 'BARRIER'">
          <label class="tick"
            ><input
              type="checkbox"
              :checked="device[1].exitRoute"
              @change="set('exitRoute', ticked($event))"
            />
            way out</label
          >
          <label class="tick"
            ><input
              type="checkbox"
              :checked="device[1].outsideDoor"
              @change="set('outsideDoor', ticked($event))"
            />
            outside door</label
          >
          <label v-if="device[1].kind === 'GATE' || device[1].kind === 'POWERED_DOOR'" class="tick"
            ><input
              type="checkbox"
              :checked="device[1].obstacleDetection"
              @change="set('obstacleDetection', ticked($event))"
            />
            certified obstacle detection</label
          >
        </template>
        <button type="button" class="soft" @click="remove">Remove device</button>
      </div>
      <WorksPart :id="device[0]" :device="device[1]" :family="family(device[1])" />
      <fieldset class="row">
        <legend>Planned ways</legend>
        <label v-for="way in WAYS" :key="way" class="tick">
          <input
            type="checkbox"
            :checked="device[1].ways.includes(way)"
            @change="setWay(way, ticked($event))"
          />
          {{ WAY_WORDS[way] }}
        </label>
      </fieldset>
      <fieldset class="row">
        <legend>What is asked of it</legend>
        <label class="tick">
          <input
            type="checkbox"
            :checked="device[1].jobs === null"
            @change="set('jobs', ticked($event) ? null : asked(device[0]))"
          />
          what its kind and ways make of it
        </label>
        <template v-if="device[1].jobs">
          <label v-for="job in JOBS[family(device[1])]" :key="job" class="tick">
            <input
              type="checkbox"
              :checked="device[1].jobs.includes(job)"
              @change="setJob(job, ticked($event))"
            />
            {{ JOB_WORDS[job] }}
          </label>
        </template>
      </fieldset>
      <ControlPart :id="device[0]" :key="device[0]" :device="device[1]" />
      <fieldset v-if="family(device[1]) !== 'SENSOR' && buttons.length" class="row">
        <legend>Push-buttons</legend>
        <label v-for="[id, b] in buttons" :key="id" class="tick">
          <input
            type="checkbox"
            :checked="device[1].wallControls.includes(id)"
            @change="setControl(id, ticked($event))"
          />
          {{ b.name }}
        </label>
      </fieldset>
    </section>
    <p v-if="Object.keys(plan.devices).length === 0" class="quiet">
      No device yet. Choose a kind, give it a name and press Add device; or paste lines of name, kind and room
      into the table below.
    </p>
    <DataTable
      id="devices"
      v-model:chosen="chosen"
      label="All devices"
      :rows="rows"
      :key-of="(r: DeviceRow) => r.id"
      :name-of="(r: DeviceRow) => r.d.name"
      :columns="columns"
      :current="device?.[0]"
      :added="pasted"
      @open="open"
    >
      <template #selected="{ rows: picked, clear }">
        <ThingActions :units="[]" :devices="picked.map((r) => r.id)" :clear="clear" />
      </template>
    </DataTable>
  </div>
</template>

<style scoped src="../panel.css"></style>
<style scoped>
fieldset {
  border: 1px solid var(--hair);
  padding: 2px 8px 6px;
  margin: 0;
  align-items: center;
}
legend {
  font-size: 12px;
  color: var(--ink2);
}
</style>
