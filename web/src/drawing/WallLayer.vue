<script setup lang="ts">
import { computed } from "vue";
import { useBench } from "../plan/store";

/** Walls as a surveyor draws them: to thickness, hatched by material, with doors and windows cut in. */
const props = defineProps<{
  floor: string;
  px: (xM: number) => number;
  py: (yM: number) => number;
  scale: number;
}>();
const bench = useBench();

const LEAST_PX = 3;
/** The corners of a bar between two points of the site, so thick in pixels and longer by a lap at both ends. */
function bar(w: { axM: number; ayM: number; bxM: number; byM: number }, thick: number, lap: number) {
  const [ax, ay, bx, by] = [props.px(w.axM), props.py(w.ayM), props.px(w.bxM), props.py(w.byM)];
  const length = Math.hypot(bx - ax, by - ay) || 1;
  const [dx, dy] = [(bx - ax) / length, (by - ay) / length];
  const [nx, ny] = [(-dy * thick) / 2, (dx * thick) / 2];
  const [sx, sy, ex, ey] = [ax - dx * lap, ay - dy * lap, bx + dx * lap, by + dy * lap];
  return [
    [sx + nx, sy + ny],
    [ex + nx, ey + ny],
    [ex - nx, ey - ny],
    [sx - nx, sy - ny],
  ]
    .map((p) => p.map((v) => v!.toFixed(1)).join(","))
    .join(" ");
}

const walls = computed(() =>
  (bench.shown?.walls ?? [])
    .filter((w) => props.floor === "site" || w.floor === props.floor)
    .map((w) => {
      const made = bench.construction(w.construction);
      const thick = Math.max(LEAST_PX, (made?.thicknessM || 0.1) * props.scale);
      const open = w.construction === "open" || (made?.hatch === "NONE" && made.thicknessM === 0);
      return {
        key: `${w.floor}-${w.axM}-${w.ayM}-${w.bxM}-${w.byM}`,
        hatch: made?.hatch ?? "NONE",
        open,
        points: bar(w, thick, open ? 0 : thick / 2),
        thick,
        at: w,
      };
    })
    // thick walls on top, so that thin ones end at their faces
    .sort((a, b) => a.thick - b.thick),
);
const solid = computed(() => walls.value.filter((w) => !w.open));

/** As thick as the wall that an opening is in. */
function wallThick(g: { axM: number; ayM: number; bxM: number; byM: number }): number {
  const [mx, my] = [(g.axM + g.bxM) / 2, (g.ayM + g.byM) / 2];
  const found = solid.value.find((w) => {
    const { axM, ayM, bxM, byM } = w.at;
    const length = Math.hypot(bxM - axM, byM - ayM);
    const off = Math.abs((bxM - axM) * (my - ayM) - (byM - ayM) * (mx - axM)) / length;
    const along = ((mx - axM) * (bxM - axM) + (my - ayM) * (byM - ayM)) / length;
    return off < 0.02 && along > 0 && along < length;
  });
  return found?.thick ?? LEAST_PX;
}
const gaps = computed(() =>
  (bench.shown?.gaps ?? [])
    .filter((g) => g.floor === props.floor)
    .map((g) => {
      const thick = wallThick(g);
      const [ax, ay, bx, by] = [props.px(g.axM), props.py(g.ayM), props.px(g.bxM), props.py(g.byM)];
      const length = Math.hypot(bx - ax, by - ay) || 1;
      const [nx, ny] = [-(by - ay) / length, (bx - ax) / length];
      return {
        key: g.opening,
        kind: g.kind,
        cut: bar(g, thick + 2.4, 0),
        line: `M${ax} ${ay}L${bx} ${by}`,
        // a door stands open by a quarter turn
        leaf: `M${ax} ${ay}L${ax + nx * length * 0.7} ${ay + ny * length * 0.7}`,
        jambs: `M${ax + (nx * thick) / 2} ${ay + (ny * thick) / 2}L${ax - (nx * thick) / 2} ${ay - (ny * thick) / 2}M${bx + (nx * thick) / 2} ${by + (ny * thick) / 2}L${bx - (nx * thick) / 2} ${by - (ny * thick) / 2}`,
      };
    }),
);
</script>

<template>
  <g class="walls" aria-hidden="true">
    <polygon v-for="w in walls" :key="w.key" :points="w.points" class="edge" :class="{ open: w.open }" />
    <polygon v-for="w in solid" :key="`f-${w.key}`" :points="w.points" :fill="`url(#hatch-${w.hatch})`" />
    <g v-for="g in gaps" :key="g.key">
      <polygon :points="g.cut" class="cut" />
      <path :d="g.jambs" class="jamb" />
      <path v-if="g.kind === 'WINDOW'" :d="g.line" class="pane" />
      <path v-if="g.kind === 'DOOR'" :d="g.leaf" class="leaf" />
    </g>
  </g>
</template>

<style scoped>
.walls {
  pointer-events: none;
}
.edge {
  fill: none;
  stroke: var(--ink);
  stroke-width: 2.2;
}
.edge.open {
  stroke-width: 1;
  stroke-dasharray: 3 4;
  stroke: var(--hair-strong);
}
.cut {
  fill: var(--sheet);
}
.jamb {
  stroke: var(--ink);
  stroke-width: 1.6;
}
.pane {
  stroke: var(--signal);
  stroke-width: 2.4;
}
.leaf {
  stroke: var(--ink2);
  stroke-width: 1.3;
}
</style>
