<script setup lang="ts">
import { added } from "../../plan/patch";
import { computed, nextTick, onBeforeUnmount, onMounted, reactive, ref, shallowRef, watch } from "vue";
import { answer, api, type Medium, type Schemas } from "../../api/client";
import FigureButton from "../../app/FigureButton.vue";
import JobProgress from "../../app/JobProgress.vue";
import { useQuery } from "../../app/useQuery";
import { useJob } from "../../app/useJob";
import { percent, shown } from "../../drawing/marks";
import { freeId, pointer } from "../../plan/pointers";
import { useBench } from "../../plan/store";
import { useFar } from "./far";

/** The margin of an antenna to everywhere on the grid of heights, and places from which a relay reaches two. */
const bench = useBench();
const far = useFar();
const map = shallowRef<Schemas["MarginMap"] | null>(null);
const asked = ref<Schemas["MapAsk"] | null>(null);
const {
  job,
  share,
  doing,
  trouble,
  start: begin,
  stop,
} = useJob<Schemas["MarginMap"]>((found) => {
  map.value = found;
});
const senders = computed(() =>
  Object.entries(bench.plan!.units)
    .filter(
      ([, u]) =>
        u.place && Object.values(u.radios).some((r) => r.medium === "CHIRP" || r.medium === "SUB_GHZ"),
    )
    .sort(([, a], [, b]) => Number(b.kind === "GATEWAY") - Number(a.kind === "GATEWAY")),
);
const ask = reactive({ unit: "", medium: "CHIRP" as Medium, other: "", heightM: 2, chance: 0.95 });
const media = computed(() =>
  Object.values(bench.plan!.units[ask.unit]?.radios ?? {})
    .map((r) => r.medium)
    .filter((m) => m === "CHIRP" || m === "SUB_GHZ"),
);
watch(
  senders,
  (all) => {
    if (!bench.plan!.units[ask.unit]) ask.unit = all[0]?.[0] ?? "";
  },
  { immediate: true },
);
watch(
  media,
  (all) => {
    if (!all.includes(ask.medium as "CHIRP")) ask.medium = all[0] ?? "CHIRP";
  },
  { immediate: true },
);
async function start() {
  map.value = null;
  const body: Schemas["MapAsk"] = { ...ask, other: ask.other || null };
  asked.value = body;
  await begin(() =>
    answer(api.POST("/api/plans/{id}/ground/map", { params: { path: { id: bench.id } }, body })),
  );
}

const element = ref<HTMLElement | null>(null);
const canvas = ref<HTMLCanvasElement | null>(null);
const width = ref(760);
let observer: ResizeObserver | null = null;
onMounted(() => {
  if (typeof ResizeObserver === "undefined") return;
  observer = new ResizeObserver(([entry]) => (width.value = Math.max(400, entry!.contentRect.width)));
  observer.observe(element.value!);
});
onBeforeUnmount(() => observer?.disconnect());
const scale = computed(() => {
  const m = map.value!;
  return Math.min(width.value / ((m.columns - 1) * m.eastStepM), 460 / ((m.rows - 1) * m.northStepM));
});
const wide = computed(() => (map.value!.columns - 1) * map.value!.eastStepM * scale.value);
const high = computed(() => (map.value!.rows - 1) * map.value!.northStepM * scale.value);
const px = (xM: number) => (xM - map.value!.westM) * scale.value;
const py = (yM: number) => high.value - (yM - map.value!.southM) * scale.value;
const LEVELS = computed(() => map.value!.lines.map((l) => l.levelDb));

