<script setup lang="ts">
import { computed, onBeforeUnmount, onMounted, ref } from "vue";
import type { Schemas } from "../../api/client";
import { shown } from "../../drawing/marks";

/** The ground under a path with its ray and what it wants free; either antenna can be dragged up and down. */
const props = defineProps<{ report: Schemas["PathReport"] }>();
const emit = defineEmits<{
  /** While an antenna is dragged: which end, and its height above the ground. */
  drag: [end: "from" | "to", heightM: number];
  drop: [];
}>();
const HEIGHT = 300;
const LEFT = 46;
const RIGHT = 14;
const TOP = 26;
const FOOT = 40;
const element = ref<HTMLElement | null>(null);
const svg = ref<SVGSVGElement | null>(null);
const width = ref(780);
let observer: ResizeObserver | null = null;
onMounted(() => {
  if (typeof ResizeObserver === "undefined") return;
  observer = new ResizeObserver(([entry]) => (width.value = Math.max(420, entry!.contentRect.width)));
  observer.observe(element.value!);
});
onBeforeUnmount(() => observer?.disconnect());

const points = computed(() => props.report.points);
const length = computed(() => props.report.lengthM);
const range = computed(() => {
  const low = Math.min(...points.value.map((p) => p.groundM - p.bulgeM));
  const high = Math.max(
    ...points.value.map((p) => Math.max(p.builtM, p.treeM ?? p.builtM, p.rayM + 0.6 * p.radiusM)),
  );
  const pad = Math.max(2, (high - low) * 0.08);
  return { low: low - pad, high: high + pad };
});
const x = (d: number) => LEFT + (d / length.value) * (width.value - LEFT - RIGHT);
const y = (h: number) =>
  TOP + ((range.value.high - h) / (range.value.high - range.value.low)) * (HEIGHT - TOP - FOOT);
const line = (height: (p: Schemas["Drawn"]) => number) =>
  points.value
    .map((p, i) => `${i ? "L" : "M"}${x(p.distanceM).toFixed(1)} ${y(height(p)).toFixed(1)}`)
    .join("");
