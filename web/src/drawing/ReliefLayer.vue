<script setup lang="ts">
import { computed } from "vue";
import { answer, api } from "../api/client";
import { useQuery } from "../app/useQuery";
import { useBench } from "../plan/store";

/** Lines of equal height on the sheet of the whole site, labelled where they are longest. */
const props = defineProps<{ px: (xM: number) => number; py: (yM: number) => number }>();
const bench = useBench();
const { answer: relief } = useQuery(
  () => bench.id || null,
  (id, signal) => answer(api.GET("/api/plans/{id}/ground/relief", { params: { path: { id } }, signal })),
);
const lines = computed(() =>
  (relief.value?.lines ?? []).map((line, i) => {
    const points: [number, number][] = [];
    for (let p = 0; p + 1 < line.points.length; p += 2)
      points.push([props.px(line.points[p]!), props.py(line.points[p + 1]!)]);
    const middle = points[Math.floor(points.length / 2)]!;
    const bold =
      Math.round(line.heightM / (relief.value!.stepM * 5)) * relief.value!.stepM * 5 === line.heightM;
    return {
      key: i,
      d: "M" + points.map(([x, y]) => `${x.toFixed(1)} ${y.toFixed(1)}`).join("L"),
      bold,
      label: points.length > 12 ? `${line.heightM} m` : "",
      x: middle[0],
      y: middle[1],
    };
  }),
);
</script>

<template>
  <g class="relief" aria-hidden="true">
    <path v-for="l in lines" :key="l.key" :d="l.d" :class="{ bold: l.bold }" />
    <template v-for="l in lines" :key="`t${l.key}`">
      <text v-if="l.label" :x="l.x" :y="l.y">{{ l.label }}</text>
    </template>
  </g>
</template>

<style scoped>
.relief {
  pointer-events: none;
}
path {
  fill: none;
  stroke: var(--hair-strong);
  stroke-width: 0.8;
}
.bold {
  stroke-width: 1.6;
}
text {
  font-size: 10px;
  fill: var(--ink2);
  text-anchor: middle;
  paint-order: stroke;
  stroke: var(--sheet);
  stroke-width: 3px;
}
</style>
