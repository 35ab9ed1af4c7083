<script setup lang="ts">
import { computed, ref } from "vue";
import { feetAndInches, labelIn, readIn } from "../app/measures";
import { useLength } from "../app/useLength";
import type { Room } from "../api/client";
import { useBench } from "../plan/store";
import { shown } from "./marks";
import { cornerMoved } from "./moves";
import { command } from "../plan/commands";
import { wallLengths } from "./outline";

/** The corners of the selected room, to be dragged, and the length of each wall, to be typed over. */
const props = defineProps<{ room: { id: string; room: Room; points: number[][]; cx: number; cy: number } }>();
const emit = defineEmits<{ take: [event: PointerEvent, corner: number] }>();
const bench = useBench();
const { length } = useLength();
const feet = computed(() => bench.plan?.measures === "FEET");
const typing = ref<number | null>(null);
const typed = ref("");

const OUT_PX = 16;
const walls = computed(() => {
  const lengths = wallLengths(props.room.room);
  return lengths.map((length, i) => {
    const [ax, ay] = props.room.points[i] as [number, number];
    const [bx, by] = props.room.points[(i + 1) % lengths.length] as [number, number];
    const span = Math.hypot(bx - ax, by - ay) || 1;
    const [nx, ny] = [-(by - ay) / span, (bx - ax) / span];
    const [mx, my] = [(ax + bx) / 2, (ay + by) / 2];
    const inward = (props.room.cx - mx) * nx + (props.room.cy - my) * ny > 0 ? 1 : -1;
    return { i, length, x: mx + nx * inward * OUT_PX, y: my + ny * inward * OUT_PX, wide: span > 46 };
  });
});

function begin(i: number, metres: number) {
  typing.value = i;
  typed.value = feet.value ? feetAndInches(metres) : metres.toFixed(2);
}
async function commit() {
  const wall = typing.value;
  typing.value = null;
  const read = readIn(bench.plan!.measures, "Length, m", typed.value);
  if (wall === null) return;
  if ("trouble" in read) {
    bench.message = read.trouble;
    return;
  }
  if (Math.abs(read.value - walls.value[wall]!.length) < 0.005) return;
  await command("set-wall-length", { room: props.room.id, wall, lengthM: read.value });
}

function nudge(event: KeyboardEvent, corner: number) {
  const step = event.shiftKey ? 0.01 : 0.1;
  const by: Record<string, [number, number]> = {
    ArrowLeft: [-step, 0],
    ArrowRight: [step, 0],
    ArrowUp: [0, step],
    ArrowDown: [0, -step],
  };
  const delta = by[event.key];
  if (!delta) return;
  event.preventDefault();
  event.stopPropagation();
  const at = bench.plan!.rooms[props.room.id]!.corners[corner]!;
  const ops = cornerMoved(
    bench.plan!,
    props.room.id,
    corner,
    at.xM + delta[0],
    at.yM + delta[1],
    event.altKey,
  );
  void bench.edit(ops, `corner of ${props.room.room.name}`);
}
</script>

<template>
  <g>
    <g v-for="w in walls" :key="`w-${w.i}`">
      <foreignObject v-if="typing === w.i" :x="w.x - 34" :y="w.y - 13" width="68" height="26">
        <input
          v-model="typed"
          class="length-field"
          :aria-label="labelIn(bench.plan!.measures, `Length of wall ${w.i + 1}, m`)"
          inputmode="decimal"
          autofocus
          @pointerdown.stop
          @keydown.enter="commit"
          @keydown.esc.stop="typing = null"
          @blur="commit"
        />
      </foreignObject>
      <text
        v-else-if="w.wide"
        :x="w.x"
        :y="w.y + 4"
        text-anchor="middle"
        class="length"
        tabindex="0"
        role="button"
        :aria-label="`Length of wall ${w.i + 1}: ${length(w.length)}, type over it`"
        @pointerdown.stop
        @click="begin(w.i, w.length)"
        @keydown.enter.stop="begin(w.i, w.length)"
      >
        {{ feet ? length(w.length) : shown(w.length, 2) }}
      </text>
    </g>
    <rect
      v-for="(p, i) in room.points"
      :key="i"
      :x="p[0]! - 6"
      :y="p[1]! - 6"
      width="12"
      height="12"
      class="corner"
      tabindex="0"
      role="button"
      :aria-label="`Corner ${i + 1} of ${room.room.name}`"
      @pointerdown="emit('take', $event, i)"
      @keydown="nudge($event, i)"
    >
      <title>Drag; Shift: to the centimetre, Alt: leave the neighbours' corners</title>
    </rect>
  </g>
</template>

<style scoped>
.corner {
  fill: var(--copper);
  stroke: var(--sheet);
  cursor: move;
}
.length {
  font-size: 12px;
  font-weight: 600;
  fill: var(--link);
  paint-order: stroke;
  stroke: var(--sheet);
  stroke-width: 4px;
  text-decoration: underline dotted;
  cursor: text;
}
.length-field {
  width: 64px;
  height: 24px;
  font: inherit;
  padding: 0 4px;
}
</style>
