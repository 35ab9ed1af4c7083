<script setup lang="ts">
import { useResizeObserver } from "@vueuse/core";
import type { Options } from "uplot";
import { onBeforeUnmount, onMounted, ref, useTemplateRef, watch } from "vue";

/** Curves over one figure, with a line where it is now and a level that is needed; the same as a table for who reads. */
const props = defineProps<{
  label: string;
  x: number[];
  xLabel: string;
  curves: { name: string; y: (number | null)[]; steps?: boolean }[];
  yLabel: string;
  /** Where x is now. */
  now?: number | null;
  /** Levels that mean something. */
  levels?: { name: string; y: number }[];
  height?: number;
  /** Names that stand on the x axis in place of figures, each at its x. */
  marks?: { at: number; name: string }[];
}>();
const holder = useTemplateRef<HTMLElement>("holder");
const drawn = ref(false);
let plot: import("uplot") | null = null;
let building = 0;
const INKS = ["--copper", "--signal", "--holds", "--ink2"];
/** Tell curves apart without colour. */
const DASHES = [[], [7, 4], [2, 3], [10, 3, 2, 3]];

async function build() {
  const mine = ++building;
  const element = holder.value;
  // without a canvas the table is all there is
  if (!element || !document.createElement("canvas").getContext?.("2d")) return;
  const [{ default: UPlot }] = await Promise.all([import("uplot"), import("uplot/dist/uPlot.min.css")]);
  if (mine !== building) return;
  const css = getComputedStyle(element);
  const colour = (name: string) => css.getPropertyValue(name).trim();
  const inks = INKS.map((name) => colour(name) || "#2f6f8f");
  const font = `12px ${css.fontFamily}`;
  const axis = {
    stroke: colour("--ink2"),
    grid: { stroke: colour("--hair"), width: 0.5 },
    font,
    labelFont: font,
  };
  const options: Options = {
    width: Math.max(220, element.clientWidth),
    height: props.height ?? 220,
    scales: { x: { time: false } },
    legend: { show: false },
    pxAlign: 0,
    cursor: { drag: { x: false, y: false } },
    series: [
      { label: props.xLabel },
      ...props.curves.map((c, i) => ({
        label: c.name,
        stroke: inks[i % inks.length]!,
        width: 2,
        dash: DASHES[i % DASHES.length]!,
        points: { show: false },
        ...(c.steps ? { paths: UPlot.paths.stepped!({ align: 1 }) } : {}),
      })),
    ],
    axes: [
      {
        ...axis,
        label: props.xLabel,
        ...(props.marks
          ? { splits: props.marks.map((m) => m.at), values: props.marks.map((m) => m.name) }
          : {}),
      },
      { ...axis, label: props.yLabel, size: 58 },
    ],
    hooks: {
      draw: [
        (u) => {
          const { ctx, bbox } = u;
          ctx.save();
          ctx.strokeStyle = colour("--ink");
          ctx.fillStyle = colour("--ink");
          ctx.font = `${11 * window.devicePixelRatio}px ${css.fontFamily}`;
          ctx.lineWidth = window.devicePixelRatio;
          ctx.textAlign = "left";
          ctx.setLineDash([4, 4]);
          for (const level of props.levels ?? []) {
            const y = u.valToPos(level.y, "y", true);
            if (y < bbox.top || y > bbox.top + bbox.height) continue;
            ctx.beginPath();
            ctx.moveTo(bbox.left, y);
            ctx.lineTo(bbox.left + bbox.width, y);
            ctx.stroke();
            ctx.fillText(level.name, bbox.left + 4, y - 4);
          }
          if (props.now !== undefined && props.now !== null) {
            const x = u.valToPos(props.now, "x", true);
            if (x >= bbox.left && x <= bbox.left + bbox.width) {
              ctx.setLineDash([]);
              ctx.beginPath();
              ctx.moveTo(x, bbox.top);
              ctx.lineTo(x, bbox.top + bbox.height);
              ctx.stroke();
              ctx.fillText("now", x + 4, bbox.top + 12);
            }
          }
          ctx.restore();
        },
      ],
    },
  };
  plot?.destroy();
  const levels = (props.levels ?? []).map((l) => l.y);
  const all = [...props.curves.flatMap((c) => c.y.filter((v) => v !== null)), ...levels];
  const low = Math.min(...all);
  const high = Math.max(...all);
  const room = (high - low || Math.abs(high) || 1) * 0.06;
  options.scales!.y = { range: [low - room, high + room] };
  plot = new UPlot(options, [props.x, ...props.curves.map((c) => c.y)], element);
  drawn.value = true;
}
onMounted(() => void build());
watch(
  () => JSON.stringify([props.x, props.curves, props.now, props.levels, props.yLabel, props.marks]),
  () => void build(),
);
useResizeObserver(holder, ([entry]) => {
  if (plot && entry)
    plot.setSize({ width: Math.max(220, entry.contentRect.width), height: props.height ?? 220 });
});
onBeforeUnmount(() => {
  building++;
  plot?.destroy();
});
const named = (at: number) => props.marks?.findLast((m) => m.at <= at)?.name;
const figure = (value: number | null | undefined) =>
  value === null || value === undefined ? "none" : String(Number(value.toPrecision(4))).replace("-", "−");
</script>

<template>
  <figure class="curve" :aria-label="label">
    <div ref="holder" class="holder" aria-hidden="true"></div>
    <p v-if="drawn && curves.length > 1" class="legend">
      <span v-for="(c, i) in curves" :key="c.name">
        <svg width="30" height="8" aria-hidden="true">
          <path
            d="M0 4H30"
            :stroke="`var(${INKS[i % INKS.length]}, #2f6f8f)`"
            stroke-width="2"
            :stroke-dasharray="DASHES[i % DASHES.length]!.join(' ')"
          />
        </svg>
        {{ c.name }}
      </span>
    </p>
    <details :open="!drawn">
      <summary>{{ label }} as a table</summary>
      <div class="rows" tabindex="0" role="group" :aria-label="`${label}, figures`">
        <table>
          <thead>
            <tr>
              <th class="number">{{ xLabel }}</th>
              <th v-for="c in curves" :key="c.name" class="number">{{ c.name }}</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="(at, i) in x" :key="i">
              <td class="number">{{ marks ? `${named(at)}, ${figure(at)}` : figure(at) }}</td>
              <td v-for="c in curves" :key="c.name" class="number">{{ figure(c.y[i]) }}</td>
            </tr>
          </tbody>
        </table>
      </div>
    </details>
  </figure>
</template>

<style scoped>
.curve {
  margin: 0;
  min-width: 0;
}
.holder {
  min-width: 0;
  overflow: hidden;
}
.rows {
  max-height: 220px;
  overflow: auto;
}
summary {
  font-size: 12px;
  color: var(--link);
  cursor: pointer;
}
.number {
  text-align: right;
}
.legend {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 16px;
  font-size: 12px;
  margin: 0 0 4px;
}
</style>
