<script setup lang="ts">
import { added } from "../../plan/patch";
import { computed, ref } from "vue";
import { answer, api, problemOf, type Schemas, patiently } from "../../api/client";
import FigureButton from "../../app/FigureButton.vue";
import { shown } from "../../drawing/marks";
import { useBench } from "../../plan/store";
import { useLinksLoad, useLinksView } from "./view";

/** Readings beside predictions, and what they teach about this house's walls and transmitters. */
const bench = useBench();
const view = useLinksView();
useLinksLoad();
const pasted = ref("");
const pasting = ref(false);
const trouble = ref<string | null>(null);
const note = ref<string | null>(null);
const plan = computed(() => bench.plan!);
const unitName = (id: string) => plan.value.units[id]?.name ?? id;
const band = (id: string) => bench.catalog!.bands.find((b) => b.id === id)?.name ?? id;
const fit = computed(() => view.fit);
const compared = computed(() => fit.value?.compared ?? []);
const misfits = computed(() => compared.value.filter((c) => !c.fits));
const calibration = computed(() => plan.value.calibration);
const where = (r: Schemas["Reading"]) =>
  `${plan.value.floors[r.floor]?.name ?? r.floor} ${shown(r.xM, 1)}, ${shown(r.yM, 1)} m`;
const figure = (after: boolean): Schemas["Figure"] => ({
  formula: "√ mean (measured − predicted)², held-back readings only",
  inputs: {
    readings: String(fit.value!.readings),
    "held back": `${fit.value!.heldBack}, every fifth in the order of time`,
    prediction: after ? "with what the other readings taught" : "by the tables",
  },
  source: "least squares with a ridge towards the tables",
  extrapolated: false,
});

async function paste() {
  trouble.value = note.value = null;
  const response = await patiently(`/api/plans/${bench.id}/readings/csv`, {
    method: "POST",
    headers: { "Content-Type": "text/csv" },
    body: pasted.value,
  }).catch(() => null);
  if (!response) trouble.value = "Skelto's server does not answer. Nothing was stored.";
  else if (response.ok) {
    note.value = `${((await response.json()) as Schemas["Count"]).readings} readings taken in.`;
    pasted.value = "";
    pasting.value = false;
    await bench.guarded(() => view.loadReadings());
  } else trouble.value = problemOf(response.status, await response.json().catch(() => null)).message;
}
async function removeAll() {
  await bench.guarded(async () => {
    const gone = await answer(api.DELETE("/api/plans/{id}/readings", { params: { path: { id: bench.id } } }));
    note.value = `${gone.readings} readings removed.`;
    await view.loadReadings();
  });
}
async function takeBack() {
  await bench.guarded(async () => {
    const back = await answer(
      api.POST("/api/plans/{id}/readings/restore", { params: { path: { id: bench.id } } }),
    );
    note.value = `${back.readings} readings are back.`;
    await view.loadReadings();
  });
}
const learn = () =>
  bench.edit(
    [added(["calibration"], fit.value!.calibration)],
    `calibration from ${fit.value!.readings} readings`,
  );
const use = (used: boolean) =>
  bench.put(["calibration", "used"], used, used ? "calibrated predictions" : "predictions by tables");
const forget = () => bench.put(["calibration"], null, "remove calibration");
</script>

