<script setup lang="ts">
import { computed, onBeforeUnmount, onMounted, ref } from "vue";
import type { LinkReport, Schemas } from "../../api/client";
import FigureButton from "../../app/FigureButton.vue";
import { shown } from "../../drawing/marks";

/** A link's budget in one direction as a falling stair, from what is sent to what arrives. */
const props = defineProps<{ run: Schemas["Run"]; report: LinkReport; title: string }>();
const HEIGHT = 118;
const TOP = 12;
const FOOT = 22;
const element = ref<HTMLElement | null>(null);
const width = ref(720);
let observer: ResizeObserver | null = null;
onMounted(() => {
  if (typeof ResizeObserver === "undefined") return;
  observer = new ResizeObserver(([entry]) => (width.value = Math.max(360, entry!.contentRect.width)));
  observer.observe(element.value!);
});
onBeforeUnmount(() => observer?.disconnect());

const budget = computed(() => props.run.budget);
const needed = computed(() => budget.value.sensitivityDbm + props.report.neededDb);
const range = computed(() => {
  const levels = [...budget.value.steps.map((s) => s.levelDbm), budget.value.sensitivityDbm, needed.value];
  return { top: Math.max(...levels), foot: Math.min(...levels) };
});
const y = (dbm: number) =>
  TOP + ((range.value.top - dbm) / Math.max(1, range.value.top - range.value.foot)) * (HEIGHT - TOP - FOOT);
/** The word stands over its line, or under it where the level that arrives would cross it. */
const wantedAt = computed(() => {
  const above = y(needed.value) - y(budget.value.receivedDbm);
  return y(needed.value) + (above > -2 && above < 18 ? 12 : -4);
});
const tread = computed(() => (width.value - 12) / (budget.value.steps.length + 2));
const steps = computed(() =>
  budget.value.steps.map((step, i) => ({ ...step, x: 6 + i * tread.value, y: y(step.levelDbm), i })),
);
const path = computed(() =>
  steps.value.map((s, i) => `${i ? "V" : `M${s.x} `}${s.y}H${s.x + tread.value}`).join(""),
);
const alt = computed(
  () =>
    `${props.title}: ${budget.value.steps
      .map((s) =>
        s.label === "sent" ? `sent ${shown(s.levelDbm, 1)} dBm` : `${s.label} ${shown(s.changeDb, 1)} dB`,
      )
      .join(
        ", ",
      )}, arrives ${shown(budget.value.receivedDbm, 1)} dBm, receiver floor ${shown(budget.value.sensitivityDbm, 1)} dBm`,
);
</script>

<template>
  <div ref="element" class="stair">
    <svg :width="width" :height="HEIGHT" role="img" :aria-label="alt">
      <path :d="`M6 ${y(budget.sensitivityDbm)}H${width - 6}`" class="floor" />
      <text x="8" :y="y(budget.sensitivityDbm) + 13" class="note floor-text">
        receiver floor {{ shown(budget.sensitivityDbm, 1) }} dBm
      </text>
      <path :d="`M6 ${y(needed)}H${width - 6}`" class="needed" />
      <text :x="width - 8" :y="wantedAt" text-anchor="end" class="note needed-text">
        wanted {{ shown(needed, 1) }} dBm
      </text>
      <path :d="path" class="steps" />
      <path
        :d="`M${width - 6 - 2 * tread} ${y(budget.receivedDbm)}H${width - 6}`"
        class="arrives"
        :class="{ short: !report.meets }"
      />
    </svg>
    <ol>
      <li v-for="s in steps" :key="s.i">
        <FigureButton :figure="s.figure" :name="`${s.label}, ${title}`">
          <span class="what">{{ s.label }}</span>
          <span class="value"
            >{{ s.label === "sent" ? `${shown(s.levelDbm, 1)} dBm` : `${shown(s.changeDb, 1)} dB`
            }}{{ s.figure.extrapolated ? " *" : "" }}</span
          >
        </FigureButton>
      </li>
      <li>
        <FigureButton :figure="budget.sensitivityFigure" :name="`receiver floor, ${title}`">
          <span class="what">receiver floor</span>
          <span class="value">{{ shown(budget.sensitivityDbm, 1) }} dBm</span>
        </FigureButton>
      </li>
      <li>
        <FigureButton :figure="budget.marginFigure" :name="`margin, ${title}`">
          <span class="what">margin</span>
          <span class="value"
            ><b>{{ shown(budget.marginDb, 1) }} dB</b></span
          >
        </FigureButton>
      </li>
    </ol>
  </div>
</template>

<style scoped>
.steps {
  fill: none;
  stroke: var(--ink);
  stroke-width: 2;
}
.arrives {
  stroke: var(--holds);
  stroke-width: 4;
}
.arrives.short {
  stroke: var(--unsafe);
}
.floor {
  stroke: var(--ink2);
  stroke-width: 1;
}
.needed {
  stroke: var(--holds);
  stroke-dasharray: 5 4;
}
.note {
  font-size: 11px;
  paint-order: stroke;
  stroke: var(--sheet);
  stroke-width: 3px;
}
.floor-text {
  fill: var(--ink2);
}
.needed-text {
  fill: var(--holds);
}
ol {
  list-style: none;
  display: flex;
  margin: 0;
  padding: 0 6px;
  font-size: 12px;
}
li {
  flex: 1 1 0;
  min-width: 0;
  padding-right: 6px;
}
.what,
.value {
  display: block;
  overflow-wrap: anywhere;
}
.what {
  color: var(--ink2);
  line-height: 1.2;
}
</style>
