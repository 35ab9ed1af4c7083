<script setup lang="ts">
import { removed, type FieldOf, type ValueOf } from "../../plan/patch";
import { computed, reactive, ref } from "vue";
import { answer, api, type Medium, type Schemas } from "../../api/client";
import CurvePlot from "../../app/CurvePlot.vue";
import EditField from "../../app/EditField.vue";
import FigureButton from "../../app/FigureButton.vue";
import { text } from "../../app/typed";
import { useQuery } from "../../app/useQuery";
import { useCoverage } from "../../coverage/store";
import { percent, shown, words } from "../../drawing/marks";
import { chosenGround, firstChoice } from "../../drawing/moves";
import { command } from "../../plan/commands";
import { pointer, thingOf } from "../../plan/pointers";
import { useBench } from "../../plan/store";
import PlaceFields from "../PlaceFields.vue";
import WhereSelect from "../WhereSelect.vue";
import { useLinksLoad, useLinksView } from "./view";

/** How well each room of the sheet is covered, and the places from which phones and handsets must work. */
const bench = useBench();
const coverage = useCoverage();
const view = useLinksView();
useLinksLoad();
const plan = computed(() => bench.plan!);
const rows = computed(() => coverage.shown?.coverage.rooms ?? []);
const wanted = computed(() => coverage.shown?.coverage.wantedDbm ?? 0);
const room = (id: string) => plan.value.rooms[id]?.name ?? id;
const unit = (id: string | null) => (id ? (plan.value.units[id]?.name ?? id) : "none");
const share = (value: number) => `${Math.floor(value * 100)} %`;
const figure = (r: Schemas["RoomCover"]) => ({
  formula: "cells of the room at or above the wanted level ÷ cells of the room",
  inputs: {
    "wanted level": `${shown(wanted.value, 0)} dBm`,
    cell: `${shown(coverage.shown!.coverage.grid.cellM * 100, 0)} cm`,
    "weakest at": `${shown(r.worstXM, 1)}, ${shown(r.worstYM, 1)} m on the site`,
    model: coverage.shown!.coverage.model,
  },
  source: "multi-wall grid; ITU-R P.525 and P.2040",
  extrapolated: false,
});

/** The room along which the level is drawn: the one selected, or the first of the sheet. */
const along = ref<string | null>(null);
const lengthwise = computed(() => {
  const thing = thingOf(bench.selection);
  const selected = thing?.[0] === "rooms" ? thing[1] : null;
  const wish = along.value ?? selected;
  return rows.value.some((r) => r.room === wish) ? wish : (rows.value[0]?.room ?? null);
});
const { answer: level } = useQuery(
  () =>
    coverage.medium && lengthwise.value
      ? { medium: coverage.medium, room: lengthwise.value, outage: bench.outageQuery }
      : null,
  ({ medium, room: where, outage }, signal) =>
    answer(
      api.GET("/api/plans/{id}/coverage/{medium}/along/{room}", {
        params: { path: { id: bench.id, medium, room: where } },
        querySerializer: () => outage,
        signal,
      }),
    ),
);
const demands = computed(() => Object.entries(plan.value.demands));
const chosen = computed(() => {
  const thing = thingOf(bench.selection);
  const demand = thing?.[0] === "demands" ? plan.value.demands[thing[1]] : undefined;
  return demand ? { id: thing![1], path: pointer("demands", thing![1]), demand } : null;
});
const put = <F extends FieldOf<"demands">>(field: F, value: ValueOf<"demands", F>) =>
  bench.put<["demands", string, F]>(
    ["demands", chosen.value!.id, field],
    value,
    `${words(field)} of ${chosen.value!.demand.name}`,
  );
const CRITICALITIES = ["COMFORT", "ROUTINE", "PROTECTIVE", "VITAL"] as const;
const fresh = reactive({ name: "", where: "", medium: "WIFI_2G4" as Medium });
async function add() {
  const where = fresh.where || firstChoice(plan.value, bench.floor, bench.selection);
  const asked = { name: fresh.name, medium: fresh.medium, ...chosenGround(where) };
  if (await command("add-demand", asked, `place ${fresh.name}`)) fresh.name = "";
}
const remove = (id: string) =>
  bench.edit([removed("demands", id)], `remove place ${plan.value.demands[id]!.name}`);
</script>