/** One quiet hue, darker where there is more to spare. */
async function shade() {
  await nextTick();
  const m = map.value;
  const c = canvas.value?.getContext("2d");
  if (!m || !c) return;
  const hex = getComputedStyle(document.documentElement).getPropertyValue("--signal").trim();
  const [r, g, b] = [1, 3, 5].map((i) => Number.parseInt(hex.slice(i, i + 2), 16));
  const image = c.createImageData(m.columns, m.rows);
  const steps = LEVELS.value.map((l) => l * 10);
  for (let row = 0; row < m.rows; row++) {
    for (let column = 0; column < m.columns; column++) {
      const value = m.marginDb[row * m.columns + column]!;
      const at = 4 * ((m.rows - 1 - row) * m.columns + column);
      image.data[at] = r!;
      image.data[at + 1] = g!;
      image.data[at + 2] = b!;
      image.data[at + 3] = 34 * steps.filter((s) => value >= s).length;
    }
  }
  c.putImageData(image, 0, 0);
}
watch([map, width], () => void shade());
const lines = computed(() =>
  map.value!.lines.map((l, n) => ({
    ...l,
    n,
    path: l.lines
      .map((points) => {
        let d = "";
        for (let i = 0; i < points.length; i += 2)
          d += `${i ? "L" : "M"}${px(points[i]!).toFixed(1)} ${py(points[i + 1]!).toFixed(1)}`;
        return d;
      })
      .join(""),
    label: l.lines[0]
      ? {
          x: px(l.lines[0][Math.floor(l.lines[0].length / 4) * 2]!),
          y: py(l.lines[0][Math.floor(l.lines[0].length / 4) * 2 + 1]!),
        }
      : null,
  })),
);
const marks = computed(() =>
  Object.entries(bench.shown?.positions ?? {})
    .filter(([at]) => at.startsWith("/units/") && senders.value.some(([id]) => at === pointer("units", id)))
    .map(([at, p]) => ({
      id: at,
      name: bench.plan!.units[at.slice(7)]?.name ?? at,
      x: px(p.xM),
      y: py(p.yM),
    }))
    .filter((p) => p.x >= 0 && p.y >= 0 && p.x <= wide.value && p.y <= high.value),
);
const shownMarks = computed(() =>
  marks.value.filter((m, i) => marks.value.findIndex((o) => Math.hypot(o.x - m.x, o.y - m.y) < 26) === i),
);
/** A place of the map that is looked at, metres on the site. */
const look = reactive({ east: "", north: "" });
const place = computed(() => {
  const [x, y] = [look.east, look.north].map((t) => (t.trim() ? Number(t.replace(",", ".")) : NaN));
  return Number.isFinite(x) && Number.isFinite(y) ? { x: x!, y: y! } : null;
});
const { answer: here, trouble: nowhere } = useQuery(
  () => (map.value && asked.value && place.value ? { at: place.value, body: asked.value } : null),
  ({ at, body }) =>
    answer(
      api.POST("/api/plans/{id}/ground/map/place", {
        params: { path: { id: bench.id }, query: at },
        body,
      }),
    ),
);
function pick(event: MouseEvent) {
  const box = (event.currentTarget as SVGElement).getBoundingClientRect();
  const m = map.value!;
  look.east = whole(m.westM + (event.clientX - box.left) / scale.value);
  look.north = whole(m.southM + (high.value - (event.clientY - box.top)) / scale.value);
}
const whole = (value: number) => String(Math.round(value));
async function spot(c: Schemas["Candidate"]) {
  const id = freeId("relay site", bench.plan!.spots);
  await bench.edit(
    [
      added(["spots", id], {
        name: "Relay site",
        xM: Math.round(c.xM * 10) / 10,
        yM: Math.round(c.yM * 10) / 10,
        zM: Math.round(c.siteM * 10) / 10,
        exposure: "FREEZING",
      }),
    ],
    "site for a relay",
  );
}
</script>

