<script setup lang="ts">
import { computed } from "vue";
import type { Schemas } from "../api/client";

/** A house drawn small, floor beside floor: its walls, its units as squares and its devices as dots. */
const props = withDefaults(
  defineProps<{ floors: Schemas["SmallFloor"][]; label: string; most?: number; tall?: number }>(),
  { most: 3, tall: 150 },
);
const GAP = 14;
const PAD = 4;
const sheets = computed(() => {
  const shown = props.floors.slice(0, props.most);
  const boxes = shown.map((f) => {
    const xs = f.walls.flatMap((w) => [w.axM, w.bxM]);
    const ys = f.walls.flatMap((w) => [w.ayM, w.byM]);
    return { west: Math.min(...xs), east: Math.max(...xs), south: Math.min(...ys), north: Math.max(...ys) };
  });
  // all floors at one scale, so that they compare
  const deep = Math.max(1, ...boxes.map((b) => b.north - b.south));
  const scale = (props.tall - 22) / deep;
  let left = PAD;
  return shown.map((floor, i) => {
    const b = boxes[i]!;
    const x = (m: number) => (m - b.west) * scale;
    const y = (m: number) => (b.north - m) * scale;
    const at = left;
    const wide = (b.east - b.west) * scale;
    left += Math.max(wide, 44) + GAP;
    return {
      id: floor.id,
      name: floor.name,
      at,
      wide: Math.max(wide, 44),
      path: floor.walls.map((w) => `M${x(w.axM)} ${y(w.ayM)}L${x(w.bxM)} ${y(w.byM)}`).join(""),
      marks: floor.marks.map((m) => ({ x: x(m.xM), y: y(m.yM), unit: m.unit })),
    };
  });
});
const width = computed(() => {
  const last = sheets.value.at(-1);
  return last ? last.at + last.wide + PAD : 120;
});
const more = computed(() => props.floors.length - sheets.value.length);
</script>

<template>
  <figure>
    <svg
      v-if="sheets.length"
      role="img"
      :aria-label="label"
      :viewBox="`0 0 ${width} ${tall}`"
      :width="width"
      :height="tall"
      preserveAspectRatio="xMinYMin meet"
    >
      <g v-for="s in sheets" :key="s.id" :transform="`translate(${s.at} ${PAD})`">
        <path :d="s.path" class="walls" />
        <template v-for="(m, i) in s.marks" :key="i">
          <rect v-if="m.unit" :x="m.x - 2.5" :y="m.y - 2.5" width="5" height="5" class="unit" />
          <circle v-else :cx="m.x" :cy="m.y" r="1.8" class="device" />
        </template>
        <text x="0" :y="tall - 8">{{ s.name }}</text>
      </g>
    </svg>
    <p v-else class="quiet">No room is drawn yet.</p>
    <figcaption v-if="more > 0" class="quiet">
      and {{ more }} more {{ more === 1 ? "floor" : "floors" }}
    </figcaption>
  </figure>
</template>

<style scoped>
figure {
  margin: 0;
}
svg {
  display: block;
  max-width: 100%;
  height: auto;
}
.walls {
  stroke: var(--ink);
  stroke-width: 1.6;
  stroke-linecap: square;
  fill: none;
}
.unit {
  fill: var(--copper);
}
.device {
  fill: var(--signal, #2f6f8f);
}
text {
  font-size: 11px;
  fill: var(--ink2);
}
figcaption {
  font-size: 12px;
}
</style>
