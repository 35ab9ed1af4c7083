<script setup lang="ts">
import { ref } from "vue";
import { answer, api } from "../../api/client";
import QueryTrouble from "../../app/QueryTrouble.vue";
import { choice, yesNo } from "../../app/typed";
import { useQuery } from "../../app/useQuery";
import { pointer } from "../../plan/pointers";
import { useBench } from "../../plan/store";

/** What starts when the supposed outage ends, when it is of use, and what outputs do meanwhile. */
const bench = useBench();
const open = ref(false);
const { answer: order, trouble } = useQuery(
  () => (open.value && bench.id && bench.without.length ? { id: bench.id, outage: bench.outageQuery } : null),
  ({ id, outage }, signal) =>
    answer(
      api.GET("/api/plans/{id}/outages/return", {
        params: { path: { id } },
        querySerializer: () => outage,
        signal,
      }),
    ),
);
const say = (unit: string, asks: string | null) =>
  bench.put(["units", unit, "asksAgain"], yesNo(asks), "whether it asks again");
const minutes = (seconds: number) =>
  seconds < 60 ? `${seconds} s` : `${Math.floor(seconds / 60)} min ${seconds % 60} s`;
</script>

<template>
  <details @toggle="open = ($event.target as HTMLDetailsElement).open">
    <summary>When it comes back</summary>
    <QueryTrouble :trouble="trouble" />
    <p v-if="order && !order.starts.length" class="quiet">Nothing lost its power, so nothing starts.</p>
    <template v-if="order?.starts.length">
      <table>
        <caption class="unseen">
          Units that start, by when they are of use
        </caption>
        <thead>
          <tr>
            <th scope="col">Unit</th>
            <th scope="col">Started after</th>
            <th scope="col">Of use after</th>
            <th scope="col">Waits for</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="s in order.starts" :key="s.unit">
            <th scope="row">
              <button type="button" class="plain" @click="bench.select(pointer('units', s.unit))">
                {{ s.name }}
              </button>
            </th>
            <td>{{ minutes(s.readyS) }}</td>
            <td>{{ minutes(s.usableS) }}</td>
            <td>
              {{ s.waitsFor === null ? "–" : bench.plan?.units[s.waitsFor]?.name }}
              <label v-if="s.early" class="quiet">
                and is deaf until it asks again:
                <select
                  :value="s.asksAgain === null ? '' : s.asksAgain ? 'yes' : 'no'"
                  :aria-label="`Whether ${s.name} asks again`"
                  :class="{ bad: s.asksAgain === false }"
                  @change="say(s.unit, choice($event))"
                >
                  <option value="">nobody said</option>
                  <option value="yes">it does</option>
                  <option value="no">it does not</option>
                </select>
              </label>
            </td>
          </tr>
        </tbody>
      </table>
      <table v-if="order.outputs.length">
        <caption>
          What outputs do
        </caption>
        <thead>
          <tr>
            <th scope="col">Device</th>
            <th scope="col">While its board starts</th>
            <th scope="col">Then</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="o in order.outputs" :key="o.device">
            <th scope="row">
              <button type="button" class="plain" @click="bench.select(pointer('devices', o.device))">
                {{ o.name }}
              </button>
            </th>
            <td>{{ o.meanwhile }}</td>
            <td>{{ o.then }}</td>
          </tr>
        </tbody>
      </table>
      <p class="quiet">Times to start are typical of each kind, unless a unit says its own at Controllers.</p>
    </template>
  </details>
</template>

<style scoped src="../panel.css"></style>
<style scoped src="../names/tables.css"></style>
<style scoped>
th,
td,
caption {
  text-align: left;
}
caption {
  font-weight: 600;
}
</style>
