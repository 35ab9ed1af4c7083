<script setup lang="ts">
import { computed, reactive, ref } from "vue";
import { answer, api, type Schemas } from "../../api/client";
import FigureButton from "../../app/FigureButton.vue";
import { useQuery } from "../../app/useQuery";
import { shown } from "../../drawing/marks";
import { useBench } from "../../plan/store";
import { useFar } from "./far";
import PathSelect from "./PathSelect.vue";

/** Readings that were taken along the chosen path, beside what was predicted, and what they teach. */
const bench = useBench();
const far = useFar();
const {
  answer: report,
  trouble: unread,
  again,
} = useQuery(
  () => far.path,
  (path) =>
    answer(
      api.GET("/api/plans/{id}/long-range/paths/{path}/readings", {
        params: { path: { id: bench.id, path } },
      }),
    ),
);
const trouble = ref<string | null>(null);
const table = ref("");
const entry = reactive({ distance: "", dbm: "", snr: "", sender: "", note: "" });
const path = computed(() => (far.path ? (bench.plan!.paths[far.path] ?? null) : null));
const name = (id: string) => bench.plan!.units[id]?.name ?? id;

async function attempt(work: () => Promise<unknown>): Promise<boolean> {
  trouble.value = null;
  try {
    await work();
    await again();
    return true;
  } catch (e) {
    trouble.value = e instanceof Error ? e.message : String(e);
    return false;
  }
}
const at = () => ({ params: { path: { id: bench.id, path: far.path! } } });
const number = (text: string) =>
  text.trim() === "" ? null : Number(text.trim().replace(",", ".").replace("−", "-"));
async function add() {
  const [distanceM, dbm, snrDb] = [entry.distance, entry.dbm, entry.snr].map(number);
  if (!Number.isFinite(distanceM ?? NaN) || !Number.isFinite(dbm ?? NaN) || Number.isNaN(snrDb ?? 0)) {
    trouble.value = "Distance and dBm are numbers; SNR too, if it is given. Nothing was stored.";
    return;
  }
  const done = await attempt(() =>
    answer(
      api.POST("/api/plans/{id}/long-range/paths/{path}/readings", {
        ...at(),
        body: [
          {
            path: far.path!,
            sender: entry.sender || path.value!.from,
            distanceM: distanceM!,
            heightM: null,
            dbm: dbm!,
            snrDb: snrDb!,
            at: new Date().toISOString(),
            note: entry.note || null,
          },
        ],
      }),
    ),
  );
  if (done) Object.assign(entry, { distance: "", dbm: "", snr: "", note: "" });
}
async function paste() {
  const done = await attempt(() =>
    answer(
      api.POST("/api/plans/{id}/long-range/paths/{path}/readings/csv", {
        ...at(),
        headers: { "Content-Type": "text/csv" },
        body: table.value,
        bodySerializer: (body: unknown) => body as string,
      }),
    ),
  );
  if (done) table.value = "";
}
const remove = (id: string) =>
  attempt(() =>
    answer(
      api.DELETE("/api/plans/{id}/long-range/readings/{reading}", {
        params: { path: { id: bench.id, reading: id } },
      }),
    ),
  );
const learn = (learned: Schemas["PathLearned"] | null, what: string) =>
  bench.put(["paths", far.path!, "learned"], learned, what);
const snr = (l: Schemas["FieldCompared"]) =>
  l.predictedSnrDb === null
    ? "not given"
    : `${l.snrAtLeast ? "at least " : ""}${shown(l.predictedSnrDb, 1)} dB`;
</script>

