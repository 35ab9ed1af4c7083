<script setup lang="ts">
import { computed, ref } from "vue";
import QueryTrouble from "../../app/QueryTrouble.vue";
import { answer, api, type Schemas } from "../../api/client";
import FigureButton from "../../app/FigureButton.vue";
import { usePlanQuery } from "../../app/useQuery";
import { shown } from "../../drawing/marks";
import { useLength } from "../../app/useLength";
import { useBench } from "../../plan/store";
import type { TableColumn } from "../../table/columns";
import DataTable from "../../table/DataTable.vue";

/** Every cable with its two ends and what each core carries. */
type Line = Schemas["CableLine"];
const bench = useBench();
const { length } = useLength();
const { answer: cables, trouble: unanswered } = usePlanQuery((id, signal) =>
  answer(api.GET("/api/plans/{id}/cable-schedule", { params: { path: { id } }, signal })),
);
const text = ref("");
const rows = computed(() =>
  (cables.value ?? []).filter((c) =>
    `${c.id} ${c.fromName} ${c.toName} ${c.kind}`.toLowerCase().includes(text.value.toLowerCase()),
  ),
);
const total = computed(() => {
  const metres = new Map<string, number>();
  for (const c of cables.value ?? []) {
    if (c.part && c.lengthM !== null) metres.set(c.kind, (metres.get(c.kind) ?? 0) + c.lengthM);
  }
  return [...metres].map(([kind, m]) => `${length(m, 0)} of ${kind}`).join(" · ");
});
const LAYER: Record<Line["layer"], string> = {
  MAINS: "mains",
  LOW_VOLTAGE: "low voltage",
  BUS: "data",
  CONTACTS: "contacts",
};

type Cable = (typeof rows.value)[number];
const columns: TableColumn<Cable>[] = [
  { id: "label", head: "Label", value: (c) => c.id },
  { id: "from", head: "From", value: (c) => c.fromName },
  { id: "to", head: "To", value: (c) => c.toName },
  { id: "kind", head: "Kind", value: (c) => `${c.kind}, ${LAYER[c.layer]}` },
  {
    id: "length",
    head: "Length, m",
    numeric: true,
    value: (c) => c.lengthM,
    shown: (c) => (c.lengthM === null ? "no place" : `${c.typed ? "" : "about "}${shown(c.lengthM, 0)}`),
  },
  {
    id: "cores",
    head: "Cores carry",
    wide: true,
    value: (c) => c.cores.map((k) => `${k.colour} ${k.carries}${k.at ? ` ${k.at}` : ""}`).join("; "),
  },
  {
    id: "drop",
    head: "Drop, V",
    numeric: true,
    value: (c) => c.dropV,
    shown: (c) => (c.dropV === null ? "" : shown(c.dropV, 2)),
  },
];
</script>

<template>
  <QueryTrouble :trouble="unanswered" />
  <div class="panel-body">
    <div class="row">
      <label class="field"
        >Find<input v-model="text" type="search" placeholder="label, thing or kind"
      /></label>
      <a class="plain" :href="`/api/plans/${bench.id}/cable-schedule/csv`" download>Schedule as CSV</a>
      <a class="plain" :href="`/api/plans/${bench.id}/cable-schedule/labels`" download
        >Labels for both ends (PDF)</a
      >
    </div>
    <p v-if="total" class="quiet">New: {{ total }}</p>
    <p v-if="cables && !cables.length" class="quiet">
      No cable yet. Link units by Ethernet, feed them from a supply, or attach devices that stand elsewhere
      than their controller.
    </p>
    <DataTable
      v-else
      id="cables"
      label="Cables"
      :rows="rows"
      :key-of="(c: Cable) => c.id"
      :name-of="(c: Cable) => c.id"
      :columns="columns"
      @open="(id: string) => bench.select(rows.find((c) => c.id === id)!.to)"
    >
      <template #cores="{ row: c }">
        <span v-for="k in c.cores" :key="k.colour + k.carries" class="core"
          ><i>{{ k.colour }}</i> {{ k.carries }}<b v-if="k.at">&ensp;{{ k.at }}</b></span
        >
      </template>
      <template #drop="{ row: c }">
        <FigureButton v-if="c.dropV !== null" :figure="c.drop" :name="`Drop on ${c.id}`"
          >{{ shown(c.dropV, 2) }} V</FigureButton
        >
      </template>
    </DataTable>
  </div>
</template>

<style scoped src="../panel.css"></style>
<style scoped>
a.plain {
  align-self: center;
}
.label {
  font-weight: 600;
  letter-spacing: 0.04em;
}
.core {
  display: inline-block;
  margin-right: 10px;
  font-size: 13px;
}
.cores i {
  font-style: normal;
  color: var(--ink2);
}
.cores b {
  font-weight: 500;
  color: var(--signal);
}
</style>