const base = HEIGHT - FOOT;
const ground = computed(() => `${line((p) => p.groundM)}L${x(length.value)} ${base}L${x(0)} ${base}Z`);
const builtPath = computed(
  () =>
    `${line((p) => p.builtM)}${[...points.value]
      .reverse()
      .map((p) => `L${x(p.distanceM).toFixed(1)} ${y(p.groundM).toFixed(1)}`)
      .join("")}Z`,
);
const curve = computed(() => line((p) => range.value.low + p.bulgeM + 0.5));
const zone = computed(
  () =>
    `${line((p) => p.rayM + 0.6 * p.radiusM)}${[...points.value]
      .reverse()
      .map((p) => `L${x(p.distanceM).toFixed(1)} ${y(p.rayM - 0.6 * p.radiusM).toFixed(1)}`)
      .join("")}Z`,
);
/** Trees as upright strokes with a rounded top, so that they are not told by colour alone. */
const trees = computed(() => {
  const strokes: string[] = [];
  const step = 9;
  for (let px = x(0); px < x(length.value); px += step) {
    const d = ((px - LEFT) / (width.value - LEFT - RIGHT)) * length.value;
    const after = points.value.findIndex((p) => p.distanceM >= d);
    const p = points.value[after];
    const before = points.value[Math.max(0, after - 1)];
    if (!p || p.treeM === null || !before || before.treeM === null) continue;
    const share =
      p.distanceM === before.distanceM ? 0 : (d - before.distanceM) / (p.distanceM - before.distanceM);
    const foot = before.groundM + share * (p.groundM - before.groundM);
    const top = before.treeM + share * (p.treeM - before.treeM);
    strokes.push(`M${px} ${y(foot)}V${y(top) + 4}M${px - 4} ${y(top) + 4}a4 4 0 0 1 8 0`);
  }
  return strokes.join("");
});
const water = computed(() =>
  points.value
    .map((p, i) => {
      const next = points.value[i + 1];
      return p.water && next?.water
        ? `M${x(p.distanceM)} ${y(p.groundM)}L${x(next.distanceM)} ${y(next.groundM)}`
        : "";
    })
    .join(""),
);
const nice = (span: number, most: number) => {
  const raw = span / most;
  const unit = 10 ** Math.floor(Math.log10(raw));
  return [1, 2, 5, 10].map((m) => m * unit).find((s) => s >= raw)!;
};
const distances = computed(() => {
  const step = nice(length.value, 8);
  return Array.from({ length: Math.floor(length.value / step) + 1 }, (_, i) => i * step);
});
const heights = computed(() => {
  const step = nice(range.value.high - range.value.low, 5);
  const first = Math.ceil(range.value.low / step) * step;
  const all: number[] = [];
  for (let h = first; h <= range.value.high; h += step) all.push(h);
  return all;
});
const worst = computed(() => {
  const c = props.report.clearance;
  const ray = points.value.reduce((a, p) =>
    Math.abs(p.distanceM - c.distanceM) < Math.abs(a.distanceM - c.distanceM) ? p : a,
  );
  return { x: x(c.distanceM), top: y(ray.rayM), foot: y(ray.rayM - c.clearanceM) };
});
const worstText = computed(() => {
  const c = props.report.clearance;
  return c.clearanceM < 0
    ? `blocked by ${shown(-c.clearanceM, 1)} m`
    : `clear by ${shown(c.clearanceM, 1)} m, ${shown(c.share * 100, 0)} % of the first zone`;
});
const ends = computed(() => {
  const first = points.value[0]!;
  const last = points.value[points.value.length - 1]!;
  return [
    { id: "from" as const, end: props.report.from, x: x(0), ground: first.groundM },
    { id: "to" as const, end: props.report.to, x: x(length.value), ground: last.groundM },
  ];
});
const alt = computed(
  () =>
    `Ground from ${props.report.from.name} to ${props.report.to.name}, ${shown(length.value, 0)} metres; the direct ray is ${worstText.value} at ${shown(props.report.clearance.distanceM, 0)} metres; antennas ${shown(props.report.from.heightM, 1)} and ${shown(props.report.to.heightM, 1)} metres above the ground.`,
);

let held: (typeof ends.value)[number] | null = null;
function take(event: PointerEvent, end: (typeof ends.value)[number]) {
  if (event.button !== 0) return;
  held = end;
  (event.currentTarget as Element).setPointerCapture(event.pointerId);
}
function limited(end: Schemas["End"], height: number) {
  return Math.round(Math.max(end.leastM, Math.min(end.mostM, height)) * 10) / 10;
}
function move(event: PointerEvent) {
  if (!held) return;
  const at = event.clientY - svg.value!.getBoundingClientRect().top;
  const metres =
    range.value.high - ((at - TOP) / (HEIGHT - TOP - FOOT)) * (range.value.high - range.value.low);
  emit("drag", held.id, limited(held.end, metres - held.ground));
}
function drop() {
  if (held) emit("drop");
  held = null;
}
function key(event: KeyboardEvent, end: (typeof ends.value)[number]) {
  const step = { ArrowUp: 0.1, ArrowDown: -0.1, PageUp: 1, PageDown: -1 }[event.key];
  if (!step) return;
  event.preventDefault();
  emit("drag", end.id, limited(end.end, end.end.heightM + step));
  emit("drop");
}
</script>

