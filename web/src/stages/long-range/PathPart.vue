<script setup lang="ts">
import { removed, type FieldOf, type ValueOf } from "../../plan/patch";
import { computed, ref, shallowRef, watch } from "vue";
import { answer, api, type Op, type Schemas } from "../../api/client";
import FigureButton from "../../app/FigureButton.vue";
import { text as chosen } from "../../app/typed";
import { useQuery } from "../../app/useQuery";
import { percent, shown } from "../../drawing/marks";
import { newest } from "../../plan/newest";
import { freeId, pointer } from "../../plan/pointers";
import { useBench } from "../../plan/store";
import BudgetStair from "../links/BudgetStair.vue";
import CoversTable from "./CoversTable.vue";
import { pathOp, useFar } from "./far";
import NewPath from "./NewPath.vue";
import ProfileDrawing from "./ProfileDrawing.vue";

/** The far links, and the ground under the chosen one with its budgets. */
const bench = useBench();
const far = useFar();
const { answer: stored, trouble } = useQuery(
  () => (far.path && bench.plan!.paths[far.path] ? { path: far.path, medium: far.medium } : null),
  ({ path, medium }) =>
    answer(
      api.GET("/api/plans/{id}/long-range/paths/{path}", {
        params: { path: { id: bench.id, path }, query: { medium } },
      }),
    ),
);
const dragged = shallowRef<Schemas["PathReport"] | null>(null);
const report = computed(() => dragged.value ?? stored.value);
const path = computed(() => (far.path ? (bench.plan!.paths[far.path] ?? null) : null));
let ops: Op[] = [];
let label = "";

// what was dragged stays on screen until the stored path has been judged
watch([stored, () => far.path], () => (dragged.value = null));

const previews = newest<Op[]>(async (asked) => {
  const got = await answer(
    api.POST("/api/plans/{id}/long-range/paths/{path}/preview", {
      params: { path: { id: bench.id, path: far.path! }, query: { medium: far.medium } },
      headers: { "Content-Type": "application/json-patch+json" },
      body: JSON.stringify(asked),
      bodySerializer: (body: unknown) => body as string,
    }),
  );
  return () => {
    if (ops.length) dragged.value = got;
  };
});
function drag(which: "from" | "to", heightM: number) {
  const end = report.value![which];
  ops = [{ op: "replace", path: end.pointer, value: Math.round((heightM - end.zeroM) * 100) / 100 }];
  label = `antenna of ${end.name} at ${shown(heightM, 1)} m`;
  void previews.ask(ops);
}
async function drop() {
  const edits = ops;
  if (!edits.length) return;
  previews.drop();
  ops = [];
  if (!(await bench.edit(edits, label))) dragged.value = null;
}
function mast(end: Schemas["End"]) {
  const unit = bench.plan!.units[end.unit]!;
  const [name, radio] = Object.entries(unit.radios).find(([, r]) => r.medium === report.value!.medium)!;
  const air = {
    networkId: null,
    keyChanged: null,
    knownOnly: null,
    hopChannels: null,
    noiseFigureDb: null,
    ...radio.air,
    mastM: end.onMast ? null : Math.max(3, Math.round(end.heightM * 10) / 10),
  };
  void bench.edit(
    [
      {
        op: radio.air ? "replace" : "add",
        path: `${pointer("units", end.unit)}/radios${pointer(name)}/air`,
        value: air,
      },
    ],
    end.onMast ? `antenna back at ${end.name}` : `antenna of ${end.name} on a mast`,
  );
}
const putPath = <F extends FieldOf<"paths">>(field: F, value: ValueOf<"paths", F>, what: string) =>
  bench.put<["paths", string, F]>(["paths", far.path!, field], value, what);
