<script setup lang="ts">
import { added, removed } from "../../plan/patch";
import { computed, reactive, ref } from "vue";
import type { Plan, State } from "../../api/client";
import StateMark from "../../drawing/StateMark.vue";
import { JOB_WORDS, STATE_WORDS, words } from "../../drawing/marks";
import { freeId, pointer, thingOf } from "../../plan/pointers";
import WaysPart from "./WaysPart.vue";
import OutageClock from "./OutageClock.vue";
import ReturnPart from "./ReturnPart.vue";
import { useNarrow } from "../../app/useNarrow";
import EditField from "../../app/EditField.vue";
import { choice, text } from "../../app/typed";
import { useBench } from "../../plan/store";
import type { TableColumn } from "../../table/columns";
import DataTable from "../../table/DataTable.vue";
import { is } from "../../plan/units";

const bench = useBench();
const narrow = useNarrow();
const plan = computed(() => bench.plan!);
const ORDER: State[] = ["UNSAFE", "LOST", "BY_HAND", "REDUCED", "HOLDS"];
const filter = ref<State | "">("");
const rows = computed(() =>
  Object.entries(bench.shown?.states ?? {})
    .map(([id, s]) => ({ id, device: plan.value.devices[id], ...s }))
    .filter((r) => r.device && (!filter.value || r.state === filter.value))
    .sort(
      (a, b) =>
        ORDER.indexOf(a.state) - ORDER.indexOf(b.state) || a.device!.name.localeCompare(b.device!.name),
    ),
);
const chosen = computed(() => {
  const thing = thingOf(bench.selection);
  const id = thing?.[0] === "devices" ? thing[1] : null;
  const state = id ? bench.shown?.states[id] : undefined;
  return id && state ? { id, name: plan.value.devices[id]!.name, state } : null;
});
const hubs = computed(() =>
  Object.entries(plan.value.units)
    .filter(([, u]) => is(u, "HUB"))
    .map(([id, u]) => {
      const units = Object.entries(plan.value.units).filter(([, o]) => o.hub === id);
      const served = new Set(units.map(([unit]) => unit));
      const devices = Object.values(plan.value.devices).filter((d) => d.unit && served.has(d.unit));
      return { id, name: u.name, units, devices: devices.length };
    }),
);
const entries = computed(() => Object.entries(plan.value.units).filter(([, u]) => u.internetEntry));
const firstLine = computed(
  () => plan.value.network.lines.find((id) => plan.value.units[id]?.internetEntry) ?? entries.value[0]?.[0],
);
const setFirst = (id: string) =>
  bench.put(
    ["network", "lines"],
    [id, ...plan.value.network.lines.filter((l) => l !== id)],
    "order of the lines to the internet",
  );
const setHub = (unit: string, event: Event) =>
  bench.put(["units", unit, "hub"], choice(event), `hub of ${plan.value.units[unit]!.name}`);
const unserved = computed(() =>
  Object.entries(plan.value.units).filter(
    ([, u]) => (u.kind === "CONTROLLER" || u.kind === "SELF_CONTAINED") && !u.hub,
  ),
);
const service = reactive({ name: "", kind: "PUSH" as Plan["services"][string]["kind"] });
const SERVICE_WORDS = {
  PUSH: "messages to a phone",
  REMOTE_ACCESS: "reach from away",
  SPOKEN: "speech",
} as const;
function addService() {
  const id = freeId(service.name, plan.value.services);
  void bench.edit([added(["services", id], { ...service, feePerMonth: null })], `service ${service.name}`);
  service.name = "";
}
const removeService = (id: string) =>
  bench.edit([removed("services", id)], `remove ${plan.value.services[id]!.name}`);
const jobWords = (job: keyof typeof JOB_WORDS | null) => (job ? JOB_WORDS[job] : "");

type Row = (typeof rows.value)[number];
const columns: TableColumn<Row>[] = [
  { id: "device", head: "Device", wide: true, value: (r) => r.device!.name },
  {
    id: "state",
    head: "State",
    value: (r) => ORDER.indexOf(r.state),
    shown: (r) => STATE_WORDS[r.state],
  },
  { id: "job", head: "Job", value: (r) => jobWords(r.job) },
  { id: "why", head: "What still works, or what breaks it first", wide: true, value: (r) => r.sentence },
  { id: "criticality", head: "Criticality", hidden: true, value: (r) => words(r.device!.criticality) },
];
</script>

