<script setup lang="ts">
import { computed } from "vue";
import EditField from "../../app/EditField.vue";
import { UNIT_WORDS, words } from "../../drawing/marks";
import { typed } from "../../plan/patch";
import { pointer } from "../../plan/pointers";
import { useBench } from "../../plan/store";
import { useSnagged } from "./snagged";

/** The addresses and node ids of all units that have or need them. */
const bench = useBench();
const plan = computed(() => bench.plan!);
const rows = computed(() =>
  Object.entries(plan.value.units)
    .map(([id, u]) => ({ id, u, row: bench.assessment?.names[pointer("units", id)] }))
    .filter((r) => r.row?.needsAddress || r.row?.needsNodeId || r.u.ipv4 || r.u.mac || r.u.nodeId)
    .sort((a, b) => number(a.u.ipv4) - number(b.u.ipv4) || a.u.name.localeCompare(b.u.name)),
);
function number(address: string | null): number {
  return address
    ? address.split(".").reduce((sum, part) => sum * 256 + Number(part), 0)
    : Number.MAX_SAFE_INTEGER;
}
const dark = computed(() => Object.keys(bench.shown?.troubles ?? {}).length > 0);
const snagged = useSnagged();
const set = (id: string, field: "ipv4" | "mac" | "nodeId" | "leaseH", value: string | number | null) =>
  bench.edit([typed(["units", id, field], value)], `${words(field)} of ${plan.value.units[id]!.name}`);
</script>

<template>
  <p class="quiet">
    What is empty fills itself by the rule and then stays, whatever else is added or removed. What you type is
    kept, even twice; then a snag says so. Clear a field to have it assigned anew.
  </p>
  <table>
    <caption class="unseen">
      Addresses and node ids
    </caption>
    <thead>
      <tr>
        <th>Unit</th>
        <th>Kind</th>
        <th>Reserved address</th>
        <th>Lent for, h</th>
        <th>Hardware address</th>
        <th>Long-range node id</th>
        <th v-if="dark">Now</th>
      </tr>
    </thead>
    <tbody>
      <tr
        v-for="{ id, u, row } in rows"
        :key="id"
        :class="{ chosen: bench.selection === pointer('units', id) }"
      >
        <td>
          <button type="button" class="plain" @click="bench.select(pointer('units', id))">
            {{ u.name }}
          </button>
        </td>
        <td>{{ UNIT_WORDS[u.kind] }}</td>
        <td>
          <EditField
            bare
            optional
            :class="{ snagged: snagged.has(pointer('units', id)) }"
            :label="`Address of ${u.name}`"
            :value="u.ipv4"
            :save="(v: string | null) => set(id, 'ipv4', v)"
          />
          <span v-if="u.ipv4 && !row?.needsAddress" class="quiet"> not needed on its link</span>
        </td>
        <td>
          <EditField
            v-if="u.ipv4"
            bare
            numeric
            optional
            placeholder="fixed on it"
            :label="`Hours for which the address of ${u.name} is lent`"
            :value="u.leaseH"
            :save="(v: number | null) => set(id, 'leaseH', v)"
          />
        </td>
        <td>
          <EditField
            bare
            optional
            :label="`Hardware address of ${u.name}`"
            :value="u.mac"
            :save="(v: string | null) => set(id, 'mac', v)"
          />
        </td>
        <td>
          <EditField
            v-if="row?.needsNodeId || u.nodeId"
            bare
            numeric
            optional
            :label="`Node id of ${u.name}`"
            :value="u.nodeId"
            :save="(v: number | null) => set(id, 'nodeId', v)"
          />
        </td>
        <td v-if="dark" class="bad">{{ bench.shown?.troubles[id]?.why }}</td>
      </tr>
    </tbody>
  </table>
</template>

<style scoped src="../panel.css"></style>
<style scoped src="./tables.css"></style>