const remove = async () => {
  const id = far.path!;
  await bench.edit([removed("paths", id)], "remove the ground of a path");
};
const choose = (row: Schemas["FarLink"]) => {
  far.look(row.from, row.to);
  bench.select(pointer("units", row.from));
};
const MODELS = { DIFFRACTION: "over the ground", TWO_RAY: "two rays", EXPONENT: "exponent of distance" };
const modelName = (id: keyof typeof MODELS | null) => (id ? MODELS[id] : "free space");
const mind = (r: Schemas["FarLink"]) => [...(r.trouble ? [r.trouble] : []), ...r.broken, ...r.unknown];
const bare = computed(() => far.rows.filter((r) => r.openAir).length);
async function layAll() {
  laying.value = null;
  try {
    const taken = await answer(
      api.POST("/api/plans/{id}/ground/profiles", { params: { path: { id: bench.id } } }),
    );
    const paths: Schemas["Plan"]["paths"] = { ...bench.plan!.paths };
    const ops = taken.map(({ path }): Op => {
      const id = freeId(bench.plan!.units[path.from]!.name, paths);
      paths[id] = path;
      return pathOp(id, path, false);
    });
    if (ops.length) await bench.edit(ops, "ground under the far links");
    else laying.value = "The grid of heights does not reach them: lay their ground by hand below.";
  } catch (e) {
    laying.value = e instanceof Error ? e.message : String(e);
  }
}
const laying = ref<string | null>(null);
const short = (r: Schemas["FarLink"]) =>
  [
    r.trouble ? "ends do not fit" : "",
    r.broken.length ? "not lawful" : "",
    r.openAir ? "ground not known" : "",
  ]
    .filter(Boolean)
    .join(", ");
const name = (id: string) => bench.plan!.units[id]?.name ?? id;
</script>