<template>
  <div class="panel-body">
    <div class="row marks">
      <label class="field row-field">
        Show
        <select :value="filter" @change="filter = text($event) as State | ''">
          <option value="">all states</option>
          <option v-for="s in ORDER" :key="s" :value="s">{{ STATE_WORDS[s] }}</option>
        </select>
      </label>
      <span v-for="s in ORDER" :key="s" class="legend">
        <svg width="16" height="16" aria-hidden="true">
          <g transform="translate(8 8)"><StateMark :state="s" /></g>
        </svg>
        {{ bench.shown?.counts[s] }} {{ STATE_WORDS[s] }}
      </span>
      <span class="quiet">Supposed only: nothing is switched.</span>
    </div>
    <OutageClock />
    <ReturnPart v-if="bench.without.length" />
    <WaysPart v-if="chosen" :device="chosen.id" :name="chosen.name" :state="chosen.state" />
    <p v-if="rows.length === 0" class="quiet">No device is in that state.</p>
    <ul v-else-if="narrow" class="states" aria-label="States of devices">
      <li v-for="r in rows" :key="r.id">
        <svg class="mark" viewBox="-7 -7 14 14" aria-hidden="true"><StateMark :state="r.state" /></svg>
        <button type="button" class="plain" @click="bench.select(pointer('devices', r.id))">
          {{ r.device!.name }}
        </button>
        <b>{{ STATE_WORDS[r.state] }}</b>
        <span class="quiet">{{ r.sentence }}</span>
      </li>
    </ul>
    <DataTable
      v-else
      id="states"
      label="State of every device"
      :rows="rows"
      :key-of="(r: Row) => r.id"
      :name-of="(r: Row) => r.device!.name"
      :columns="columns"
      :current="chosen?.id"
      @open="(id: string) => bench.select(pointer('devices', id))"
    >
      <template #state="{ row: r }">
        <svg width="16" height="16" class="mark" aria-hidden="true">
          <g transform="translate(8 8)"><StateMark :state="r.state" /></g>
        </svg>
        {{ STATE_WORDS[r.state] }}
      </template>
    </DataTable>
    <h3>Who serves whom</h3>
    <details v-for="h in hubs" :key="h.id">
      <summary>{{ h.name }} serves {{ h.units.length }} units with {{ h.devices }} devices</summary>
      <p class="names">
        <button
          v-for="[id, u] in h.units"
          :key="id"
          type="button"
          class="plain"
          @click="bench.select(pointer('units', id))"
        >
          {{ u.name }}
        </button>
      </p>
    </details>
    <p v-if="hubs.length === 0" class="quiet">No hub is in the plan; put one in at Controllers.</p>
    <div v-if="unserved.length && hubs.length" class="row">
      <span class="bad">Served by no hub:</span>
      <label v-for="[id, u] in unserved" :key="id" class="field">
        {{ u.name }}
        <select value="" @change="setHub(id, $event)">
          <option value="">no hub</option>
          <option v-for="h in hubs" :key="h.id" :value="h.id">{{ h.name }}</option>
        </select>
      </label>
    </div>
    <template v-if="entries.length > 1">
      <h3>Lines to the internet</h3>
      <div class="row">
        <label class="field">
          First used
          <select :value="firstLine" @change="setFirst(text($event))">
            <option v-for="[id, u] in entries" :key="id" :value="id">{{ u.name }}</option>
          </select>
        </label>
        <label class="tick">
          <input
            type="checkbox"
            :checked="plan.network.failover ?? false"
            @change="
              bench.put(
                ['network', 'failover'],
                ($event.target as HTMLInputElement).checked,
                'fail-over of lines',
              )
            "
          />
          another takes over when it fails
        </label>
      </div>
    </template>
    <h3>Services outside the house</h3>
    <p v-for="(s, id) in plan.services" :key="id">
      {{ s.name }} <span class="quiet">{{ SERVICE_WORDS[s.kind] }}</span>
      <EditField
        bare
        numeric
        optional
        placeholder="fee a month"
        :label="`Monthly fee of ${s.name}`"
        :value="s.feePerMonth"
        :save="
          (v: number | null) => bench.put(['services', String(id), 'feePerMonth'], v, `fee of ${s.name}`)
        "
      />
      <button type="button" class="plain" :aria-label="`Remove ${s.name}`" @click="removeService(String(id))">
        Remove
      </button>
    </p>
    <form class="row" @submit.prevent="addService">
      <label class="field"
        >New service<input
          v-model="service.name"
          required
          maxlength="120"
          placeholder="phone message service"
      /></label>
      <label class="field">
        For
        <select v-model="service.kind">
          <option v-for="(w, k) in SERVICE_WORDS" :key="k" :value="k">{{ w }}</option>
        </select>
      </label>
      <button type="submit" class="soft">Add service</button>
    </form>
  </div>
</template>

<style scoped src="../panel.css"></style>
<style scoped>
.states {
  list-style: none;
  margin: 0;
  padding: 0;
}
.states li {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 8px;
  align-items: baseline;
  min-height: 44px;
  padding: 6px 0;
  border-bottom: 1px solid var(--hair);
}
.states .plain {
  min-height: 32px;
}
.states .quiet {
  width: 100%;
  padding-left: 22px;
}
.states .mark {
  width: 14px;
  height: 14px;
  align-self: center;
}
/* the switch of where the panel is stands in the corner */
.marks {
  padding-right: 96px;
}
.marks {
  align-items: center;
}
.legend,
.state {
  white-space: nowrap;
}
.legend svg,
.state svg {
  vertical-align: -3px;
}
.names {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 12px;
  padding: 2px 0 2px 16px;
}
.row-field {
  flex-direction: row;
  align-items: center;
  gap: 5px;
}
</style>
