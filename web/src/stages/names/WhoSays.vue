<script setup lang="ts">
import { computed } from "vue";
import type { Schemas } from "../../api/client";
import { useBench } from "../../plan/store";

/** Who says what to whom: the unit that speaks, the broker between, and those who listen and command. */
const props = defineProps<{ contract: Schemas["Contract"] }>();
const bench = useBench();
const W = 150;
const H = 34;
const name = (id: string | null) => (id ? (bench.plan!.units[id]?.name ?? id) : "nobody yet");
const middle = computed(() =>
  props.contract.transport === "BROKER"
    ? props.contract.broker
      ? `broker, ${name(props.contract.broker)}`
      : "no broker yet"
    : props.contract.transport === "SERVICE"
      ? "outside service"
      : null,
);
const listeners = computed(() => {
  const all = props.contract.listeners.map(name);
  return all.length > 4
    ? [...all.slice(0, 3), `and ${all.length - 3} more`]
    : all.length
      ? all
      : ["nobody yet"];
});
const height = computed(() => Math.max(110, listeners.value.length * (H + 12) + 16));
const says = computed(() => props.contract.aspects.find((a) => a.spoken && a.kind !== "AVAILABILITY"));
const told = computed(() => props.contract.aspects.find((a) => a.kind === "COMMAND"));
const y0 = computed(() => height.value / 2);
const boxY = (i: number) =>
  8 + i * (H + 12) + (height.value - 16 - listeners.value.length * (H + 12) + 12) / 2;
const words = computed(
  () =>
    `${name(props.contract.speaker)} sends ${says.value?.example ?? "nothing"} ` +
    `${middle.value ? `through ${middle.value} ` : ""}to ${listeners.value.join(", ")}` +
    (told.value ? `, and is told ${told.value.example}` : ""),
);
</script>

<template>
  <svg :viewBox="`0 0 720 ${height}`" :height="height" class="says" role="img" :aria-label="words">
    <defs>
      <marker id="says-to" viewBox="0 0 8 8" refX="7" refY="4" markerWidth="7" markerHeight="7" orient="auto">
        <path d="M0 0L8 4L0 8Z" />
      </marker>
    </defs>
    <g class="box">
      <rect x="4" :y="y0 - H / 2" :width="W" :height="H" />
      <text :x="4 + W / 2" :y="y0 + 4" text-anchor="middle">{{ name(contract.speaker) }}</text>
    </g>
    <g v-if="middle" class="box">
      <rect x="300" :y="y0 - H / 2" :width="W" :height="H" />
      <text :x="300 + W / 2" :y="y0 + 4" text-anchor="middle">{{ middle }}</text>
    </g>
    <path :d="`M${4 + W} ${y0 - 7}H${middle ? 298 : 420}`" class="line" marker-end="url(#says-to)" />
    <path
      v-if="told"
      :d="`M${middle ? 300 : 422} ${y0 + 7}H${6 + W}`"
      class="line command"
      marker-end="url(#says-to)"
    />
    <text :x="12 + W" :y="y0 - 14" class="small">{{ says?.kind.toLowerCase() }}</text>
    <text v-if="told" :x="12 + W" :y="y0 + 24" class="small">command</text>
    <g v-for="(l, i) in listeners" :key="l" class="box">
      <rect x="560" :y="boxY(i)" :width="W" :height="H" />
      <text :x="560 + W / 2" :y="boxY(i) + H / 2 + 4" text-anchor="middle">{{ l }}</text>
      <path
        :d="`M${middle ? 450 : 420} ${y0 - 7}C510 ${y0 - 7} 500 ${boxY(i) + H / 2 - 5} 558 ${boxY(i) + H / 2 - 5}`"
        class="line"
        marker-end="url(#says-to)"
      />
      <path
        v-if="told"
        :d="`M560 ${boxY(i) + H / 2 + 5}C500 ${boxY(i) + H / 2 + 5} 510 ${y0 + 7} ${middle ? 452 : 422} ${y0 + 7}`"
        class="line command"
        marker-end="url(#says-to)"
      />
    </g>
  </svg>
</template>

<style scoped>
.says {
  width: 100%;
  max-width: 760px;
}
.box rect {
  fill: var(--sheet);
  stroke: var(--ink);
  stroke-width: 1.2;
}
text {
  font-size: 12px;
  fill: var(--ink);
}
.small {
  font-size: 11px;
  fill: var(--ink2);
}
.line {
  fill: none;
  stroke: var(--ink);
  stroke-width: 1.2;
}
.command {
  stroke-dasharray: 6 3;
}
marker path {
  fill: var(--ink);
}
</style>