<template>
  <div class="panel-body">
    <table v-if="far.rows.length" class="links">
      <caption class="unseen">
        Long-range links
      </caption>
      <thead>
        <tr>
          <th>Link</th>
          <th class="number">Apart</th>
          <th class="number">Margin</th>
          <th class="number">Holds</th>
          <th class="number">On air</th>
          <th>Ground</th>
          <th>Trouble</th>
        </tr>
      </thead>
      <tbody>
        <template v-for="r in far.rows" :key="r.link ?? r.path ?? ''">
          <tr :class="{ chosen: r.path !== null && r.path === far.path }">
            <td>
              <button type="button" class="plain" @click="choose(r)">
                {{ r.fromName }} → {{ r.toName }}
              </button>
            </td>
            <td class="number">{{ r.apartM === null ? "" : `${shown(r.apartM, 0)} m` }}</td>
            <td class="number" :class="{ bad: !r.meets }">
              {{ r.marginDb === null ? "none" : `${shown(r.marginDb, 1)} dB` }}
            </td>
            <td class="number">
              {{ r.chance === null ? "" : `${percent(r.chance)} of ${percent(r.target)}` }}
            </td>
            <td class="number">{{ r.airtimeMs === null ? "" : `${shown(r.airtimeMs, 0)} ms` }}</td>
            <td class="ground">{{ r.path ? "known" : "open air" }}</td>
            <td class="bad">{{ short(r) }}</td>
          </tr>
          <tr v-if="r.path !== null && r.path === far.path && mind(r).length" class="chosen">
            <td colspan="7" class="quiet">{{ mind(r).join(". ") }}.</td>
          </tr>
        </template>
      </tbody>
    </table>
    <p v-else class="quiet">
      No long-range link yet. Give two units a long-range radio, link them at Links, then take the terrain
      profile of the link here.
    </p>
    <div v-if="bare && far.overview?.ground" class="row">
      <button type="button" class="soft" @click="layAll">
        Take the terrain profiles of {{ bare === 1 ? "one link" : `${bare} links` }} from the grid of heights
      </button>
      <span class="quiet">Until then they count as if there were nothing but air.</span>
    </div>
    <p v-if="laying" class="bad" role="alert">{{ laying }}</p>
    <p v-if="trouble" class="bad" role="alert">{{ trouble }}</p>
    <template v-if="report && path">
      <h3>{{ report.from.name }} to {{ report.to.name }}, {{ shown(report.lengthM, 0) }} m</h3>
      <ProfileDrawing :report="report" @drag="drag" @drop="drop" />
      <div class="row">
        <button type="button" class="soft" @click="mast(report.from)">
          {{ report.from.onMast ? `Antenna back at ${report.from.name}` : `Mast for ${report.from.name}` }}
        </button>
        <button type="button" class="soft" @click="mast(report.to)">
          {{ report.to.onMast ? `Antenna back at ${report.to.name}` : `Mast for ${report.to.name}` }}
        </button>
        <label class="field">
          Predicted
          <select :value="path.model" @change="putPath('model', chosen($event), 'model of a path')">
            <option v-for="(text, id) in MODELS" :key="id" :value="id">{{ text }}</option>
          </select>
        </label>
        <label class="field">
          Earth radius times
          <select
            :value="path.earthFactor ?? 4 / 3"
            @change="putPath('earthFactor', Number(chosen($event)), 'refraction of a path')"
          >
            <option :value="1">1, no refraction</option>
            <option :value="4 / 3">4/3, usual</option>
            <option :value="0.6667">2/3, rare and bad</option>
            <option
              v-if="path.earthFactor !== null && ![1, 4 / 3, 0.6667].includes(path.earthFactor)"
              :value="path.earthFactor"
            >
              {{ shown(path.earthFactor, 2) }}
            </option>
          </select>
        </label>
        <button type="button" class="plain" @click="remove">Remove this ground</button>
        <span class="quiet"
          >ground: {{ path.source ?? "typed" }}, {{ path.profile.length }} points{{
            path.source === "grid of heights" ? "; it goes along when an end moves" : ""
          }}</span
        >
      </div>
      <table class="models">
        <caption class="unseen">
          Loss by each model
        </caption>
        <thead>
          <tr>
            <th v-for="m in report.models" :key="m.model ?? ''" class="number">{{ modelName(m.model) }}</th>
          </tr>
        </thead>
        <tbody>
          <tr>
            <td
              v-for="m in report.models"
              :key="m.model ?? ''"
              class="number"
              :class="{ used: m.model === path.model }"
            >
              <FigureButton :figure="m.figure" :name="`the loss, ${modelName(m.model)}`"
                >{{ shown(m.lossDb, 1) }} dB</FigureButton
              >{{ m.model === path.model ? ", used" : "" }}
            </td>
          </tr>
        </tbody>
      </table>
      <p v-for="n in report.notes" :key="n" class="quiet">{{ n }}</p>
      <p>
        Worse direction
        <b :class="{ bad: !report.report.meets }">{{
          report.report.marginDb === null ? "without a budget" : `${shown(report.report.marginDb, 1)} dB`
        }}</b>; it holds with
        <FigureButton
          :figure="report.report.chanceFigure"
          name="Confidence that the link holds at this place"
          >{{
            report.report.chance === null ? "no chance known" : percent(report.report.chance)
          }}</FigureButton
        >
        at a place and time, {{ percent(report.report.target) }} wanted.
      </p>
      <section v-for="run in report.report.runs" :key="run.from">
        <h3>{{ name(run.from) }} → {{ name(run.to) }}</h3>
        <BudgetStair :run="run" :report="report.report" :title="`${name(run.from)} to ${name(run.to)}`" />
      </section>
      <CoversTable :id="far.path!" :path="path" />
    </template>
    <NewPath />
  </div>
</template>

<style scoped src="../panel.css"></style>
<style scoped>
.models {
  width: auto;
}
.used {
  font-weight: 600;
  box-shadow: inset 0 -2px 0 var(--copper);
}
.ground {
  white-space: nowrap;
}
.links td:first-child .plain {
  white-space: nowrap;
}
</style>