<template>
  <div class="panel-body">
    <div class="row">
      <PathSelect />
      <a
        v-if="far.path && report?.lines.length"
        :href="`/api/plans/${bench.id}/long-range/paths/${encodeURIComponent(far.path)}/readings/csv`"
        >Save as CSV</a
      >
    </div>
    <p v-if="!far.path" class="quiet">Take the terrain profile of a far link first: see Paths.</p>
    <template v-if="path && report">
      <p v-if="path.learned">
        Learned from {{ path.learned.readings }} readings: {{ shown(path.learned.offsetDb, 1) }} dB on this
        path, spread {{ shown(path.learned.sigmaDb, 1) }} dB;
        {{ path.learned.used ? "in use" : "not in use" }}.
        <button
          type="button"
          class="plain"
          @click="learn({ ...path.learned!, used: !path.learned!.used }, 'use of what a field test taught')"
        >
          {{ path.learned.used ? "Predict without it" : "Predict with it" }}
        </button>
        <button type="button" class="plain" @click="learn(null, 'forget what a field test taught')">
          Forget it
        </button>
      </p>
      <table v-if="report.lines.length">
        <caption class="unseen">
          Readings of the field test
        </caption>
        <thead>
          <tr>
            <th class="number">At</th>
            <th>Sender</th>
            <th class="number">Measured</th>
            <th class="number">Predicted</th>
            <th class="number">More than predicted</th>
            <th class="number">SNR, predicted at the far receiver</th>
            <th>When</th>
            <th><span class="unseen">Remove</span></th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="l in report.lines" :key="l.id">
            <td class="number">{{ shown(l.compared.reading.distanceM, 0) }} m</td>
            <td>
              {{ name(l.compared.reading.sender)
              }}<span v-if="l.compared.reading.note" class="quiet">, {{ l.compared.reading.note }}</span>
            </td>
            <td class="number">{{ shown(l.compared.reading.dbm, 1) }} dBm</td>
            <td class="number">
              <FigureButton
                :figure="l.compared.figure"
                :name="`what was predicted at ${shown(l.compared.reading.distanceM, 0)} m`"
                >{{ shown(l.compared.predictedDbm, 1) }} dBm</FigureButton
              >
            </td>
            <td class="number" :class="{ bad: Math.abs(l.compared.differenceDb) > 15 }">
              {{ shown(l.compared.differenceDb, 1) }} dB
            </td>
            <td class="number">
              {{
                [
                  l.compared.reading.snrDb === null
                    ? "not given"
                    : `${shown(l.compared.reading.snrDb, 1)} dB`,
                  snr(l.compared),
                ].join(", ")
              }}
            </td>
            <td class="quiet">{{ l.compared.reading.at.slice(0, 16).replace("T", " ") }}</td>
            <td>
              <button type="button" class="plain" @click="remove(l.id)">
                Remove<span class="unseen">
                  the reading at {{ shown(l.compared.reading.distanceM, 0) }} m</span
                >
              </button>
            </td>
          </tr>
        </tbody>
      </table>
      <p v-else class="quiet">
        No reading yet. Let one end send, walk along the path with a receiver, and note distance and dBm.
      </p>
      <p v-if="report.lesson.beforeDb !== null">
        Root mean square error {{ shown(report.lesson.beforeDb, 1) }} dB<template
          v-if="report.lesson.afterDb !== null"
          >, with a correction {{ shown(report.lesson.afterDb, 1) }} dB (each reading predicted from the
          others)</template
        >.
        <template v-if="report.lesson.learned">
          The path gives {{ shown(report.lesson.learned.offsetDb, 1) }} dB, spread
          {{ shown(report.lesson.learned.sigmaDb, 1) }} dB.
          <button type="button" class="act" @click="learn(report.lesson.learned, 'what a field test taught')">
            Learn it
          </button>
        </template>
        <span v-else class="quiet">{{
          report.lines.length < 3
            ? "Three readings teach something."
            : "They scatter too much to teach anything: look for mixed-up ends or places."
        }}</span>
      </p>
      <form class="row" @submit.prevent="add">
        <label class="field">Distance, m<input v-model="entry.distance" class="short" /></label>
        <label class="field">dBm<input v-model="entry.dbm" class="short" /></label>
        <label class="field">SNR, dB<input v-model="entry.snr" class="short" placeholder="if known" /></label>
        <label class="field">
          Sender
          <select v-model="entry.sender">
            <option value="">{{ name(path.from) }}</option>
            <option :value="path.to">{{ name(path.to) }}</option>
          </select>
        </label>
        <label class="field">Note<input v-model="entry.note" maxlength="200" /></label>
        <button type="submit" class="soft">Add the reading</button>
      </form>
      <form class="inspect" @submit.prevent="paste">
        <label class="field">
          Or paste a table with the columns distanceM, dBm, and if known snrDb, heightM, sender, at, note
          <textarea
            v-model="table"
            rows="3"
            placeholder="distanceM,dBm,snrDb&#10;120,-71.5,9&#10;300,-94,5.5"
          ></textarea>
        </label>
        <div class="row">
          <button type="submit" class="soft" :disabled="!table.trim()">Take in the table</button>
        </div>
      </form>
    </template>
    <p v-if="trouble ?? unread" class="bad" role="alert">{{ trouble ?? unread }}</p>
  </div>
</template>

<style scoped src="../panel.css"></style>
