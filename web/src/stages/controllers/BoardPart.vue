<script setup lang="ts">
import { added, removed } from "../../plan/patch";
import { computed, onMounted, ref, watch } from "vue";
import { answer, api, type Schemas, type Unit } from "../../api/client";
import EditField from "../../app/EditField.vue";
import { freeId } from "../../plan/pointers";
import { useBench } from "../../plan/store";
import BoardDrawing from "./BoardDrawing.vue";
import { pinsOf, useParts } from "./parts";

/** The boards of a controller, their pins, and what is connected where. */
const props = defineProps<{ id: string; unit: Unit; kinds: string[] }>();
const bench = useBench();
const parts = useParts();
onMounted(() => void parts.load());
const wired = computed(() => bench.shown?.wired[props.id]);
const at = computed(() => ["units", props.id, "boards"] as const);
const boards = computed(() => Object.entries(props.unit.boards?.more ?? {}));
const value = (event: Event) => (event.target as HTMLSelectElement).value;
const device = (id: string) => bench.plan!.devices[id]?.name ?? id;

const mains = computed(() => parts.all.filter((p) => props.kinds.includes(p.kind)));
const drives = computed(() => props.unit.kind === "CONTROLLER" || props.unit.kind === "PANEL");
const extensions = computed(() =>
  props.unit.kind === "PANEL" ? parts.all.filter((p) => p.kind === "EXPANDER") : parts.extensions,
);
const WORDS: Record<string, string> = {
  RELAY_BOARD: "relays",
  DIMMER_BOARD: "dimmers",
  INPUT_BOARD: "inputs",
  EXPANDER: "expander",
};
/** Whether a board that is wired to pins can meet another voltage there. */
const shiftable = (part: string) => parts.byId.get(part)?.figures.LOGIC_V !== undefined;
const bare = (part: string) => {
  const p = parts.byId.get(part);
  return p?.figures.COIL_A !== undefined && !p.traits.includes("TRANSISTOR");
};
const driver = (name: string) => props.unit.boards!.more[name]!.driver;
const setDriver = (name: string, field: "baseOhm" | "gain" | "diode", to: unknown) =>
  bench.put(
    [...at.value, "more", name, "driver"],
    { baseOhm: null, gain: 100, diode: false, ...driver(name), [field]: to },
    `driver of ${name}`,
  );
const ticked = (event: Event) => (event.target as HTMLInputElement).checked;

function setMain(event: Event) {
  const main = value(event);
  const next = main ? { more: {}, bus: null, line: null, code: null, ...props.unit.boards, main } : null;
  void bench.put(at.value, next, `board of ${props.unit.name}`);
}
function addBoard(event: Event) {
  const part = value(event);
  (event.target as HTMLSelectElement).value = "";
  const known = parts.byId.get(part);
  if (!known) return;
  const word = WORDS[known.kind] ?? "board";
  const name = freeId(word, props.unit.boards!.more);
  const address = known.figures.ADDRESS_FIRST ?? null;
  const board = { part, address, shifted: null, driver: null };
  void bench.edit([added([...at.value, "more", name], board)], `add ${known.name}`);
}
const removeBoard = (name: string) =>
  bench.edit([removed(...at.value, "more", name)], `remove board ${name}`);

const swap = ref<Schemas["Replacement"] | null>(null);
const swapTo = ref("");
async function tryBoard(event: Event) {
  swapTo.value = value(event);
  swap.value = null;
  if (!swapTo.value) return;
  await bench.guarded(async () => {
    const params = { path: { id: bench.id }, query: { unit: props.id, part: swapTo.value } };
    swap.value = await answer(api.GET("/api/plans/{id}/replacement", { params }));
  });
}
async function replaceBoard() {
  const to = swap.value!.to;
  if (await bench.propose(swap.value!.edits, `replace the board of ${props.unit.name} by ${to}`)) {
    swap.value = null;
    swapTo.value = "";
  }
}
watch(
  () => bench.revision,
  () => {
    swap.value = null;
    swapTo.value = "";
  },
);

