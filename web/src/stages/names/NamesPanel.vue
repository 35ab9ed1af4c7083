<script setup lang="ts">
import { replaced, typed } from "../../plan/patch";
import { computed, ref } from "vue";
import EditField from "../../app/EditField.vue";
import { UNIT_WORDS, words } from "../../drawing/marks";
import { pointer } from "../../plan/pointers";
import { useBench } from "../../plan/store";

const bench = useBench();
const plan = computed(() => bench.plan!);
const which = ref<"addresses" | "topics">("addresses");
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
const snagged = computed(
  () =>
    new Set(
      (bench.assessment?.snags ?? [])
        .filter((s) => s.stage === "NAMES" && s.accepted === null)
        .flatMap((s) => s.subjects),
    ),
);

const set = (
  map: "units" | "devices",
  id: string,
  field: "ipv4" | "mac" | "nodeId" | "topic",
  value: string | number | null,
) => bench.edit([typed([map, id, field], value)], `${words(field)} of ${plan.value[map][id]!.name}`);
const NETWORK = {
  subnet: "Subnet",
  poolFrom: "Dynamic pool from",
  poolTo: "to",
  topicRoot: "Topic root",
} as const;
const byRule = (id: string) =>
  bench.edit([replaced(["devices", id, "topic"], null)], `topic of ${plan.value.devices[id]!.name}`);
const differs = (id: string, topic: string | null) => {
  const ruled = bench.assessment?.names[pointer("devices", id)]?.topicByRule;
  return !!ruled && topic !== ruled && !topic?.startsWith(ruled + "-");
};
</script>

<template>
  <div class="panel-body">
    <div class="row">
      <EditField
        v-for="(head, field) in NETWORK"
        :key="field"
        :label="head"
        :value="plan.network[field]"
        :save="(v: string) => bench.put(['network', field], v, words(field))"
      />
      <span class="grow" />
      <button
        type="button"
        :class="which === 'addresses' ? 'act' : 'soft'"
        :aria-pressed="which === 'addresses'"
        @click="which = 'addresses'"
      >
        Addresses
      </button>
      <button
        type="button"
        :class="which === 'topics' ? 'act' : 'soft'"
        :aria-pressed="which === 'topics'"
        @click="which = 'topics'"
      >
        Topics
      </button>
    </div>
    <p class="quiet">
      What is empty fills itself by the rule and then stays, whatever else is added or removed. What you type
      is kept, even twice; then a snag says so. Clear a field to have it assigned anew.
    </p>
    <table v-if="which === 'addresses'">
      <caption class="unseen">
        Addresses and node ids
      </caption>
      <thead>
        <tr>
          <th>Unit</th>
          <th>Kind</th>
          <th>Reserved address</th>
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
              :save="(v: string | null) => set('units', id, 'ipv4', v)"
            />
            <span v-if="u.ipv4 && !row?.needsAddress" class="quiet"> not needed on its link</span>
          </td>
          <td>
            <EditField
              bare
              optional
              :label="`Hardware address of ${u.name}`"
              :value="u.mac"
              :save="(v: string | null) => set('units', id, 'mac', v)"
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
              :save="(v: number | null) => set('units', id, 'nodeId', v)"
            />
          </td>
          <td v-if="dark" class="bad">{{ bench.shown?.troubles[id]?.why }}</td>
        </tr>
      </tbody>
    </table>
    <table v-else>
      <caption class="unseen">
        Message topics
      </caption>
      <thead>
        <tr>
          <th>Device</th>
          <th>Kind</th>
          <th>Topic</th>
          <th>The rule would say</th>
        </tr>
      </thead>
      <tbody>
        <tr
          v-for="(d, id) in plan.devices"
          :key="id"
          :class="{ chosen: bench.selection === pointer('devices', String(id)) }"
        >
          <td>
            <button type="button" class="plain" @click="bench.select(pointer('devices', String(id)))">
              {{ d.name }}
            </button>
          </td>
          <td>{{ words(d.kind) }}</td>
          <td class="wide">
            <EditField
              bare
              wide
              optional
              :class="{ snagged: snagged.has(pointer('devices', String(id))) }"
              :label="`Topic of ${d.name}`"
              :value="d.topic"
              :save="(v: string | null) => set('devices', String(id), 'topic', v)"
            />
          </td>
          <td>
            <template v-if="differs(String(id), d.topic)">
              {{ bench.assessment?.names[pointer("devices", String(id))]?.topicByRule }}
              <button
                type="button"
                class="plain"
                :aria-label="`Topic of ${d.name} by the rule`"
                @click="byRule(String(id))"
              >
                Use it
              </button>
            </template>
            <span v-else class="quiet">the same</span>
          </td>
        </tr>
      </tbody>
    </table>
  </div>
</template>

<style scoped src="../panel.css"></style>
<style scoped>
td:first-child {
  white-space: nowrap;
}
.bare :deep(input:not(.short, .wide)) {
  width: 142px;
}
.wide {
  min-width: 320px;
}
.wide label {
  width: 100%;
}
.snagged :deep(input) {
  border: 2px solid var(--unsafe);
}
</style>
