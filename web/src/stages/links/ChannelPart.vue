<script setup lang="ts">
import QueryTrouble from "../../app/QueryTrouble.vue";
import { answer, api } from "../../api/client";
import { usePlanQuery } from "../../app/useQuery";
import { shown } from "../../drawing/marks";
import { useBench } from "../../plan/store";

/** The frequency channels of the house's own transmitters, how much they disturb each other, and the best choice. */
const bench = useBench();
const { answer: found, trouble: unanswered } = usePlanQuery((id, signal) =>
  answer(api.GET("/api/plans/{id}/channels", { params: { path: { id } }, signal })),
);
const level = (dbm: number) => (dbm <= -149 ? "nothing" : `${shown(dbm, 0)} dBm`);
const apply = () => bench.propose(found.value!.edits, "channels of the transmitters");
</script>

<template>
  <QueryTrouble :trouble="unanswered" />
  <div v-if="found" class="panel-body">
    <p v-if="!found.rows.length" class="quiet">
      There is no access point and no mesh gateway yet, so there are no channels to choose.
    </p>
    <template v-else>
      <table>
        <caption class="unseen">
          Frequency channels
        </caption>
        <thead>
          <tr>
            <th>Transmitter</th>
            <th>Radio</th>
            <th class="number">Clients</th>
            <th class="number">Channel</th>
            <th class="number">Disturbed by</th>
            <th class="number">Best channel</th>
            <th class="number">Then</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="r in found.rows" :key="r.unit + r.radio">
            <td>{{ r.name }}</td>
            <td>{{ r.radio }}</td>
            <td class="number" :class="{ bad: r.mostClients > 0 && r.clients > r.mostClients }">
              {{ r.clients }}{{ r.mostClients ? ` of ${r.mostClients}` : "" }}
            </td>
            <td class="number">{{ r.now }}</td>
            <td class="number">{{ level(r.disturbedBy) }}</td>
            <td class="number">{{ r.then }}</td>
            <td class="number">{{ level(r.disturbedThen) }}</td>
          </tr>
        </tbody>
      </table>
      <p class="quiet">
        Each pair counts with what one receives of the other, times the share of its width that both channels
        have in common. Neighbours' transmitters are not in it.
        {{ found.proven ? "Every choice was tried or ruled out." : "Cut short: a better choice may exist." }}
      </p>
      <button v-if="found.edits.length" type="button" class="act" @click="apply">
        Use the best channels
      </button>
      <p v-else class="good">Nothing better exists than the channels as they are.</p>
    </template>
  </div>
</template>

<style scoped src="../panel.css"></style>
<style scoped>
.good {
  color: var(--holds);
}
.act {
  align-self: flex-start;
}
</style>