<template>
  <div ref="element" class="profile">
    <svg ref="svg" :width="width" :height="HEIGHT" role="group" aria-label="Profile of the path">
      <title>{{ alt }}</title>
      <g class="grid">
        <template v-for="h in heights" :key="h">
          <path :d="`M${LEFT} ${y(h)}H${width - RIGHT}`" />
          <text :x="LEFT - 5" :y="y(h) + 4" text-anchor="end">{{ shown(h, 0) }} m</text>
        </template>
        <text v-for="d in distances" :key="d" :x="x(d)" :y="HEIGHT - 8" text-anchor="middle">
          {{ d >= 1000 ? `${shown(d / 1000, 1)} km` : `${shown(d, 0)} m` }}
        </text>
        <path v-for="d in distances" :key="`t${d}`" :d="`M${x(d)} ${base}v5`" />
      </g>
      <path :d="zone" class="zone" />
      <path :d="ground" class="ground" />
      <path :d="builtPath" class="built" />
      <path :d="trees" class="trees" />
      <path :d="water" class="water" />
      <path :d="curve" class="curve" />
      <path :d="line((p) => p.rayM)" class="ray" />
      <path :d="`M${worst.x} ${worst.top}V${worst.foot}`" class="worst" />
      <text
        :x="Math.min(Math.max(worst.x, 130), width - 140)"
        y="15"
        text-anchor="middle"
        class="note"
        :class="{ bad: report.clearance.share < 0.6 }"
      >
        {{ worstText }}, at {{ shown(report.clearance.distanceM, 0) }} m
      </text>
      <g v-for="e in ends" :key="e.id">
        <path :d="`M${e.x} ${y(e.ground)}V${y(e.ground + e.end.heightM)}`" class="mast" />
        <circle
          :cx="e.x"
          :cy="y(e.ground + e.end.heightM)"
          r="8"
          class="handle"
          tabindex="0"
          role="slider"
          :aria-label="`Antenna of ${e.end.name}, metres above the ground`"
          :aria-valuenow="e.end.heightM"
          :aria-valuemin="e.end.leastM"
          :aria-valuemax="e.end.mostM"
          @pointerdown="take($event, e)"
          @pointermove="move"
          @pointerup="drop"
          @keydown="key($event, e)"
        />
        <text
          :x="e.id === 'from' ? e.x + 13 : e.x - 13"
          :y="Math.max(30, y(e.ground + e.end.heightM) - 12)"
          :text-anchor="e.id === 'from' ? 'start' : 'end'"
          class="note"
        >
          {{ e.end.name }}, {{ shown(e.end.heightM, 1) }} m
        </text>
      </g>
    </svg>
    <p class="quiet key">
      Line: direct ray · band: 60 % of the first Fresnel zone · strokes: trees · dark: buildings · dashed at
      the foot: the earth's curve. Drag a round handle, or use its arrow keys.
    </p>
  </div>
</template>

<style scoped>
svg {
  display: block;
  background: var(--sheet);
  border: 1px solid var(--hair);
  touch-action: none;
}
.grid path {
  stroke: var(--hair);
  fill: none;
}
.grid text {
  font-size: 11px;
  fill: var(--ink2);
}
.ground {
  fill: var(--wall);
  stroke: var(--ink);
  stroke-width: 1.5;
}
.built {
  fill: var(--ink2);
  stroke: none;
}
.trees {
  fill: none;
  stroke: var(--holds);
  stroke-width: 1.3;
}
.water {
  fill: none;
  stroke: var(--signal);
  stroke-width: 4;
  stroke-dasharray: 6 2;
}
.curve {
  fill: none;
  stroke: var(--hair-strong);
  stroke-dasharray: 2 4;
}
.zone {
  fill: var(--signal);
  fill-opacity: 0.14;
  stroke: var(--signal);
  stroke-opacity: 0.5;
}
.ray {
  fill: none;
  stroke: var(--copper);
  stroke-width: 1.6;
}
.worst {
  stroke: var(--unsafe);
  stroke-width: 2;
}
.mast {
  stroke: var(--ink);
  stroke-width: 3;
}
.handle {
  fill: var(--sheet);
  stroke: var(--copper);
  stroke-width: 3;
  cursor: ns-resize;
}
.note {
  font-size: 12px;
  fill: var(--ink);
  font-weight: 500;
  paint-order: stroke;
  stroke: var(--sheet);
  stroke-width: 4px;
}
.note.bad {
  fill: var(--unsafe);
}
.key {
  font-size: 12px;
}
</style>
