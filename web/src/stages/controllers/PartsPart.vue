<script setup lang="ts">
import { computed, onMounted, ref } from "vue";
import { problemOf, patiently } from "../../api/client";
import { sendTable } from "../../app/upload";
import { shown, words } from "../../drawing/marks";
import { useBench } from "../../plan/store";
import type { TableColumn } from "../../table/columns";
import DataTable from "../../table/DataTable.vue";
import { pinsOf, useParts, type Part } from "./parts";

/** The catalogue: what can be built in, with typical figures; lists in and out, one's own parts beside the built-in ones. */
const bench = useBench();
const parts = useParts();
onMounted(() => void parts.load());
const kind = ref("");
const text = ref("");
const trouble = ref<string | null>(null);
const told = ref<string | null>(null);
const kinds = computed(() => [...new Set(parts.all.map((p) => p.kind))].sort());
const rows = computed(() =>
  parts.all.filter(
    (p) =>
      (!kind.value || p.kind === kind.value) &&
      text.value
        .toLowerCase()
        .split(/\s+/)
        .every((word) => `${p.name} ${p.id} ${p.traits.map(words).join(" ")}`.toLowerCase().includes(word)),
  ),
);
const FIGURES: [keyof Part["figures"], string, string][] = [
  ["SUPPLY_V", "supply", "V"],
  ["PEAK_A", "takes at most", "A"],
  ["OUTPUT_V", "gives", "V"],
  ["RATED_A", "up to", "A"],
  ["RATED_W", "up to", "W"],
  ["CHANNELS", "channels", ""],
  ["CONTACT_A", "contacts", "A"],
  ["CAPACITY_AH", "holds", "Ah"],
  ["WIRE_MOST_A", "wires bear", "A"],
  ["DEPTH_MM", "deep", "mm"],
];
function figures(p: Part) {
  const all = FIGURES.flatMap(([key, what, unit]) => {
    const value = p.figures[key];
    return value === undefined ? [] : [`${what} ${Number(value.toPrecision(4))} ${unit}`.trim()];
  });
  if (p.pins.length) all.unshift(`${pinsOf(p)} pins`);
  return all.slice(0, 5).join(" · ");
}

async function take(event: Event) {
  trouble.value = told.value = null;
  const sent = await sendTable<{ parts: number }>("/api/parts/csv", event.target as HTMLInputElement);
  if (sent?.trouble) trouble.value = sent.trouble;
  if (!sent?.body) return;
  told.value = `${sent.body.parts} parts taken in from ${sent.name}.`;
  await changed();
}
async function remove(p: Part) {
  trouble.value = told.value = null;
  const response = await patiently(`/api/parts/${p.id}`, { method: "DELETE" });
  if (!response.ok)
    trouble.value = problemOf(response.status, await response.json().catch(() => null)).message;
  await changed();
}
/** Plans are judged with the parts of now. */
async function changed() {
  await parts.load(true);
  await bench.guarded(() => bench.assess());
}
const columns: TableColumn<Part>[] = [
  { id: "name", head: "Part", wide: true, value: (p) => p.name },
  { id: "id", head: "Id", value: (p) => p.id },
  { id: "kind", head: "Kind", value: (p) => words(p.kind) },
  { id: "figures", head: "Figures", wide: true, value: (p) => figures(p) },
  {
    id: "price",
    head: "Price",
    numeric: true,
    value: (p) => p.price,
    shown: (p) => (p.price === null ? "" : shown(p.price, 2)),
  },
  { id: "days", head: "Days", numeric: true, value: (p) => p.leadDays },
  { id: "own", head: "From", value: (p) => (p.own ? "my own" : (p.supplier ?? "")) },
];
</script>

<template>
  <div class="panel-body">
    <div class="row">
      <label class="field">Find<input v-model="text" type="search" placeholder="relay active low" /></label>
      <label class="field">
        Kind
        <select v-model="kind">
          <option value="">all</option>
          <option v-for="k in kinds" :key="k" :value="k">{{ words(k) }}</option>
        </select>
      </label>
      <label class="import soft">
        Take in a list (CSV)
        <input type="file" accept=".csv,text/csv" class="unseen" @change="take" />
      </label>
      <a class="plain" href="/api/parts/csv" download>All parts as CSV</a>
      <a class="plain" href="/api/parts/csv?own=true" download>My own as CSV</a>
    </div>
    <p v-if="trouble" class="bad" role="alert">{{ trouble }}</p>
    <p v-if="told" role="status">{{ told }}</p>
    <p class="quiet">
      Generic parts with typical figures, {{ rows.length }} of {{ parts.all.length }} shown. A part of your
      own with the id of a built-in one stands in its place. Check the sheet of the part that you buy.
    </p>
    <DataTable
      id="catalogue"
      label="Parts"
      :rows="rows"
      :key-of="(p: Part) => p.id"
      :name-of="(p: Part) => p.name"
      :columns="columns"
    >
      <template #own="{ row: p }">
        {{ p.own ? "my own" : p.supplier }}
        <button v-if="p.own" type="button" class="plain" :aria-label="`Remove ${p.name}`" @click="remove(p)">
          Remove
        </button>
      </template>
    </DataTable>
  </div>
</template>

<style scoped src="../panel.css"></style>
<style scoped>
.import {
  padding: 6px 12px;
  align-self: end;
}
.import:focus-within {
  outline: 2px solid var(--copper);
}
a.plain {
  align-self: center;
}
</style>
