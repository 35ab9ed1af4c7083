<script setup lang="ts">
import { ref } from "vue";
import QueryTrouble from "../../app/QueryTrouble.vue";
import { answer, api, type Schemas } from "../../api/client";
import { useQuery } from "../../app/useQuery";
import { shown } from "../../drawing/marks";
import { useBench } from "../../plan/store";

/** The smallest boards that are enough, for each room or shared by each floor. */
const bench = useBench();
const spare = ref(0.2);
const {
  answer: schools,
  trouble,
  working: busy,
} = useQuery(
  () => ({ spare: spare.value }),
  (query, signal) =>
    answer(api.GET("/api/plans/{id}/board-choices", { params: { path: { id: bench.id }, query }, signal })),
);
const cost = (value: number) => `${shown(value, 2)} ${bench.plan!.money.currency}`;
const make = (c: Schemas["BoardChoice"]) => bench.propose(c.edits, `a controller for ${c.name}`);
</script>

<template>
  <QueryTrouble :trouble="trouble" />
  <div class="panel-body">
    <div class="row">
      <label class="field">
        Spare channels
        <select v-model.number="spare">
          <option v-for="s in [0, 0.1, 0.2, 0.3, 0.5]" :key="s" :value="s">{{ shown(s * 100, 0) }} %</option>
        </select>
      </label>
      <p v-if="busy" class="quiet" role="status">Trying combinations…</p>
    </div>
    <p class="quiet">
      The cheapest boards on which every device of the place finds a terminal, the spare ones counted; each
      with a plug supply and a box. Wires are reckoned from the middle of the devices.
    </p>
    <section v-for="s in schools" :key="s.id">
      <h3>{{ s.name }}: {{ cost(s.total) }}</h3>
      <p v-if="!s.choices.length" class="quiet">No device in a room needs a controller yet.</p>
      <table v-else>
        <caption class="unseen">
          {{
            s.name
          }}
        </caption>
        <thead>
          <tr>
            <th>{{ s.id === "room" ? "Room" : "Floor" }}</th>
            <th class="number">Devices</th>
            <th>Asks for</th>
            <th>Boards that are enough</th>
            <th class="number">Left</th>
            <th class="number">Parts</th>
            <th class="number">Wires</th>
            <th><span class="unseen">Make it</span></th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="c in s.choices" :key="c.place">
            <td>{{ c.name }}</td>
            <td class="number">{{ c.devices }}</td>
            <td>
              {{
                [
                  c.relays && `${c.relays} relays`,
                  c.dimmers && `${c.dimmers} dimmers`,
                  c.inputs && `${c.inputs} inputs`,
                ]
                  .filter(Boolean)
                  .join(", ")
              }}
            </td>
            <td v-if="c.boards.length">{{ c.boards.join(" + ") }}</td>
            <td v-else class="bad">none of the catalogue is enough</td>
            <td class="number">{{ c.free }}</td>
            <td class="number">{{ shown(c.parts, 2) }}</td>
            <td class="number">{{ shown(c.cableM, 0) }} m, {{ shown(c.cableCost, 2) }}</td>
            <td>
              <button v-if="c.edits.length" type="button" class="plain" @click="make(c)">Put it in</button>
            </td>
          </tr>
        </tbody>
      </table>
    </section>
  </div>
</template>

<style scoped src="../panel.css"></style>
