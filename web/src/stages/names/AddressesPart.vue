<script setup lang="ts">
import { computed, ref } from "vue";
import { answer, api, type Schemas } from "../../api/client";
import EditField from "../../app/EditField.vue";
import QueryTrouble from "../../app/QueryTrouble.vue";
import { text } from "../../app/typed";
import { usePlanQuery } from "../../app/useQuery";
import { words } from "../../drawing/marks";
import { command } from "../../plan/commands";
import { added, removed } from "../../plan/patch";
import { pointer, thingOf } from "../../plan/pointers";
import { useBench } from "../../plan/store";
import AddressTable from "./AddressTable.vue";
import CellSheet, { type Cell, type Stretch } from "./CellSheet.vue";

/** The subnet as a ruled sheet of cells, the rules that fill it, and every address in a table. */
const bench = useBench();
const plan = computed(() => bench.plan!);
const { answer: map, trouble: unanswered } = usePlanQuery((id, signal) =>
  answer(api.GET("/api/plans/{id}/names/addresses", { params: { path: { id } }, signal })),
);
const { answer: numbers, trouble: unnumbered } = usePlanQuery((id, signal) =>
  answer(api.GET("/api/plans/{id}/names/numbers", { params: { path: { id } }, signal })),
);
const { answer: anew } = usePlanQuery((id, signal) =>
  answer(api.GET("/api/plans/{id}/names/renumbering", { params: { path: { id } }, signal })),
);
type Role = Schemas["Held"]["role"];
const MARKS: Record<Role, [mark: string, kind: string, words: string]> = {
  ROUTER: ["R", "network", "router"],
  INFRASTRUCTURE: ["S", "network", "switch or access point"],
  HUB: ["H", "network", "hub"],
  GATEWAY: ["G", "network", "gateway"],
  CONTROLLER: ["•", "given", "controller"],
  OTHER: ["◦", "given", "tablet, camera or other"],
  RESTING: ["z", "resting", "resting"],
};
const SHEET = 256;
/** Large subnets are looked at 256 addresses at a time. */
const page = ref(0);
const pages = computed(() => {
  const used = new Set((map.value?.held ?? []).map((h) => Math.floor(h.host / SHEET)));
  used.add(0);
  return [...used].sort((a, b) => a - b);
});
const base = computed(() => page.value * SHEET);
const last = computed(() => Math.min(base.value + SHEET, map.value?.hosts ?? SHEET) - 1);
const unitName = (id: string) => plan.value.units[id]?.name ?? id;
const cells = computed<Cell[]>(() =>
  (map.value?.held ?? [])
    .filter((h) => h.host >= base.value && h.host <= last.value)
    .map((h) => ({
      number: h.host,
      mark: MARKS[h.role][0],
      kind: MARKS[h.role][1],
      words:
        h.role === "RESTING"
          ? `rests until ${h.until}`
          : `${h.address} ${h.units.map(unitName).join(" and ")}`,
      trouble: h.trouble,
      chosen: h.units.some((id) => bench.selection === pointer("units", id)),
    })),
);
const stretches = computed<Stretch[]>(() => {
  const m = map.value;
  if (!m) return [];
  return [
    { from: 0, to: 0, kind: "edge" },
    { from: m.hosts - 1, to: m.hosts - 1, kind: "edge" },
    ...(m.poolFrom >= 0 ? [{ from: m.poolFrom, to: m.poolTo, kind: "pool" }] : []),
    ...m.blocks.flatMap((b) => (b.floor && b.to !== null ? [{ from: b.from, to: b.to, kind: "floor" }] : [])),
  ];
});
const resting = computed(() => (map.value?.held ?? []).filter((h) => h.role === "RESTING"));
function choose(host: number) {
  const held = map.value?.held.find((h) => h.host === host);
  const units = held?.units ?? [];
  const now = units.findIndex((id) => bench.selection === pointer("units", id));
  // pressed again, a number that is given twice shows the other one
  const next = units[(now + 1) % Math.max(1, units.length)];
  if (next) bench.select(pointer("units", next));
}
const families = computed(() =>
  (map.value?.blocks ?? []).filter((b) => !b.floor).map((b) => `${b.what} from .${b.from}`),
);
const floors = computed(() => plan.value.network.addressing.floors);
const without = computed(() => Object.entries(plan.value.floors).filter(([id]) => !(id in floors.value)));
const addBlock = (floor: string) =>
  command("add-address-block", { floor }, `block of ${plan.value.floors[floor]!.name}`);