<template>
  <div ref="element" class="panel-body">
    <p v-if="!far.overview?.ground" class="quiet">
      Take in a grid of heights first: see Ground and law. Then the map shows from everywhere whether an
      antenna is heard.
    </p>
    <form v-else class="row" @submit.prevent="start">
      <label class="field">
        From the antenna of
        <select v-model="ask.unit">
          <option v-for="[id, u] in senders" :key="id" :value="id">{{ u.name }}</option>
        </select>
      </label>
      <label class="field">
        Radio
        <select v-model="ask.medium">
          <option v-for="m in media" :key="m" :value="m">
            {{ bench.catalog!.media.find((x) => x.id === m)?.name }}
          </option>
        </select>
      </label>
      <label class="field">
        A relay must also reach
        <select v-model="ask.other">
          <option value="">nothing else: just the map</option>
          <option v-for="[id, u] in senders.filter(([x]) => x !== ask.unit)" :key="id" :value="id">
            {{ u.name }}
          </option>
        </select>
      </label>
      <label class="field"
        >Antenna there at, m<input
          v-model.number="ask.heightM"
          class="short"
          type="number"
          min="0.5"
          max="50"
          step="0.5"
      /></label>
      <label class="field">
        Wanted
        <select v-model.number="ask.chance">
          <option v-for="c in [0.9, 0.95, 0.99]" :key="c" :value="c">{{ percent(c) }}</option>
        </select>
      </label>
      <button v-if="!job" type="submit" class="act" :disabled="!ask.unit">Draw the map</button>
      <button v-else type="button" class="soft" @click="stop">Stop</button>
    </form>
    <JobProgress v-if="job" :share="share" :doing="doing" />
    <p v-if="trouble" class="bad" role="alert">{{ trouble }}</p>
    <template v-if="map">
      <div class="sheet" :style="{ width: `${wide}px`, height: `${high}px` }">
        <canvas ref="canvas" :width="map.columns" :height="map.rows" aria-hidden="true"></canvas>
        <svg
          :width="wide"
          :height="high"
          role="img"
          aria-label="Map of the margin with contour lines"
          @click="pick"
        >
          <g v-for="l in lines" :key="l.n">
            <path :d="l.path" class="line" :class="`level${l.n}`" />
            <text v-if="l.label" :x="l.label.x" :y="l.label.y" class="note">
              {{ shown(l.levelDb, 0) }} dB
            </text>
          </g>
          <g v-for="m in shownMarks" :key="m.id">
            <rect :x="m.x - 4" :y="m.y - 4" width="8" height="8" class="unit" />
            <text
              :x="m.x > wide - 120 ? m.x - 8 : m.x + 8"
              :y="m.y - 6"
              :text-anchor="m.x > wide - 120 ? 'end' : 'start'"
              class="note"
            >
              {{ m.name }}
            </text>
          </g>
          <path
            v-if="here"
            :d="`M${px(here.xM) - 9} ${py(here.yM)}h18M${px(here.xM)} ${py(here.yM) - 9}v18`"
            class="here"
          />
          <g v-for="(c, i) in map.candidates" :key="i">
            <circle :cx="px(c.xM)" :cy="py(c.yM)" r="9" class="candidate" />
            <text :x="px(c.xM)" :y="py(c.yM) + 4" text-anchor="middle" class="digit">{{ i + 1 }}</text>
          </g>
        </svg>
      </div>
      <p class="quiet">
        <template v-for="l in lines" :key="l.n"
          ><svg width="34" height="8" aria-hidden="true">
            <path d="M1 4H33" class="line" :class="`level${l.n}`" />
          </svg>
          {{ shown(l.levelDb, 0) }} dB: {{ l.meaning }} ·
        </template>
        {{ percent(map.holdsShare) }} of the grid meets the wish. Bare ground by ITU-R P.526 and the walls
        around the antenna; trees are not in it; {{ shown(map.seconds, 1) }} s.
      </p>
      <div class="row">
        <label class="field">At, m east<input v-model.lazy="look.east" class="short" /></label>
        <label class="field">and m north<input v-model.lazy="look.north" class="short" /></label>
        <p v-if="here" role="status">
          <FigureButton :figure="here.figure" name="the margin at this place"
            ><b>{{ shown(here.marginDb, 1) }} dB</b></FigureButton
          >
          to {{ bench.plan!.units[asked!.unit]?.name }} over {{ shown(here.lengthM, 0) }} m, holds with
          {{ percent(here.chance) }}; ground at {{ shown(here.groundM, 1) }} m.
        </p>
        <p v-else-if="nowhere" class="bad" role="alert">{{ nowhere }}</p>
        <p v-else class="quiet">Click on the map, or type a place, for the margin there.</p>
      </div>
      <table v-if="map.candidates.length">
        <caption class="unseen">
          Places for a relay
        </caption>
        <thead>
          <tr>
            <th>Place</th>
            <th class="number">Ground</th>
            <th class="number">To {{ bench.plan!.units[asked!.unit]?.name }}</th>
            <th class="number">To {{ bench.plan!.units[asked!.other!]?.name }}</th>
            <th>Enough</th>
            <th><span class="unseen">Keep</span></th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="(c, i) in map.candidates" :key="i">
            <td>{{ i + 1 }}: {{ shown(c.xM, 0) }} m east, {{ shown(c.yM, 0) }} m north</td>
            <td class="number">{{ shown(c.groundM, 1) }} m</td>
            <td class="number">
              <FigureButton :figure="c.oneFigure" :name="`the margin of place ${i + 1} to one end`"
                >{{ shown(c.oneDb, 1) }} dB</FigureButton
              >
            </td>
            <td class="number">
              <FigureButton :figure="c.otherFigure" :name="`the margin of place ${i + 1} to the other end`"
                >{{ shown(c.otherDb, 1) }} dB</FigureButton
              >
            </td>
            <td>{{ c.meets ? "both ways" : "not quite" }}</td>
            <td><button type="button" class="soft" @click="spot(c)">Mark as a spot</button></td>
          </tr>
        </tbody>
      </table>
      <p v-else-if="asked?.other" class="bad">No place on this grid reaches both.</p>
    </template>
  </div>
</template>

<style scoped src="../panel.css"></style>
<style scoped>
.sheet {
  position: relative;
  border: 1px solid var(--hair-strong);
  background: var(--sheet);
}
canvas {
  position: absolute;
  inset: 0;
  width: 100%;
  height: 100%;
}
.sheet svg {
  position: absolute;
  inset: 0;
}
.line {
  fill: none;
  stroke: var(--signal);
  stroke-width: 1.1;
}
.level0 {
  stroke-dasharray: 2 4;
}
.level1 {
  stroke-width: 2;
}
.level2 {
  stroke-dasharray: 9 3;
}
.note {
  font-size: 11px;
  fill: var(--ink);
  paint-order: stroke;
  stroke: var(--sheet);
  stroke-width: 3px;
}
.unit {
  fill: var(--ink);
}
.sheet svg {
  cursor: crosshair;
}
.here {
  stroke: var(--ink);
  stroke-width: 1.5;
  pointer-events: none;
}
.candidate {
  fill: var(--sheet);
  stroke: var(--copper);
  stroke-width: 2.5;
}
.digit {
  font-size: 11px;
  font-weight: 600;
  fill: var(--ink);
}
</style>
