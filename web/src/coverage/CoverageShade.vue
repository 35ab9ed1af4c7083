<script setup lang="ts">
import { computed, onMounted, ref, watch } from "vue";
import { useCoverage } from "./store";

/** The quiet shade under the contour lines: one hue, darker where more arrives, nothing where too little does. */
const props = defineProps<{
  px: (xM: number) => number;
  py: (yM: number) => number;
  scale: number;
}>();
const coverage = useCoverage();
const canvas = ref<HTMLCanvasElement | null>(null);
const SHADES = [0.3, 0.18, 0.08];

const box = computed(() => {
  const g = coverage.shown?.coverage.grid;
  if (!g) return null;
  return {
    left: `${props.px(g.westM)}px`,
    top: `${props.py(g.southM + g.rows * g.cellM)}px`,
    width: `${g.columns * g.cellM * props.scale}px`,
    height: `${g.rows * g.cellM * props.scale}px`,
  };
});

function paint() {
  const mapped = coverage.shown;
  const element = canvas.value;
  if (!mapped || !element) return;
  const { columns, rows } = mapped.coverage.grid;
  element.width = columns;
  element.height = rows;
  const context = element.getContext("2d");
  if (!context) return;
  const image = context.createImageData(columns, rows);
  const steps = mapped.coverage.levels.map((l) => Math.round(l.dbm * 100));
  const rgb = getComputedStyle(element)
    .color.match(/[\d.]+/g)
    ?.map(Number) ?? [47, 111, 143];
  for (let row = 0; row < rows; row++) {
    for (let column = 0; column < columns; column++) {
      const level = mapped.levels[2 * (row * columns + column)]!;
      const step = steps.findIndex((s) => level >= s);
      const at = 4 * ((rows - 1 - row) * columns + column);
      image.data[at] = rgb[0]!;
      image.data[at + 1] = rgb[1]!;
      image.data[at + 2] = rgb[2]!;
      image.data[at + 3] = step < 0 ? 0 : 255 * SHADES[step]!;
    }
  }
  context.putImageData(image, 0, 0);
}
onMounted(paint);
watch(() => coverage.shown, paint, { flush: "post" });
</script>

<template>
  <canvas v-show="box" ref="canvas" class="shade" :style="box ?? undefined" aria-hidden="true" />
</template>

<style scoped>
.shade {
  position: absolute;
  color: var(--signal);
  pointer-events: none;
}
</style>