const setBlock = (floor: string, end: "from" | "to", value: number) =>
  bench.put(
    ["network", "addressing", "floors", floor, end],
    value,
    `block of ${plan.value.floors[floor]!.name}`,
  );
const NETWORK = { subnet: "Subnet", poolFrom: "Given out by the router from", poolTo: "to" } as const;
const WRITTEN: Record<Schemas["NumberSheet"]["written"], (number: number) => string> = {
  DECIMAL: String,
  HEX: (number) => `0x${number.toString(16).padStart(2, "0")}`,
  // a letter of the house and one of sixteen, as they stand on the senders
  LETTER: (number) => `${String.fromCharCode(65 + Math.floor((number - 1) / 16))}${((number - 1) % 16) + 1}`,
};
const firsts = computed(() => (map.value?.blocks ?? []).filter((b) => b.family));
const setFirst = (family: NonNullable<Schemas["Block"]["family"]>, host: number | null) =>
  bench.edit(
    [
      host === null
        ? removed("network", "addressing", "families", family)
        : added(["network", "addressing", "families", family], host),
    ],
    "first host of a family",
  );
/** The selected unit gets the hardware address that its chip makes. */
const unitOf = computed(() => {
  const thing = thingOf(bench.selection);
  return thing?.[0] === "units" && thing[1] in plan.value.units ? thing[1] : null;
});
const chip = ref("");
const chipTrouble = ref<string | null>(null);
async function byChip() {
  const unit = unitOf.value;
  if (!unit || !chip.value.trim()) return;
  chipTrouble.value = null;
  try {
    const { address } = await answer(
      api.GET("/api/plans/{id}/names/hardware-address", {
        params: { path: { id: bench.id }, query: { chip: chip.value } },
      }),
    );
    if (
      await bench.put(["units", unit, "mac"], address, `hardware address of ${plan.value.units[unit]!.name}`)
    )
      chip.value = "";
  } catch (e) {
    chipTrouble.value = e instanceof Error ? e.message : String(e);
  }
}
</script>