<template>
  <div class="panel-body">
    <div class="row">
      <RouterLink class="soft link" :to="`/plans/${bench.id}/walk`">Walk through the house</RouterLink>
      <button type="button" class="soft" :aria-expanded="pasting" @click="pasting = !pasting">
        Paste readings
      </button>
      <a class="soft link" :href="`/api/plans/${bench.id}/readings/csv`" download>Readings as CSV</a>
      <button v-if="view.readings.length" type="button" class="soft" @click="removeAll">
        Remove all readings
      </button>
      <span v-if="note" role="status">
        {{ note }}
        <button v-if="note.includes('removed')" type="button" class="plain" @click="takeBack">
          Take back
        </button>
      </span>
    </div>
    <form v-if="pasting" @submit.prevent="paste">
      <label class="field">
        A table with a header: transmitter, dBm, and room or floor, xM, yM; if known medium, heightM, at
        <textarea v-model="pasted" rows="5" required placeholder="transmitter,room,dBm"></textarea>
      </label>
      <button type="submit" class="act">Take them in</button>
    </form>
    <p v-if="trouble" class="bad" role="alert">{{ trouble }}</p>
    <p v-if="!view.readings.length" class="quiet">
      No reading yet. Walk through the rooms with a phone and note what arrives, or paste a table. From ten
      readings on, the walls of this house can be learned.
    </p>
    <p v-else-if="!fit" class="quiet">
      {{ view.readings.length }} readings; ten that belong to units of the plan are needed to learn from.
    </p>
    <template v-if="fit">
      <section class="inspect" aria-label="Calibration">
        <div class="row">
          <p class="grow">
            <b>{{ fit.readings }} readings, {{ fit.heldBack }} held back.</b> Error on those by the tables
            <FigureButton :figure="figure(false)" name="error by the tables"
              >{{ shown(fit.beforeDb, 1) }} dB</FigureButton
            >, with what the others teach
            <FigureButton :figure="figure(true)" name="error after learning"
              >{{ shown(fit.afterDb, 1) }} dB</FigureButton
            >:
            <span :class="fit.better ? 'good' : 'bad'">{{
              fit.better ? "it predicts better." : "it does not predict better; keep the tables."
            }}</span>
          </p>
          <button type="button" class="act" @click="learn">Use what they teach</button>
        </div>
        <div v-if="calibration" class="row">
          <span
            >The plan holds a calibration of {{ calibration.readings }} readings. Predictions go by
            <b>{{ calibration.used ? "calibration" : "tables" }}</b>.</span
          >
          <button type="button" class="soft" @click="use(!calibration.used)">
            {{ calibration.used ? "Compare with tables" : "Use the calibration" }}
          </button>
          <button type="button" class="soft" @click="forget">Remove calibration</button>
        </div>
      </section>
      <div class="columns">
        <table>
          <caption>
            What moved
          </caption>
          <thead>
            <tr>
              <th>Wall or transmitter</th>
              <th class="number">Table, dB</th>
              <th class="number">Learned, dB</th>
              <th class="number">Seen</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="w in fit.walls" :key="w.construction + w.band">
              <td>
                {{ w.name }} <span class="quiet">{{ band(w.band) }}</span>
              </td>
              <td class="number">{{ shown(w.tableDb, 1) }}</td>
              <td class="number">{{ shown(w.learnedDb, 1) }}</td>
              <td class="number">{{ w.crossings }}</td>
            </tr>
            <tr v-for="o in fit.offsets" :key="o.unit + o.band">
              <td>{{ o.name }}</td>
              <td class="number">0.0</td>
              <td class="number">{{ shown(o.offsetDb, 1) }}</td>
              <td class="number">{{ o.readings }}</td>
            </tr>
          </tbody>
        </table>
        <table>
          <caption>
            {{
              misfits.length
                ? `${misfits.length} readings that do not fit`
                : "Every reading fits within 2.5 σ"
            }}
          </caption>
          <thead>
            <tr>
              <th>Where</th>
              <th>From</th>
              <th class="number">Read</th>
              <th class="number">Tables</th>
              <th class="number">Learned</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="(c, i) in [...misfits, ...compared.filter((x) => x.fits)].slice(0, 60)" :key="i">
              <td>{{ where(c.reading) }}</td>
              <td>{{ unitName(c.reading.unit) }}</td>
              <td class="number" :class="{ bad: !c.fits }">{{ shown(c.reading.dbm, 0) }}</td>
              <td class="number">{{ shown(c.byTablesDbm, 0) }}</td>
              <td class="number">{{ shown(c.calibratedDbm, 0) }}</td>
            </tr>
          </tbody>
        </table>
      </div>
    </template>
  </div>
</template>

<style scoped src="../panel.css"></style>
<style scoped>
.good {
  color: var(--holds);
}
.link {
  text-decoration: none;
  color: var(--link);
}
.columns {
  display: grid;
  grid-template-columns: 1fr 1.3fr;
  gap: 18px;
  align-items: start;
}
caption {
  text-align: left;
  font-weight: 600;
  padding: 2px 8px;
}
textarea {
  width: 100%;
  font: inherit;
}
</style>
