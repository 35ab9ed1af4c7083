<script setup lang="ts">
import { computed } from "vue";
import type { Snag } from "../../api/client";
import { nameAt } from "../../plan/pointers";
import { stageId, stageName } from "../../plan/stages";
import { useBench } from "../../plan/store";
import { useGo } from "../../plan/useGo";
import { SEVERITY_WORDS, subjectOf } from "../../snags/folding";
import type { TableColumn } from "../../table/columns";
import DataTable from "../../table/DataTable.vue";

/** Every snag of the plan as a table, the worst first; opening one goes to its thing at its stage. */
const bench = useBench();
const go = useGo();
const ORDER = { STOP: 0, FIX: 1, LOOK: 2 } as const;
const rows = computed(() =>
  [...(bench.shown?.snags ?? [])].sort(
    (a, b) =>
      Number(a.accepted !== null) - Number(b.accepted !== null) || ORDER[a.severity] - ORDER[b.severity],
  ),
);
const columns: TableColumn<Snag>[] = [
  { id: "title", head: "Snag", wide: true, value: (s) => s.title },
  { id: "severity", head: "How bad", value: (s) => SEVERITY_WORDS[s.severity] },
  { id: "stage", head: "Stage", value: (s) => stageName(s.stage) },
  { id: "code", head: "Code", value: (s) => s.code },
  { id: "figures", head: "Figures", wide: true, value: (s) => s.figures },
  { id: "consequence", head: "What it leads to", wide: true, hidden: true, value: (s) => s.consequence },
  {
    id: "things",
    head: "Things",
    hidden: true,
    wide: true,
    value: (s) => s.subjects.map((p) => nameAt(bench.plan!, p)).join(", "),
  },
  { id: "fixes", head: "Fixes", numeric: true, value: (s) => s.fixes.length || null },
  { id: "accepted", head: "Accepted", value: (s) => s.accepted ?? "" },
];
function open(key: string) {
  const snag = rows.value.find((s) => s.key === key)!;
  go(stageId(snag.stage), { select: subjectOf(snag) });
}
</script>

<template>
  <div class="panel-body">
    <p v-if="!rows.length" class="quiet">No snag, or nothing yet that could be judged.</p>
    <DataTable
      v-else
      id="snags"
      label="All snags"
      :rows="rows"
      :key-of="(s: Snag) => s.key"
      :name-of="(s: Snag) => s.title"
      :columns="columns"
      @open="(key: string, whole: boolean) => whole && open(key)"
    />
  </div>
</template>

<style scoped src="../panel.css"></style>
