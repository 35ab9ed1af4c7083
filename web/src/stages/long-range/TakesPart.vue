<script setup lang="ts">
import { computed, ref } from "vue";
import { answer, api, type Schemas } from "../../api/client";
import CurvePlot from "../../app/CurvePlot.vue";
import FigureButton from "../../app/FigureButton.vue";
import { useQuery } from "../../app/useQuery";
import { percent, shown } from "../../drawing/marks";
import { useBench } from "../../plan/store";
import { useFar } from "./far";
import PathSelect from "./PathSelect.vue";

/** What would give the link over the chosen path its margin, and how far it would reach. */
const bench = useBench();
const far = useFar();
const chance = ref(0.95);
const {
  answer: takes,
  of,
  trouble,
  working,
} = useQuery(
  () => (far.path ? { path: far.path, medium: far.medium, chance: chance.value } : null),
  ({ path, medium, chance }) =>
    answer(
      api.GET("/api/plans/{id}/long-range/paths/{path}/changes", {
        params: { path: { id: bench.id, path }, query: { medium, chance } },
      }),
    ),
);
const { answer: curves } = useQuery(
  () => (far.path ? { path: far.path, medium: far.medium } : null),
  ({ path, medium }, signal) =>
    answer(
      api.GET("/api/plans/{id}/long-range/paths/{path}/curves", {
        params: { path: { id: bench.id, path }, query: { medium } },
        signal,
      }),
    ),
);
const needed = computed(() => (curves.value ? [{ name: "needed", y: curves.value.neededDb }] : []));
/** The spreading factor that the path's sender has now. */
const spreadingNow = computed(() => {
  const from = far.row?.from;
  const unit = from ? bench.plan!.units[from] : undefined;
  return Object.values(unit?.radios ?? {}).find((r) => r.chirp)?.chirp?.spreadingFactor ?? null;
});
const apply = (c: Schemas["Change"]) => bench.propose(c.edits, c.text);
const metres = (m: number) => (m >= 1000 ? `${shown(m / 1000, 2)} km` : `${shown(m, 0)} m`);
</script>

<template>
  <div class="panel-body">
    <div class="row">
      <PathSelect />
      <label class="field">
        How far with a chance of
        <select v-model.number="chance">
          <option v-for="c in [0.9, 0.95, 0.99]" :key="c" :value="c">{{ percent(c) }}</option>
        </select>
      </label>
      <span v-if="working" class="quiet" role="status">working it out…</span>
    </div>
    <p v-if="trouble" class="bad" role="alert">{{ trouble }}</p>
    <p v-if="!far.path" class="quiet">Take the terrain profile of a far link first: see Paths.</p>
    <template v-if="takes && of?.path === far.path">
      <p>
        Margin <b>{{ shown(takes.marginDb, 1) }} dB</b>, {{ percent(takes.chance) }};
        {{ percent(takes.target) }} needs {{ shown(takes.neededDb, 1) }} dB.
        <span v-if="takes.marginDb >= takes.neededDb">Nothing is missing.</span>
        <b v-else class="bad">Missing: {{ shown(takes.neededDb - takes.marginDb, 1) }} dB.</b>
      </p>
      <table v-if="takes.changes.length">
        <caption class="unseen">
          Changes that help, cheapest first
        </caption>
        <thead>
          <tr>
            <th>Change</th>
            <th class="number">Margin then</th>
            <th class="number">Holds</th>
            <th class="number">About</th>
            <th>To mind</th>
            <th><span class="unseen">Apply</span></th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="c in takes.changes" :key="c.text">
            <td>
              {{ c.text }}
              <div v-for="l in c.legs" :key="l.from" class="quiet">
                {{ l.from }} → {{ l.to }}: {{ shown(l.lengthM, 0) }} m, margin
                <FigureButton :figure="l.figure" :name="`the margin from ${l.from} to ${l.to}`"
                  >{{ shown(l.marginDb, 1) }} dB</FigureButton
                >, {{ percent(l.chance) }}
              </div>
            </td>
            <td class="number">
              <FigureButton :figure="c.figure" :name="`the margin with: ${c.text}`"
                >{{ shown(c.marginDb, 1) }} dB</FigureButton
              >
            </td>
            <td class="number">
              {{ percent(c.chance) }}<br /><span :class="c.meets ? 'enough' : 'bad'">{{
                c.meets ? "enough" : "not enough alone"
              }}</span>
            </td>
            <td class="number">{{ c.cost === 0 ? "nothing" : shown(c.cost, 0) }}</td>
            <td class="quiet">
              {{ c.why }}<span v-if="c.brings" class="bad">; {{ c.brings }}</span>
            </td>
            <td><button type="button" class="soft" @click="apply(c)">Do it</button></td>
          </tr>
        </tbody>
      </table>
      <p class="quiet">
        Costs are typical figures for putting changes in order. Each change is worked out alone.
      </p>
      <div v-if="curves" class="curves">
        <section aria-label="Margin against height">
          <h3>Margin against antenna height</h3>
          <CurvePlot
            label="Margin against antenna height"
            :x="curves.heights[0]!.heightM"
            x-label="height above the ground, m"
            :curves="
              curves.heights.map((h) => ({ name: `${h.name}, now ${shown(h.nowM, 1)} m`, y: h.marginDb }))
            "
            y-label="margin, dB"
            :levels="needed"
          />
        </section>
        <section v-if="curves.spreading.length" aria-label="Margin against spreading factor">
          <h3>Margin against spreading factor</h3>
          <CurvePlot
            label="Margin against spreading factor"
            :x="curves.spreading.map((p) => p.spreadingFactor)"
            x-label="spreading factor"
            :curves="[{ name: 'margin', y: curves.spreading.map((p) => p.marginDb) }]"
            y-label="margin, dB"
            :now="spreadingNow"
            :levels="needed"
          />
        </section>
      </div>
      <h3>How far on this ground</h3>
      <p>
        With {{ percent(takes.reach.chance) }} it holds everywhere up to
        <b>{{ metres(takes.reach.unbrokenM) }}</b> from the receiving end{{
          takes.reach.farthestM > takes.reach.unbrokenM
            ? `, and here and there up to ${metres(takes.reach.farthestM)}`
            : ""
        }}. Over nothing but air it would be
        <FigureButton :figure="takes.reach.flatFigure" name="the reach over nothing but air">{{
          metres(takes.reach.flatM)
        }}</FigureButton>: that is what “kilometres” means.
      </p>
    </template>
  </div>
</template>

<style scoped src="../panel.css"></style>
<style scoped>
.curves {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(300px, 1fr));
  gap: 18px;
}
td .soft {
  white-space: nowrap;
}
.enough {
  color: var(--holds);
  font-weight: 500;
}
</style>
