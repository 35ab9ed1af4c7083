<script setup lang="ts">
import { computed, onBeforeUnmount, reactive, watch } from "vue";
import { answer, api, type Schemas } from "../../api/client";
import JobProgress from "../../app/JobProgress.vue";
import { useJob } from "../../app/useJob";
import { useCoverage } from "../../coverage/store";
import { shown } from "../../drawing/marks";
import { useBench } from "../../plan/store";
import { useLinksView } from "./view";

/** Asks where the next box should stand, or how few cover everything; draws and explains up to three answers. */
const bench = useBench();
const view = useLinksView();
const coverage = useCoverage();
const ask = reactive<Schemas["PlacementRequest"]>({
  medium: coverage.medium ?? "WIFI_2G4",
  goal: "NEXT",
  cover: "DEVICES",
  times: 1,
  keep: true,
  building: null,
  boxCost: 60,
  outletCost: 90,
});
const {
  job,
  share,
  doing,
  trouble,
  start: begin,
  stop,
} = useJob<Schemas["PlacementResult"]>((found) => {
  view.placement = found;
  const first = found?.placings[0]?.boxes[0];
  if (first) bench.floor = first.floor;
});
const radios = computed(() => bench.catalog!.radios);
const floorName = (id: string) => bench.plan!.floors[id]?.name ?? id;
const roomName = (id: string) => bench.plan!.rooms[id]?.name ?? id;
const NAMES = ["Best", "Second choice", "Third choice"];

watch(
  () => bench.revision,
  () => (view.placement = null),
);

async function start() {
  view.placement = null;
  view.looked = 0;
  await begin(() =>
    answer(api.POST("/api/plans/{id}/placement", { params: { path: { id: bench.id } }, body: { ...ask } })),
  );
}
function look(n: number) {
  view.looked = n;
  const first = view.placing?.boxes[0];
  if (first) bench.floor = first.floor;
}
async function apply() {
  const placing = view.placing!;
  const label =
    placing.boxes.length === 1
      ? `box in ${roomName(placing.boxes[0]!.room)}`
      : `${placing.boxes.length} boxes`;
  await bench.propose(placing.edits, label);
}
onBeforeUnmount(() => {
  view.placement = null;
});
</script>

<template>
  <div class="panel-body">
    <form class="row" @submit.prevent="start">
      <label class="field">
        Radio
        <select v-model="ask.medium">
          <option v-for="m in radios" :key="m.id" :value="m.id">{{ m.name }}</option>
        </select>
      </label>
      <label class="field">
        Question
        <select v-model="ask.goal">
          <option value="NEXT">where should the next box go</option>
          <option value="FEWEST">fewest boxes that cover</option>
        </select>
      </label>
      <label class="field">
        Everything means
        <select v-model="ask.cover">
          <option value="DEVICES">every device and place</option>
          <option value="ROOMS">95 % of every room</option>
        </select>
      </label>
      <label class="field">
        Each
        <select v-model.number="ask.times">
          <option :value="1">once</option>
          <option :value="2">twice</option>
        </select>
      </label>
      <label class="field">
        In
        <select v-model="ask.building">
          <option :value="null">the whole site</option>
          <option v-for="(b, id) in bench.plan!.buildings" :key="id" :value="id">{{ b.name }}</option>
        </select>
      </label>
      <label class="field">
        Boxes that stand
        <select v-model="ask.keep">
          <option :value="true">stay</option>
          <option :value="false">are not counted</option>
        </select>
      </label>
      <label class="field"
        >Cost of a box<input v-model.number="ask.boxCost" class="short" type="number" min="0"
      /></label>
      <label class="field">
        Of a new outlet<input v-model.number="ask.outletCost" class="short" type="number" min="0" />
      </label>
      <button v-if="!job" type="submit" class="act">Find places</button>
      <button v-else type="button" class="soft" @click="stop">Stop</button>
    </form>
    <JobProgress v-if="job" :share="share" :doing="doing" />
    <p v-if="trouble" class="bad" role="alert">{{ trouble }}</p>
    <template v-if="view.placement">
      <p v-if="view.placement.impossible.length" class="bad">
        No place covers {{ view.placement.impossible.slice(0, 8).join(", ")
        }}{{ view.placement.impossible.length > 8 ? " and others" : "" }}
        {{ ask.times === 2 ? " twice" : "" }}: a wire or another radio is needed there.
      </p>
      <p v-if="!view.placement.placings.length && view.placement.before === view.placement.demands">
        Everything is covered already: {{ view.placement.before }} of {{ view.placement.demands }}.
      </p>
      <p v-else-if="view.placement.placings[0]?.boxes.length === 0">
        Everything is covered already by the boxes that stand.
      </p>
      <table v-else-if="view.placement.placings.length">
        <caption class="unseen">
          Proposed places
        </caption>
        <thead>
          <tr>
            <th>Choice</th>
            <th>Where</th>
            <th>Why</th>
            <th class="number">Cost</th>
            <th><span class="unseen">Look</span></th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="(p, n) in view.placement.placings" :key="n" :class="{ chosen: n === view.looked }">
            <td>{{ NAMES[n] }}</td>
            <td>
              <div v-for="b in p.boxes" :key="b.unit">
                {{ roomName(b.room) }} ({{ floorName(b.floor) }}) at {{ shown(b.place.xM, 1) }},
                {{ shown(b.place.yM, 1) }} m{{ b.near ? `, near ${b.near}` : ", with a new outlet" }}
              </div>
            </td>
            <td>{{ p.why }}</td>
            <td class="number">{{ shown(p.cost, 0) }}</td>
            <td>
              <button v-if="n !== view.looked" type="button" class="plain" @click="look(n)">Show</button>
              <span v-else class="quiet">on the sheet</span>
            </td>
          </tr>
        </tbody>
      </table>
      <div class="row">
        <button v-if="view.placing?.boxes.length" type="button" class="act" @click="apply">
          Put {{ view.placing.boxes.length === 1 ? "it" : "them" }} into the plan
        </button>
        <span class="quiet">
          {{ view.placement.candidates }} places looked at for {{ view.placement.demands }} demands in
          {{ shown(view.placement.seconds, 1) }} s;
          {{
            view.placement.proven
              ? "proven: no cheaper choice covers as much"
              : `cut short: at most ${shown(view.placement.gap * 100, 0)} % dearer than the best there can be`
          }}.
        </span>
      </div>
    </template>
  </div>
</template>

<style scoped src="../panel.css"></style>
