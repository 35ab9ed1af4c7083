<script setup lang="ts">
import { computed, ref } from "vue";
import { answer, api } from "../api/client";
import { useQuery } from "../app/useQuery";
import { pointer, thingOf } from "../plan/pointers";
import { useLength } from "../app/useLength";
import { useBench } from "../plan/store";
import Hatches from "./Hatches.vue";
import { boundsOf } from "./outline";
import UnitMark from "./UnitMark.vue";
import { useSheet } from "./useSheet";

/** An upright cut through the house: along the selected link, or west to east through the middle of the selection. */
const bench = useBench();
const lengths = useLength();
const element = ref<HTMLElement | null>(null);

const link = computed(() => {
  const thing = thingOf(bench.selection);
  if (thing?.[0] === "links") return thing[1];
  if (thing?.[0] !== "units") return null;
  return Object.entries(bench.plan!.links).find(([, l]) => l.from === thing[1])?.[0] ?? null;
});
/** The line of the cut when no link is selected: west to east through the middle of the largest building. */
const line = computed(() => {
  const counts = new Map<string, number>();
  for (const r of Object.values(bench.plan!.rooms)) {
    const b = bench.plan!.floors[r.floor]!.building;
    counts.set(b, (counts.get(b) ?? 0) + 1);
  }
  const largest = [...counts].sort((a, b) => b[1] - a[1])[0]?.[0];
  if (!largest) return null;
  const building = bench.plan!.buildings[largest]!;
  const boxes = Object.values(bench.plan!.rooms)
    .filter((r) => bench.plan!.floors[r.floor]!.building === largest)
    .map((r) => boundsOf(r.corners));
  const [south, north] = [Math.min(...boxes.map((b) => b.south)), Math.max(...boxes.map((b) => b.north))];
  const y = building.yM + south + (north - south) * 0.42;
  return {
    fromXM: building.xM + Math.min(...boxes.map((b) => b.west)),
    fromYM: y,
    toXM: building.xM + Math.max(...boxes.map((b) => b.east)),
    toYM: y,
  };
});

const { answer: section, trouble } = useQuery(
  () => (link.value ? { link: link.value } : line.value),
  (query, signal) =>
    answer(api.GET("/api/plans/{id}/section", { params: { path: { id: bench.id }, query }, signal })),
);

const box = computed(() => ({
  west: 0,
  east: section.value?.lengthM ?? 10,
  south: section.value?.lowZM ?? 0,
  north: section.value?.highZM ?? 5,
}));
const { width, height, scale, px, py, zoomAt, pan } = useSheet(element, box);
const bar = computed(() => lengths.bar(scale.value, 120));
const hatch = (id: string) => bench.construction(id)?.hatch ?? "NONE";
/** Names of floors that lie nearly level stand above each other. */
const levels = computed(() => {
  const sorted = [...(section.value?.levels ?? [])].sort((a, b) => a.zM - b.zM);
  let last = Infinity;
  return sorted.map((l) => {
    last = Math.min(py(l.zM) - 4, last - 13);
    return { ...l, y: last };
  });
});
const thick = (metres: number) => Math.max(2, metres * scale.value);
const unitName = (id: string) => bench.plan!.units[id]?.name ?? id;
const ray = computed(() => {
  const l = link.value ? bench.plan!.links[link.value] : undefined;
  const find = (id: string) => section.value?.units.find((u) => u.unit === id);
  const [a, b] = [l && find(l.from), l && find(l.to)];
  const report = link.value ? bench.shown?.links[link.value] : undefined;
  return a && b
    ? { x1: px(a.atM), y1: py(a.zM), x2: px(b.atM), y2: py(b.zM), bad: report ? !report.meets : false }
    : null;
});
const title = computed(() => {
  const l = link.value ? bench.plan!.links[link.value] : undefined;
  return l ? `Cut from ${unitName(l.from)} to ${unitName(l.to)}` : "Cut from west to east";
});
let held: [number, number, number, number] | null = null;
function take(event: PointerEvent) {
  held = [event.clientX, event.clientY, ...pan.value];
}
function drag(event: PointerEvent) {
  if (held) pan.value = [held[2] + event.clientX - held[0], held[3] + event.clientY - held[1]];
}
function wheel(event: WheelEvent) {
  const area = (event.currentTarget as SVGElement).getBoundingClientRect();
  zoomAt(event.clientX - area.left, event.clientY - area.top, Math.exp(-event.deltaY * 0.0016));
}
</script>

