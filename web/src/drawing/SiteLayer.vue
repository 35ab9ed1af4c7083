<script setup lang="ts">
import { computed } from "vue";
import { nameAt, pointer } from "../plan/pointers";
import { useBench } from "../plan/store";

/** What lies in a floor besides walls: stairwells, outlets, data points, cable routes, and places to work from. */
const props = defineProps<{
  floor: string;
  stage: string;
  px: (xM: number) => number;
  py: (yM: number) => number;
  scale: number;
}>();
const emit = defineEmits<{
  take: [event: PointerEvent, path: string];
  nudge: [event: KeyboardEvent, path: string];
}>();
const bench = useBench();
const plan = computed(() => bench.shownPlan!);
const building = computed(() => plan.value.buildings[plan.value.floors[props.floor]!.building]!);
const x = (m: number) => props.px(building.value.xM + m);
const y = (m: number) => props.py(building.value.yM + m);

const wells = computed(() =>
  Object.entries(plan.value.stairwells)
    .filter(([, s]) => s.floor === props.floor)
    .map(([id, s]) => ({
      id,
      x: x(s.xM),
      y: y(s.yM + s.depthM),
      w: s.widthM * props.scale,
      h: s.depthM * props.scale,
    })),
);
const WORDS: Record<string, string> = {
  OUTLET: "Outlet",
  DATA_POINT: "Data point",
  WIRING_CENTRE: "Wiring centre",
  DEMAND: "Place to work from",
};
const shownHere = computed(() => props.stage === "site" || props.stage === "links");
const marks = computed(() =>
  !shownHere.value
    ? []
    : [
        ...Object.entries(plan.value.fittings).map(([id, f]) => ({
          path: pointer("fittings", id),
          kind: f.kind as string,
          place: f.place,
        })),
        ...(props.stage === "links"
          ? Object.entries(plan.value.demands).map(([id, d]) => ({
              path: pointer("demands", id),
              kind: "DEMAND",
              place: d.place,
            }))
          : []),
      ].flatMap((m) =>
        m.place?.room && plan.value.rooms[m.place.room]?.floor === props.floor
          ? [{ ...m, x: x(m.place.xM), y: y(m.place.yM), name: nameAt(plan.value, m.path) }]
          : [],
      ),
);
const routes = computed(() =>
  props.stage !== "site"
    ? []
    : Object.entries(plan.value.routes)
        .filter(([, r]) => r.floor === props.floor)
        .map(([id, r]) => ({ id, d: "M" + r.points.map((p) => `${x(p.xM)} ${y(p.yM)}`).join("L") })),
);
</script>

<template>
  <g aria-hidden="true" class="under">
    <g v-for="w in wells" :key="w.id">
      <rect :x="w.x" :y="w.y" :width="w.w" :height="w.h" class="well" />
      <path
        :d="`M${w.x} ${w.y}L${w.x + w.w} ${w.y + w.h}M${w.x} ${w.y + w.h}L${w.x + w.w} ${w.y}`"
        class="well"
      />
    </g>
    <path v-for="r in routes" :key="r.id" :d="r.d" class="route" />
  </g>
  <g>
    <g
      v-for="m in marks"
      :key="m.path"
      :transform="`translate(${m.x} ${m.y})`"
      class="taken"
      tabindex="0"
      role="button"
      :aria-label="`${WORDS[m.kind]} ${m.name}`"
      :aria-pressed="bench.selection === m.path"
      @pointerdown="emit('take', $event, m.path)"
      @keydown="emit('nudge', $event, m.path)"
    >
      <title>{{ m.name }}</title>
      <circle r="11" class="ring" :class="{ chosen: bench.selection === m.path }" />
      <path v-if="m.kind === 'OUTLET'" d="M-5 3A5 5 0 0 1 5 3ZM-2 3V7M2 3V7" class="fitting" />
      <path v-else-if="m.kind === 'DATA_POINT'" d="M-5 -4H5V4H-5ZM-2 4V1H2V4" class="fitting" />
      <path v-else-if="m.kind === 'WIRING_CENTRE'" d="M-7 -5H7V5H-7ZM-7 0H7M-2 -5V5M3 -5V5" class="fitting" />
      <path v-else d="M-4 -7H4V7H-4ZM-1 5H1" class="demand" />
    </g>
  </g>
</template>

<style scoped>
.under {
  pointer-events: none;
}
.taken {
  cursor: move;
}
.taken:focus-visible {
  outline: none;
}
.ring {
  fill: transparent;
  stroke: none;
}
.ring.chosen,
.taken:focus-visible .ring {
  stroke: var(--copper);
  stroke-width: 2;
}
.well {
  fill: none;
  stroke: var(--hair-strong);
  stroke-dasharray: 5 3;
}
.route {
  fill: none;
  stroke: var(--reduced);
  stroke-width: 1.6;
  stroke-dasharray: 8 3 2 3;
}
.fitting {
  fill: var(--sheet);
  stroke: var(--ink2);
  stroke-width: 1.3;
}
.demand {
  fill: var(--sheet);
  stroke: var(--hand);
  stroke-width: 1.5;
}
</style>
