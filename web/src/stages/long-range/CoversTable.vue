<script setup lang="ts">
import type { Schemas } from "../../api/client";
import EditField from "../../app/EditField.vue";
import { useBench } from "../../plan/store";

/** What stands along a path: trees, buildings, water. */
const props = defineProps<{ id: string; path: Schemas["RadioPath"] }>();
const bench = useBench();
const KINDS = { TREES: "trees in leaf", BUILDING: "building", WATER: "water" };
const put = (covers: Schemas["Cover"][]) =>
  bench.put(["paths", props.id, "covers"], covers, "what stands along a path");
const change = (at: number, field: keyof Schemas["Cover"], value: unknown) =>
  put(props.path.covers.map((c, i) => (i === at ? { ...c, [field]: value } : c)));
function add() {
  const end = props.path.profile.at(-1)!.distanceM;
  void put([
    ...props.path.covers,
    { kind: "TREES", fromM: Math.round(end * 0.4), toM: Math.round(end * 0.5), heightM: 10 },
  ]);
}
const chosen = (event: Event) => (event.target as HTMLSelectElement).value;
</script>

<template>
  <section>
    <h3>Along the path</h3>
    <table v-if="path.covers.length" class="covers">
      <caption class="unseen">
        What stands along the path
      </caption>
      <thead>
        <tr>
          <th>What</th>
          <th>From, m</th>
          <th>To, m</th>
          <th>Height, m</th>
          <th><span class="unseen">Remove</span></th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="(c, i) in path.covers" :key="i">
          <td>
            <select
              :value="c.kind"
              :aria-label="`What stands there, ${i + 1}`"
              @change="change(i, 'kind', chosen($event))"
            >
              <option v-for="(text, kind) in KINDS" :key="kind" :value="kind">{{ text }}</option>
            </select>
          </td>
          <td>
            <EditField
              bare
              numeric
              :label="`From, ${i + 1}`"
              :value="c.fromM"
              :save="(v: number) => change(i, 'fromM', v)"
            />
          </td>
          <td>
            <EditField
              bare
              numeric
              :label="`To, ${i + 1}`"
              :value="c.toM"
              :save="(v: number) => change(i, 'toM', v)"
            />
          </td>
          <td>
            <EditField
              bare
              numeric
              :label="`Height, ${i + 1}`"
              :value="c.heightM"
              :save="(v: number) => change(i, 'heightM', v)"
            />
          </td>
          <td>
            <button type="button" class="plain" @click="put(path.covers.filter((_, j) => j !== i))">
              Remove
            </button>
          </td>
        </tr>
      </tbody>
    </table>
    <button type="button" class="soft" @click="add">Add trees, a building or water</button>
  </section>
</template>

<style scoped>
.covers {
  width: auto;
  margin-bottom: 6px;
}
</style>