async function assign() {
  await bench.guarded(async () => {
    const params = { path: { id: bench.id }, query: { unit: props.id } };
    await bench.stored();
    const proposal = await answer(api.POST("/api/plans/{id}/terminal-proposal", { params }));
    if (proposal.edits.length) await bench.edit(proposal.edits, proposal.label);
    else bench.message = "Everything is where it fits best already.";
  });
}
/** The person's own choice stays; an empty one gives the connection back to the assignment. */
function fix(c: Schemas["Connection"], terminal: string) {
  const now = bench.plan!.devices[c.device]!.wiring?.terminals ?? {};
  const terminals = { ...now, [c.need]: terminal.trim() };
  if (!terminal.trim()) delete terminals[c.need];
  const next = Object.keys(terminals).length ? { terminals, fixed: !!terminal.trim() } : null;
  return bench.put(["devices", c.device, "wiring"], next, `terminal of ${device(c.device)}`);
}
const loosen = (c: Schemas["Connection"]) =>
  bench.put(["devices", c.device, "wiring", "fixed"], false, `terminal of ${device(c.device)}`);
const KIND = {
  RELAY: "relay",
  DIMMER: "dimmer",
  INPUT: "input",
  COUNTER: "pulses",
  ANALOGUE: "voltage",
  WIRE: "data wire",
};
</script>

