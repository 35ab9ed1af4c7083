<script setup lang="ts">
import { computed, ref } from "vue";
import { UNIT_WORDS, words } from "../../drawing/marks";
import { pointer } from "../../plan/pointers";
import { useBench } from "../../plan/store";

const bench = useBench();
const plan = computed(() => bench.plan!);
const which = ref<"addresses" | "topics">("addresses");
const text = (event: Event) => (event.target as HTMLInputElement).value.trim();
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
const snagged = computed(
  () =>
    new Set(
      (bench.assessment?.snags ?? [])
        .filter((s) => s.stage === "NAMES" && s.accepted === null)
        .flatMap((s) => s.subjects),
    ),
);

async function set(map: "units" | "devices", id: string, field: string, event: Event) {
  const raw = text(event);
  const value = raw === "" ? null : field === "nodeId" ? Number(raw) : raw;
  const input = event.target as HTMLInputElement;
  const name = plan.value[map][id]!.name;
  const done = await bench.edit(
    [{ op: "replace", path: pointer(map, id, field), value }],
    `${words(field)} of ${name}`,
  );
  const kept = plan.value[map][id] as unknown as Record<string, unknown>;
  if (!done) input.value = String(kept[field] ?? "");
}
const setNetwork = async (field: "subnet" | "poolFrom" | "poolTo" | "topicRoot", event: Event) => {
  const done = await bench.edit(
    [{ op: "replace", path: pointer("network", field), value: text(event) }],
    words(field),
  );
  if (!done) (event.target as HTMLInputElement).value = plan.value.network[field];
};
const byRule = (id: string) =>
  bench.edit(
    [{ op: "replace", path: pointer("devices", id, "topic"), value: null }],
    `topic of ${plan.value.devices[id]!.name}`,
  );
const differs = (id: string, topic: string | null) => {
  const ruled = bench.assessment?.names[pointer("devices", id)]?.topicByRule;
  return !!ruled && topic !== ruled && !topic?.startsWith(ruled + "-");
};
</script>

<template>
  <div class="panel-body">
    <div class="row">
      <label class="field"
        >Subnet<input :value="plan.network.subnet" @change="setNetwork('subnet', $event)"
      /></label>
      <label class="field"
        >Dynamic pool from<input :value="plan.network.poolFrom" @change="setNetwork('poolFrom', $event)"
      /></label>
      <label class="field"
        >to<input :value="plan.network.poolTo" @change="setNetwork('poolTo', $event)"
      /></label>
      <label class="field"
        >Topic root<input :value="plan.network.topicRoot" @change="setNetwork('topicRoot', $event)"
      /></label>
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
            <input
              :key="String(u.ipv4)"
              :class="{ snagged: snagged.has(pointer('units', id)) }"
              :aria-label="`Address of ${u.name}`"
              :value="u.ipv4"
              @change="set('units', id, 'ipv4', $event)"
            />
            <span v-if="u.ipv4 && !row?.needsAddress" class="quiet"> not needed on its link</span>
          </td>
          <td>
            <input
              :key="String(u.mac)"
              :aria-label="`Hardware address of ${u.name}`"
              :value="u.mac"
              class="mac"
              @change="set('units', id, 'mac', $event)"
            />
          </td>
          <td>
            <input
              v-if="row?.needsNodeId || u.nodeId"
              :key="String(u.nodeId)"
              :aria-label="`Node id of ${u.name}`"
              :value="u.nodeId"
              class="short"
              inputmode="numeric"
              @change="set('units', id, 'nodeId', $event)"
            />
          </td>
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
            <input
              :key="String(d.topic)"
              :class="{ snagged: snagged.has(pointer('devices', String(id))) }"
              :aria-label="`Topic of ${d.name}`"
              :value="d.topic"
              @change="set('devices', String(id), 'topic', $event)"
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
.wide input {
  width: 100%;
  min-width: 300px;
}
.mac {
  width: 150px;
}
.snagged {
  border: 2px solid var(--unsafe);
}
</style>