<template>
  <div class="panel-body">
    <p v-if="!coverage.medium" class="quiet">
      Choose a radio under the drawing to see how well its rooms are covered.
    </p>
    <table v-else-if="rows.length">
      <caption class="unseen">
        Coverage of the rooms of this floor
      </caption>
      <thead>
        <tr>
          <th>Room</th>
          <th class="number">At {{ shown(wanted, 0) }} dBm or more</th>
          <th class="number">Weakest, dBm</th>
          <th>Best from</th>
          <th>Then from</th>
          <th class="number">If the best one fails</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="r in rows" :key="r.room">
          <td>
            <button type="button" class="plain" @click="bench.select(pointer('rooms', r.room))">
              {{ room(r.room) }}
            </button>
          </td>
          <td class="number" :class="{ bad: r.share < 0.95 }">
            <FigureButton :figure="figure(r)" :name="`coverage of ${room(r.room)}`">{{
              share(r.share)
            }}</FigureButton>
          </td>
          <td class="number">{{ r.worstDbm <= -300 ? "nothing" : shown(r.worstDbm, 0) }}</td>
          <td>{{ unit(r.best) }}</td>
          <td>{{ unit(r.second) }}</td>
          <td class="number" :class="{ bad: r.shareWithoutBest < 0.95 }">{{ share(r.shareWithoutBest) }}</td>
        </tr>
      </tbody>
    </table>
    <section v-if="level && lengthwise" aria-labelledby="level-along">
      <div class="row">
        <h3 id="level-along" class="grow">Level along {{ room(lengthwise) }}</h3>
        <label class="field">
          Along
          <select :value="lengthwise" @change="along = text($event)">
            <option v-for="r in rows" :key="r.room" :value="r.room">{{ room(r.room) }}</option>
          </select>
        </label>
      </div>
      <CurvePlot
        :label="`Level along ${room(lengthwise)}`"
        :x="level.alongM"
        x-label="from the west or south end, m"
        :curves="[{ name: 'best', y: level.dbm }]"
        y-label="level, dBm"
        :levels="level.levels.map((l) => ({ name: l.meaning, y: l.dbm }))"
        :height="190"
      />
    </section>
    <h3>Places to work from</h3>
    <p v-if="!demands.length" class="quiet">
      Where must a phone or handset work: in bed, at the gate, on the drive? Each place is judged like a link.
    </p>
    <table v-else>
      <caption class="unseen">
        Places from which handsets and phones must work
      </caption>
      <thead>
        <tr>
          <th>Place</th>
          <th>Radio</th>
          <th>Heard by</th>
          <th class="number">Margin, dB</th>
          <th class="number" title="that it works at this place; no share of time">Confidence</th>
          <th><span class="unseen">Remove</span></th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="[id, d] in demands" :key="id" :class="{ chosen: id === chosen?.id }">
          <td>
            <button type="button" class="plain" @click="bench.select(pointer('demands', id))">
              {{ d.name }}
            </button>
          </td>
          <td>{{ bench.catalog!.media.find((m) => m.id === d.medium)?.name }}</td>
          <template v-if="view.demands[id]">
            <td>{{ view.demands[id]!.unitName ?? "nothing" }}</td>
            <td class="number" :class="{ bad: !view.demands[id]!.meets }">
              {{ view.demands[id]!.marginDb === null ? "" : shown(view.demands[id]!.marginDb!, 1) }}
            </td>
            <td class="number" :class="{ bad: !view.demands[id]!.meets }">
              <FigureButton :figure="view.demands[id]!.figure" :name="`chance at ${d.name}`">{{
                percent(view.demands[id]!.chance)
              }}</FigureButton>
            </td>
          </template>
          <td v-else colspan="3" class="quiet">has no place yet</td>
          <td>
            <button type="button" class="plain" :aria-label="`Remove ${d.name}`" @click="remove(id)">
              Remove
            </button>
          </td>
        </tr>
      </tbody>
    </table>
    <div v-if="chosen" class="row">
      <EditField
        label="Name of the place"
        :value="chosen.demand.name"
        :save="(v: string) => put('name', v)"
      />
      <PlaceFields :path="chosen.path" :holder="`${chosen.path}/place`" />
      <label class="field">
        How sure it must be
        <select :value="chosen.demand.criticality" @change="put('criticality', text($event))">
          <option v-for="c in CRITICALITIES" :key="c" :value="c">{{ words(c) }}</option>
        </select>
      </label>
    </div>
    <form class="row" @submit.prevent="add">
      <label class="field">
        Name<input v-model="fresh.name" required maxlength="120" placeholder="bedside" />
      </label>
      <WhereSelect v-model="fresh.where" label="In" none="the room in view" />
      <label class="field">
        Radio
        <select v-model="fresh.medium">
          <option v-for="m in bench.catalog!.radios" :key="m.id" :value="m.id">
            {{ m.name }}
          </option>
        </select>
      </label>
      <button type="submit" class="soft">Add place</button>
    </form>
  </div>
</template>

<style scoped src="../panel.css"></style>
