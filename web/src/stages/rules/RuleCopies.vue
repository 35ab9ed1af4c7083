<script setup lang="ts">
import { answer, api, type Schemas } from "../../api/client";
import QueryTrouble from "../../app/QueryTrouble.vue";
import { useQuery } from "../../app/useQuery";
import { added } from "../../plan/patch";
import { freeId, pointer } from "../../plan/pointers";
import { useBench } from "../../plan/store";

/** The chosen rule as it would be for other rooms: what takes the place of what, read before it is added. */
const props = defineProps<{ rule: string }>();
const bench = useBench();
const { answer: copies, trouble } = useQuery(
  () => (bench.id ? { id: bench.id, rule: props.rule } : null),
  (q, signal) =>
    answer(
      api.GET("/api/plans/{id}/rules/{rule}/copies", {
        params: { path: { id: q.id, rule: q.rule } },
        signal,
      }),
    ),
);
async function take(copy: Schemas["RuleCopy"]) {
  if (!copy.made || !bench.plan) return;
  const id = freeId(copy.made.name, bench.plan.rules);
  if (await bench.edit([added(["rules", id], copy.made)], `rule ${copy.made.name}`)) {
    bench.select(pointer("rules", id));
  }
}
</script>

<template>
  <QueryTrouble :trouble="trouble" />
  <p v-if="copies && !copies.length" class="quiet">No other room has things like those of this rule.</p>
  <table v-if="copies?.length">
    <caption class="unseen">
      For other rooms
    </caption>
    <thead>
      <tr>
        <th>For</th>
        <th>In place of</th>
        <th>It would say</th>
        <th></th>
      </tr>
    </thead>
    <tbody>
      <tr v-for="c in copies" :key="c.room">
        <th scope="row">{{ c.roomName }}</th>
        <td>
          <div v-for="t in c.things" :key="t.device" :class="{ bad: !t.instead }">
            {{ t.name }}: {{ t.insteadName ?? "nothing like it, left out" }}
          </div>
        </td>
        <td>{{ c.says }}</td>
        <td>
          <button
            v-if="c.made"
            type="button"
            class="plain"
            :aria-label="`Add it for ${c.roomName}`"
            @click="take(c)"
          >
            Add it
          </button>
        </td>
      </tr>
    </tbody>
  </table>
</template>

<style scoped src="../panel.css"></style>
<style scoped src="../names/tables.css"></style>
