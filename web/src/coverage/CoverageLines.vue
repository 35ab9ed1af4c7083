<script setup lang="ts">
import { computed } from "vue";
import { shown } from "../drawing/marks";
import { useCoverage } from "./store";

/** Contour lines with their level on them, each kind of level with a dash of its own. */
const props = defineProps<{ px: (xM: number) => number; py: (yM: number) => number }>();
const coverage = useCoverage();
const DASHES = ["", "7 3", "2 3"];
const LABEL_EVERY_PX = 420;
const LEAST_LABELLED_PX = 70;

interface Label {
  x: number;
  y: number;
  text: string;
}

const lines = computed(() =>
  (coverage.shown?.coverage.contours ?? []).flatMap((c, level) =>
    c.lines.map((flat, i) => {
      const points: [number, number][] = [];
      for (let k = 0; k + 1 < flat.length; k += 2) points.push([props.px(flat[k]!), props.py(flat[k + 1]!)]);
      return {
        key: `${level}-${i}`,
        level,
        path: "M" + points.map((p) => `${p[0].toFixed(1)} ${p[1].toFixed(1)}`).join("L"),
        labels: labels(points, shown(c.dbm, 0)),
      };
    }),
  ),
);

/** Labels that would lie on another one are left out. */
const plates = computed(() => {
  const kept: (Label & { key: string })[] = [];
  for (const line of lines.value) {
    line.labels.forEach((t, i) => {
      if (kept.every((k) => Math.abs(k.x - t.x) > 32 || Math.abs(k.y - t.y) > 17)) {
        kept.push({ ...t, key: `${line.key}-${i}` });
      }
    });
  }
  return kept;
});

/** One label for short lines, more along long ones, each on the line. */
function labels(points: [number, number][], text: string): Label[] {
  let length = 0;
  const ends = points.map((p, i) => {
    if (i > 0) length += Math.hypot(p[0] - points[i - 1]![0], p[1] - points[i - 1]![1]);
    return length;
  });
  if (length < LEAST_LABELLED_PX) return [];
  const count = Math.max(1, Math.round(length / LABEL_EVERY_PX));
  return Array.from({ length: count }, (_, i) => {
    const at = (length * (i + 0.5)) / count;
    const k = Math.max(
      1,
      ends.findIndex((e) => e >= at),
    );
    const share = (at - ends[k - 1]!) / Math.max(1e-6, ends[k]! - ends[k - 1]!);
    return {
      x: points[k - 1]![0] + share * (points[k]![0] - points[k - 1]![0]),
      y: points[k - 1]![1] + share * (points[k]![1] - points[k - 1]![1]),
      text,
    };
  });
}
</script>

<template>
  <g class="contours" aria-hidden="true">
    <path
      v-for="l in lines"
      :key="l.key"
      :d="l.path"
      class="contour"
      :class="{ first: l.level === 0, stronger: l.level > 2 }"
      :stroke-dasharray="DASHES[l.level]"
    />
    <g v-for="t in plates" :key="t.key" :transform="`translate(${t.x} ${t.y})`">
      <rect x="-14" y="-8" width="28" height="15" rx="2" class="plate" />
      <text y="4" text-anchor="middle" class="level">{{ t.text }}</text>
    </g>
  </g>
</template>

<style scoped>
.contours {
  pointer-events: none;
}
.contour {
  fill: none;
  stroke: var(--signal);
  stroke-width: 1.3;
}
.first {
  stroke-width: 1.8;
}
.stronger {
  stroke-width: 0.8;
  opacity: 0.8;
}
.plate {
  fill: var(--sheet);
  opacity: 0.9;
}
.level {
  font-size: 10.5px;
  font-weight: 600;
  fill: var(--signal);
}
</style>
