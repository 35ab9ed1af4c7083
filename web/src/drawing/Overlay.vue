<script setup lang="ts">
import { computed } from "vue";
import { pointer } from "../plan/pointers";
import { useBench } from "../plan/store";
import { useCoverage } from "../coverage/store";
import { useLinksView } from "../stages/links/view";
import { shown } from "./marks";

/** What a part of Links draws over the sheet: mesh routes, readings, proposed boxes, and crosses where too little arrives. */
const props = defineProps<{ floor: string; px: (xM: number) => number; py: (yM: number) => number }>();
const bench = useBench();
const coverage = useCoverage();
const view = useLinksView();
const positions = computed(() => bench.shown?.positions ?? {});
const at = (unit: string) => {
  const p = positions.value[pointer("units", unit)];
  return p ? { x: props.px(p.xM), y: props.py(p.yM), floor: p.floor } : null;
};

const hops = computed(() => {
  if (view.tab !== "mesh") return [];
  const used = new Map<string, { a: string; b: string; count: number }>();
  for (const mesh of view.meshes) {
    for (const node of mesh.nodes) {
      for (let i = 0; i + 1 < node.route.length; i++) {
        const [a, b] = [node.route[i]!, node.route[i + 1]!];
        const known = used.get(`${a} ${b}`);
        if (known) known.count++;
        else used.set(`${a} ${b}`, { a, b, count: 1 });
      }
    }
  }
  return [...used.values()].flatMap(({ a, b, count }) => {
    const [from, to] = [at(a), at(b)];
    if (!from || !to || (from.floor !== props.floor && to.floor !== props.floor)) return [];
    return [{ key: `${a} ${b}`, from, to, width: 1.4 + Math.min(4, count) * 0.8 }];
  });
});
const cuts = computed(() =>
  view.tab === "mesh"
    ? view.meshes
        .flatMap((m) => m.cuts)
        .flatMap((c) => {
          const p = at(c.unit);
          return p && p.floor === props.floor ? [{ key: c.unit, ...p, count: c.loses.length }] : [];
        })
    : [],
);

const readings = computed(() =>
  view.tab === "walk"
    ? view.readings
        .filter((r) => r.reading.floor === props.floor)
        .map((r) => ({
          key: r.id,
          x: props.px(r.reading.xM),
          y: props.py(r.reading.yM),
          off: r.predictedDbm === null ? null : r.reading.dbm - r.predictedDbm,
          text: shown(r.reading.dbm, 0),
        }))
    : [],
);

const boxes = computed(() =>
  (view.tab === "next" ? (view.placement?.placings ?? []) : []).flatMap((p, n) =>
    p.boxes
      .filter((b) => b.floor === props.floor)
      .map((b) => ({
        key: `${n}-${b.unit}`,
        x: props.px(b.xM),
        y: props.py(b.yM),
        number: n + 1,
        looked: n === view.looked,
      })),
  ),
);

/** Ends of radio links that miss their target, and places to work from that do. */
const crosses = computed(() => {
  if (!coverage.medium) return [];
  const found: { key: string; x: number; y: number; title: string }[] = [];
  for (const report of Object.values(bench.shown?.links ?? {})) {
    const p = at(report.from);
    if (report.medium === coverage.medium && !report.meets && p?.floor === props.floor) {
      found.push({ key: report.link, x: p.x, y: p.y, title: "misses its target" });
    }
  }
  for (const demand of Object.values(view.demands)) {
    const place = bench.plan?.demands[demand.demand]?.place;
    const room = place?.room ? bench.plan?.rooms[place.room] : undefined;
    if (demand.meets || !place || room?.floor !== props.floor) continue;
    const building = bench.plan!.buildings[bench.plan!.floors[props.floor]!.building]!;
    found.push({
      key: demand.demand,
      x: props.px(building.xM + place.xM),
      y: props.py(building.yM + place.yM),
      title: "misses its target",
    });
  }
  return found;
});
</script>

<template>
  <g class="overlay" aria-hidden="true">
    <path
      v-for="h in hops"
      :key="h.key"
      :d="`M${h.from.x} ${h.from.y}L${h.to.x} ${h.to.y}`"
      class="hop"
      :stroke-width="h.width"
    />
    <g v-for="c in cuts" :key="`c-${c.key}`" :transform="`translate(${c.x} ${c.y})`">
      <path
        d="M-15 -15h10M-15 -15v10M15 15h-10M15 15v-10M15 -15h-10M15 -15v10M-15 15h10M-15 15v-10"
        class="cut"
      />
      <text x="0" y="-17" text-anchor="middle" class="cut-text">cuts off {{ c.count }}</text>
    </g>
    <g v-for="c in crosses" :key="`x-${c.key}`" :transform="`translate(${c.x} ${c.y})`">
      <path d="M-9 -9L9 9M-9 9L9 -9" class="cross" />
    </g>
    <g v-for="r in readings" :key="r.key" :transform="`translate(${r.x} ${r.y})`">
      <circle r="3.5" class="reading" :class="{ off: r.off !== null && Math.abs(r.off) > 8 }" />
      <text x="6" y="4" class="reading-text">{{ r.text }}</text>
    </g>
    <g
      v-for="b in boxes"
      :key="b.key"
      :transform="`translate(${b.x} ${b.y})`"
      class="box"
      :class="{ looked: b.looked }"
    >
      <path d="M0 -11L11 0L0 11L-11 0Z" />
      <text y="4" text-anchor="middle">{{ b.number }}</text>
    </g>
  </g>
</template>

<style scoped>
.overlay {
  pointer-events: none;
}
.hop {
  stroke: var(--signal);
  fill: none;
  opacity: 0.75;
}
.cut {
  stroke: var(--unsafe);
  stroke-width: 2;
  fill: none;
}
.cut-text,
.reading-text {
  font-size: 10.5px;
  font-weight: 600;
  fill: var(--ink);
  paint-order: stroke;
  stroke: var(--sheet);
  stroke-width: 3px;
}
.cross {
  stroke: var(--unsafe);
  stroke-width: 2.5;
}
.reading {
  fill: var(--signal);
}
.reading.off {
  fill: var(--unsafe);
}
.box path {
  fill: var(--sheet);
  stroke: var(--copper);
  stroke-width: 1.5;
  stroke-dasharray: 3 2;
}
.box.looked path {
  fill: var(--copper);
  stroke-dasharray: none;
}
.box text {
  font-size: 11px;
  font-weight: 700;
  fill: var(--copper);
}
.box.looked text {
  fill: var(--on-copper);
}
</style>