<template>
  <section :aria-label="`Boards of ${unit.name}`">
    <h4>{{ drives ? "Boards and pins" : "Made of" }}</h4>
    <p v-if="parts.trouble" class="bad">{{ parts.trouble }}</p>
    <div class="row">
      <label class="field">
        {{ drives ? "Main board" : "Part" }}
        <select :value="unit.boards?.main ?? ''" @change="setMain">
          <option value="">not chosen yet</option>
          <option v-for="p in mains" :key="p.id" :value="p.id">
            {{ p.name }}{{ p.pins.length ? `: ${pinsOf(p)} inputs and outputs` : "" }}
          </option>
          <option v-if="unit.boards && !parts.byId.has(unit.boards.main)" :value="unit.boards.main">
            {{ unit.boards.main }}, not in the catalogue
          </option>
        </select>
      </label>
      <label v-if="unit.boards && drives" class="field">
        Add a board
        <select value="" @change="addBoard">
          <option value="">choose…</option>
          <option v-for="p in extensions" :key="p.id" :value="p.id">{{ p.name }}</option>
        </select>
      </label>
      <button v-if="unit.boards && drives" type="button" class="act" @click="assign">Assign channels</button>
    </div>
    <div v-if="unit.boards && drives && wired" class="row">
      <label class="field">
        Replace the board by
        <select :value="swapTo" @change="tryBoard">
          <option value="">choose to see what would change…</option>
          <option
            v-for="p in mains.filter((m) => m.id !== unit.boards!.main)"
            :key="p.id"
            :value="p.id"
            :disabled="p.kind === 'POWER_LINE'"
          >
            {{ p.name }}{{ p.pins.length ? `: ${pinsOf(p)} inputs and outputs` : "" }}
          </option>
        </select>
      </label>
    </div>
    <div v-if="swap" class="swap" role="region" aria-label="What the other board would change">
      <p>
        {{ swap.from }} → <b>{{ swap.to }}</b>. Name, address, hardware address and devices stay.
        <span v-if="swap.lost" class="bad"
          >{{ swap.lost }} connections would find no terminal and stay open.</span
        >
      </p>
      <table>
        <caption class="unseen">
          Connections before and after
        </caption>
        <thead>
          <tr>
            <th>Connection</th>
            <th>Now</th>
            <th>Then</th>
            <th>Why</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="m in swap.moves" :key="m.device + m.need">
            <td>
              {{ m.name }} <span class="quiet">{{ m.need }}</span>
            </td>
            <td>{{ m.before ?? "open" }}</td>
            <td :class="{ bad: m.before && !m.after }">
              {{ m.same ? "stays" : (m.after ?? "open") }}
            </td>
            <td class="quiet">{{ m.same ? "" : m.why }}</td>
          </tr>
        </tbody>
      </table>
      <button type="button" class="act" @click="replaceBoard">Replace the board</button>
      <button type="button" class="soft" @click="((swap = null), (swapTo = ''))">Leave it</button>
    </div>
    <EditField
      v-if="parts.byId.get(unit.boards?.main ?? '')?.kind === 'POWER_LINE'"
      label="House and unit code"
      optional
      placeholder="C5"
      :value="unit.boards?.code"
      :save="
        (v: string | null) => bench.put([...at, 'code'], v?.toUpperCase() ?? null, `code of ${unit.name}`)
      "
    />
    <ul v-if="boards.length" class="plain-list">
      <li v-for="[name, b] in boards" :key="name" class="row">
        <span
          ><b>{{ name }}</b> {{ parts.byId.get(b.part)?.name ?? b.part }}</span
        >
        <EditField
          v-if="parts.byId.get(b.part)?.figures.ADDRESS_FIRST || parts.byId.get(b.part)?.kind === 'EXPANDER'"
          label="Address"
          numeric
          optional
          :value="b.address"
          :save="(v: number | null) => bench.put([...at, 'more', name, 'address'], v, `address of ${name}`)"
        />
        <label v-if="shiftable(b.part)" class="tick">
          <input
            type="checkbox"
            :checked="b.shifted ?? false"
            @change="bench.put([...at, 'more', name, 'shifted'], ticked($event), `level shifter of ${name}`)"
          />
          level shifter before it
        </label>
        <template v-if="bare(b.part)">
          <EditField
            label="Base resistor, Ω"
            numeric
            optional
            placeholder="no transistor"
            :value="b.driver?.baseOhm"
            :save="(v: number | null) => setDriver(name, 'baseOhm', v)"
          />
          <EditField
            label="Gain"
            numeric
            :value="b.driver?.gain ?? 100"
            :save="(v: number) => setDriver(name, 'gain', v)"
          />
          <label class="tick">
            <input
              type="checkbox"
              :checked="b.driver?.diode ?? false"
              @change="setDriver(name, 'diode', ticked($event))"
            />
            diode across the coil
          </label>
        </template>
        <button type="button" class="plain" :aria-label="`Remove board ${name}`" @click="removeBoard(name)">
          Remove
        </button>
      </li>
    </ul>
    <template v-if="wired">
      <BoardDrawing v-if="wired.pins.length" :wired="wired" />
      <table v-if="wired.needs.length">
        <caption class="unseen">
          Connections of
          {{
            unit.name
          }}
        </caption>
        <thead>
          <tr>
            <th>Connection</th>
            <th>Terminal, to be typed over</th>
            <th>At start, and how its contact is wired</th>
            <th>Best, and why</th>
            <th><span class="unseen">Fixed</span></th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="c in wired.needs" :key="c.device + c.need">
            <td>
              {{ device(c.device) }}
              <span class="quiet">{{ c.need }}, {{ KIND[c.kind] }}</span>
            </td>
            <td>
              <EditField
                bare
                optional
                :label="`Terminal of ${device(c.device)}, ${c.need}`"
                :value="c.terminal"
                placeholder="main/…"
                :save="(v: string | null) => fix(c, v ?? '')"
              />
              <span v-if="c.trouble" class="bad">{{ c.trouble }}</span>
            </td>
            <td>
              {{ c.boot ?? "" }}
              <span v-if="c.contact" class="quiet contact">{{ c.contact }}</span>
            </td>
            <td>
              <template v-if="c.best"
                >{{ c.best }}<span class="quiet">: {{ c.why }}</span></template
              >
              <span v-else class="bad">none: {{ c.why }}</span>
            </td>
            <td>
              <button
                v-if="c.fixed"
                type="button"
                class="plain"
                :aria-label="`Fixed; let ${device(c.device)} be assigned`"
                @click="loosen(c)"
              >
                Fixed
              </button>
            </td>
          </tr>
        </tbody>
      </table>
    </template>
  </section>
</template>

<style scoped src="../panel.css"></style>
<style scoped>
td .contact,
td .bad {
  display: block;
}
.swap {
  border: 1px solid var(--copper);
  padding: 8px 10px;
  margin: 6px 0;
}
.plain-list {
  list-style: none;
  margin: 6px 0;
  padding: 0;
}
h4 {
  margin: 14px 0 6px;
}
</style>