<template>
  <div class="panel-body">
    <QueryTrouble :trouble="unanswered ?? unnumbered" />
    <div class="row">
      <EditField
        v-for="(head, field) in NETWORK"
        :key="field"
        :label="head"
        :value="plan.network[field]"
        :save="(v: string) => bench.put(['network', field], v, words(field))"
      />
      <EditField
        label="An address rests, days"
        numeric
        optional
        placeholder="14"
        :value="plan.network.addressing.restDays"
        :save="(v: number | null) => bench.put(['network', 'addressing', 'restDays'], v, 'rest of addresses')"
      />
      <label v-if="pages.length > 1" class="field">
        Part of the subnet
        <select v-model.number="page">
          <option v-for="p in pages" :key="p" :value="p">
            {{ p * SHEET }} to {{ p * SHEET + SHEET - 1 }}
          </option>
        </select>
      </label>
    </div>
    <template v-if="map">
      <p class="sum">
        <b>{{ map.subnet }}</b> · {{ map.held.length - resting.length }} reserved<template
          v-if="resting.length"
        >
          · {{ resting.length }} at rest</template
        >
        ·
        <template v-if="map.poolFrom >= 0"
          >{{ map.poolTo - map.poolFrom + 1 }} given out by the router ·
        </template>
        room for {{ map.free }} more
      </p>
      <p v-if="map.enough" class="bad" role="status">
        Too small for all units: {{ map.enough }} would do.
        <button type="button" class="soft" @click="bench.put(['network', 'subnet'], map.enough!, 'subnet')">
          Take {{ map.enough }}
        </button>
      </p>
      <p v-if="map.outside.length" class="bad">Outside of it: {{ map.outside.map(unitName).join(", ") }}.</p>
      <CellSheet
        label="Addresses of the subnet"
        :from="base"
        :to="last"
        :columns="32"
        :cells="cells"
        :stretches="stretches"
        :shown="(n) => `.${n % SHEET}`"
        @choose="choose"
      />
      <p class="legend">
        <span v-for="(m, role) in MARKS" :key="role"
          ><b>{{ m[0] }}</b> {{ m[2] }}</span
        >
        <span><b>!</b> clash</span> <span><i class="pool"></i> given out by the router</span>
        <span><i class="floor"></i> block of a floor</span>
      </p>
      <section class="rule" aria-label="Rules of addresses">
        <p>
          Boards of a floor take the next free of that floor's block, all else the next free of its family:
          {{ families.join(", ") }}. Nothing that has an address moves by itself.
        </p>
        <div v-for="(block, floor) in floors" :key="floor" class="row">
          <span class="what">Boards of {{ plan.floors[floor]?.name }}</span>
          <EditField
            label="from host"
            numeric
            :value="block.from"
            :save="(v: number) => setBlock(String(floor), 'from', v)"
          />
          <EditField
            label="to host"
            numeric
            :value="block.to"
            :save="(v: number) => setBlock(String(floor), 'to', v)"
          />
          <button
            type="button"
            class="plain"
            @click="
              bench.edit(
                [removed('network', 'addressing', 'floors', String(floor))],
                `block of ${plan.floors[floor]?.name}`,
              )
            "
          >
            No block
          </button>
        </div>
        <details>
          <summary>First hosts of the families</summary>
          <div class="row firsts">
            <EditField
              v-for="b in firsts"
              :key="b.family!"
              :label="b.what"
              numeric
              optional
              :value="b.from"
              :save="(v: number | null) => setFirst(b.family!, v)"
            />
          </div>
        </details>
        <label v-if="without.length" class="field narrow">
          A block for the boards of
          <select value="" @change="addBlock(text($event))">
            <option value="" disabled>choose a floor…</option>
            <option v-for="[id, f] in without" :key="id" :value="id">{{ f.name }}</option>
          </select>
        </label>
        <details v-if="anew?.units.length" class="anew">
          <summary>{{ anew.units.length }} units stand outside the block of their floor</summary>
          <table>
            <caption class="unseen">
              What numbering anew would change
            </caption>
            <thead>
              <tr>
                <th>Unit</th>
                <th>Has</th>
                <th>Would get</th>
              </tr>
            </thead>
            <tbody>
              <tr v-for="u in anew.units" :key="u.unit">
                <td>{{ u.name }}</td>
                <td>{{ u.from }}</td>
                <td>{{ u.to }}</td>
              </tr>
            </tbody>
          </table>
          <p class="quiet">
            Units that are set up already must be told their new address one by one; what is reached at the
            old one fails until then.
          </p>
          <button type="button" class="soft" @click="bench.propose(anew.edits, anew.label)">
            Number these anew
          </button>
        </details>
      </section>
    </template>
    <form v-if="unitOf" class="row" @submit.prevent="byChip">
      <label class="field">
        Identifier of the chip of {{ plan.units[unitOf]!.name }}
        <input v-model="chip" type="text" spellcheck="false" placeholder="A1B2C3D4" maxlength="80" />
      </label>
      <button type="submit" class="soft" :disabled="!chip.trim()">Make its hardware address</button>
    </form>
    <p v-if="chipTrouble" class="bad" role="alert">{{ chipTrouble }}</p>
    <AddressTable />
    <section v-for="s in numbers ?? []" :key="s.name" :aria-label="s.name">
      <h3>
        {{ s.name }} <span class="quiet">{{ s.taken.length }} of {{ s.to - s.from + 1 }}</span>
      </h3>
      <CellSheet
        :label="s.name"
        :from="s.from"
        :to="s.to"
        :columns="s.written === 'DECIMAL' ? 32 : 16"
        :cells="
          s.taken.map((t) => ({
            number: t.number,
            mark: '•',
            kind: 'given',
            words: t.owners.join(' and '),
            trouble: t.trouble,
            chosen: bench.selection === t.at,
          }))
        "
        :shown="(n) => WRITTEN[s.written](n)"
        @choose="(n) => bench.select(s.taken.find((t) => t.number === n)!.at)"
      />
    </section>
  </div>
</template>

<style scoped src="../panel.css"></style>
<style scoped>
.sum {
  margin: 0;
}
.legend {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 14px;
  font-size: 12px;
  margin: 0;
  color: var(--ink2);
}
.legend i {
  display: inline-block;
  width: 14px;
  height: 12px;
  border: 1px solid var(--hair-strong);
  vertical-align: -2px;
}
.legend .pool {
  background: repeating-linear-gradient(45deg, var(--hair-strong) 0 1px, var(--sheet) 1px 4px);
}
.legend .floor {
  border: 1px dashed var(--copper);
}
.rule {
  border-top: 1px solid var(--hair);
  padding-top: 8px;
}
.rule p {
  margin: 0 0 6px;
}
.what {
  align-self: end;
  padding-bottom: 6px;
  min-width: 180px;
}
.narrow {
  width: fit-content;
}
.anew {
  margin-top: 8px;
}
</style>
