<script setup lang="ts">
import { computed, ref } from "vue";
import { pointer } from "../../plan/pointers";
import { useBench } from "../../plan/store";
import { useRulesView, type Circle } from "./view";

/** What Rules draws over a floor: what sensors see, and the circles of the chosen rule, which are drawn with the hand. */
const props = defineProps<{ floor: string; px: (xM: number) => number; py: (yM: number) => number }>();
const bench = useBench();
const view = useRulesView();
const sights = computed(() =>
  view.sights.flatMap((s) => {
    const p = bench.shown?.positions[pointer("devices", s.device)];
    return p && (p.floor ?? props.floor) === props.floor
      ? [
          {
            key: s.device,
            points: s.outline.map(([x, y]) => `${props.px(x!)},${props.py(y!)}`).join(" "),
            selected: bench.selection === pointer("devices", s.device),
          },
        ]
      : [];
  }),
);
/** A circle under the hand, until it is let go. */
const held = ref<{
  circle: Circle;
  edge: boolean;
  fromX: number;
  fromY: number;
  now: Circle["around"];
} | null>(null);
const scale = computed(() => props.px(1) - props.px(0));
const circles = computed(() =>
  view.circles
    .filter((c) => c.floor === props.floor)
    .map((circle) => {
      const building = bench.plan!.buildings[bench.plan!.floors[circle.floor]!.building]!;
      const a = held.value?.circle.path === circle.path ? held.value.now : circle.around;
      return {
        circle,
        x: props.px(building.xM + a.xM),
        y: props.py(building.yM + a.yM),
        r: a.radiusM * scale.value,
      };
    }),
);
function take(event: PointerEvent, circle: Circle, edge: boolean) {
  (event.target as Element).setPointerCapture(event.pointerId);
  held.value = { circle, edge, fromX: event.clientX, fromY: event.clientY, now: { ...circle.around } };
}
const tidy = (m: number) => Math.round(m * 10) / 10;
function move(event: PointerEvent) {
  const h = held.value;
  if (!h) return;
  const east = (event.clientX - h.fromX) / scale.value;
  const north = (h.fromY - event.clientY) / scale.value;
  const { xM, yM, radiusM } = h.circle.around;
  h.now = h.edge
    ? { xM, yM, radiusM: Math.max(0.1, tidy(radiusM + east)) }
    : { xM: tidy(xM + east), yM: tidy(yM + north), radiusM };
}
async function drop() {
  const h = held.value;
  if (!h) return;
  await bench.edit([{ op: "replace", path: h.circle.path, value: h.now }], "a circle");
  held.value = null;
}
</script>

<template>
  <g>
    <polygon
      v-for="s in sights"
      :key="`s-${s.key}`"
      :points="s.points"
      class="sight"
      :class="{ selected: s.selected }"
      aria-hidden="true"
    />
    <g v-for="c in circles" :key="c.circle.path" aria-hidden="true">
      <circle :cx="c.x" :cy="c.y" :r="c.r" class="drawn" />
      <circle
        :cx="c.x"
        :cy="c.y"
        r="7"
        class="grip"
        @pointerdown.stop.prevent="take($event, c.circle, false)"
        @pointermove="move"
        @pointerup="drop"
      />
      <circle
        :cx="c.x + c.r"
        :cy="c.y"
        r="6"
        class="grip edge"
        @pointerdown.stop.prevent="take($event, c.circle, true)"
        @pointermove="move"
        @pointerup="drop"
      />
    </g>
  </g>
</template>

<style scoped>
.sight {
  fill: var(--signal);
  fill-opacity: 0.12;
  stroke: var(--signal);
  stroke-opacity: 0.6;
  pointer-events: none;
}
.sight.selected {
  fill-opacity: 0.3;
}
.drawn {
  fill: var(--copper);
  fill-opacity: 0.12;
  stroke: var(--copper);
  stroke-dasharray: 5 3;
  pointer-events: none;
}
.grip {
  fill: var(--copper);
  cursor: move;
}
.grip.edge {
  cursor: ew-resize;
}
</style>