<template>
  <div ref="element" class="sheet">
    <p v-if="trouble" class="bad note" role="alert">{{ trouble }}</p>
    <svg
      v-if="section"
      :width="width"
      :height="height"
      role="group"
      :aria-label="title"
      @wheel.prevent="wheel"
      @pointerdown="take"
      @pointermove="drag"
      @pointerup="held = null"
      @pointerleave="held = null"
    >
      <Hatches />
      <g v-for="(s, i) in section.slabs" :key="`s-${i}`">
        <rect
          :x="px(s.fromM)"
          :y="py(s.zM)"
          :width="(s.toM - s.fromM) * scale"
          :height="thick(s.thicknessM)"
          :fill="`url(#hatch-${hatch(s.construction)})`"
          class="solid"
        />
      </g>
      <g v-for="(w, i) in section.walls" :key="`w-${i}`">
        <rect
          :x="px(w.atM) - thick(w.thicknessM) / 2"
          :y="py(w.toZM)"
          :width="thick(w.thicknessM)"
          :height="(w.toZM - w.fromZM) * scale"
          :fill="`url(#hatch-${hatch(w.construction)})`"
          class="solid"
        />
      </g>
      <g v-for="l in levels" :key="l.floor" class="level">
        <path :d="`M${px(0) - 44} ${py(l.zM)}H${px(0) - 8}`" />
        <text :x="px(0) - 46" :y="l.y" text-anchor="start" class="halo">
          {{ l.name }} {{ l.zM >= 0 ? "+" : "" }}{{ lengths.length(l.zM) }}
        </text>
      </g>
      <path
        v-if="ray"
        :d="`M${ray.x1} ${ray.y1}L${ray.x2} ${ray.y2}`"
        class="ray"
        :class="{ bad: ray.bad }"
      />
      <g
        v-for="u in section.units"
        :key="u.unit"
        :transform="`translate(${px(u.atM)} ${py(u.zM)})`"
        class="thing"
        tabindex="0"
        role="button"
        :aria-label="`${unitName(u.unit)} ${lengths.length(u.zM, 1)}`"
        @click="bench.select(pointer('units', u.unit))"
        @keydown.enter="bench.select(pointer('units', u.unit))"
      >
        <UnitMark :kind="bench.plan!.units[u.unit]!.kind" />
        <text x="11" y="4" class="halo">{{ unitName(u.unit) }} {{ lengths.length(u.zM, 1) }}</text>
      </g>
      <text x="14" y="20" class="halo title">{{ title }}</text>
      <g class="bar" :transform="`translate(14 ${height - 12})`" aria-hidden="true">
        <path :d="`M0 -5V0H${bar.px}V-5`" />
        <text :x="bar.px + 6" y="2">{{ bar.text }}</text>
      </g>
    </svg>
    <p v-else-if="!trouble" class="note">Draw a room first; then the cut through the house shows here.</p>
  </div>
</template>

<style scoped>
.sheet {
  position: relative;
  flex: 1 1 0;
  min-height: 200px;
  overflow: hidden;
  background: var(--sheet);
}
svg {
  position: absolute;
  inset: 0;
  touch-action: none;
  user-select: none;
}
.solid {
  stroke: var(--ink);
  stroke-width: 1.2;
}
.level path,
.bar path {
  stroke: var(--ink2);
  fill: none;
}
.level text,
.bar text,
.thing text {
  font-size: 11px;
  fill: var(--ink2);
}
.halo {
  paint-order: stroke;
  stroke: var(--sheet);
  stroke-width: 3.5px;
}
.title {
  font-size: 13px;
  font-weight: 600;
  fill: var(--ink);
}
.ray {
  stroke: var(--signal);
  stroke-width: 2;
  stroke-dasharray: 7 4;
  fill: none;
}
.ray.bad {
  stroke: var(--unsafe);
}
.thing {
  cursor: pointer;
}
.note {
  padding: 20px;
}
</style>
