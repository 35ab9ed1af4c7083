<script setup lang="ts">
import { computed } from "vue";
import type { Schemas } from "../../api/client";
import { shown } from "../../drawing/marks";

/** The supply tree as a one-line diagram: from what comes in on the left to each load on the right. */
type Node = Schemas["PowerNode"];
const props = defineProps<{
  groups: { source: string; rows: { node: Node; depth: number }[] }[];
  selection: string | null;
  pathOf: (node: Node) => string;
}>();
const emit = defineEmits<{ select: [path: string] }>();
const WIDE = 178;
const TALL = 34;
const STEP = 232;
const LINE = 44;
const LEFT = 28;

const laid = computed(() => {
  let y = 8;
  const sources: { name: string; y: number; from: number; to: number }[] = [];
  const boxes: { node: Node; x: number; y: number; parent: { x: number; y: number } | null }[] = [];
  for (const group of props.groups) {
    const head = y + 12;
    y += 26;
    const at = new Map<string, { x: number; y: number }>();
    const tops: number[] = [];
    for (const { node, depth } of group.rows) {
      const place = { x: LEFT + depth * STEP, y };
      at.set(node.id, place);
      const parent = depth > 0 && node.parent ? (at.get(node.parent) ?? null) : null;
      boxes.push({ node, ...place, parent });
      if (!parent) tops.push(y + TALL / 2);
      y += LINE;
    }
    sources.push({ name: group.source, y: head, from: head + 6, to: tops.at(-1) ?? head });
    y += 12;
  }
  const wide = Math.max(...boxes.map((b) => b.x + WIDE), 300) + 8;
  return { sources, boxes, tall: y, wide };
});
const cut = (name: string) => (name.length > 27 ? `${name.slice(0, 26)}…` : name);
const amps = (a: number) => (a >= 0.1 ? `${shown(a, 2)} A` : `${shown(a * 1000, 0)} mA`);
const figures = (n: Node) =>
  n.gives
    ? `${amps(n.gives.worstA)} at ${shown(n.gives.volts, n.gives.volts < 10 ? 1 : 0)} V${n.gives.share === null ? "" : `, ${shown(n.gives.share * 100, 0)} %`}`
    : `${shown(n.volts, n.volts < 10 ? 1 : 0)} V, ${amps(n.worstA)} at worst`;
const fault = (n: Node) => (n.faults.length ? ` ! ${n.faults[0]!.code}` : "");
const run = (n: Node) => (n.run ? `${shown(n.run.lengthM, 0)} m, −${shown(n.run.dropShare * 100, 0)} %` : "");
</script>

<template>
  <div class="scroll">
    <svg
      role="group"
      aria-label="One-line diagram of the supplies"
      :width="laid.wide"
      :height="laid.tall"
      :viewBox="`0 0 ${laid.wide} ${laid.tall}`"
    >
      <g v-for="s in laid.sources" :key="s.name">
        <text x="8" :y="s.y" class="source">{{ s.name }}</text>
        <path :d="`M12 ${s.from}V${s.to}`" class="bus" />
      </g>
      <g v-for="b in laid.boxes" :key="b.node.id">
        <template v-if="b.parent">
          <path :d="`M${b.parent.x + 22} ${b.parent.y + TALL}V${b.y + TALL / 2}H${b.x}`" class="wire" />
          <text :x="b.x - 6" :y="b.y + TALL / 2 - 4" class="run">{{ run(b.node) }}</text>
        </template>
        <path v-else :d="`M12 ${b.y + TALL / 2}H${b.x}`" class="wire" />
        <g
          class="box"
          :class="{
            chosen: selection === pathOf(b.node),
            faulty: b.node.faults.length,
          }"
          :transform="`translate(${b.x} ${b.y})`"
          role="button"
          tabindex="0"
          @click="emit('select', pathOf(b.node))"
          @keydown.enter="emit('select', pathOf(b.node))"
        >
          <title v-if="cut(b.node.name) !== b.node.name">{{ b.node.name }}</title>
          <rect :width="WIDE" :height="TALL" rx="2" />
          <!-- a converter: what goes in on the left is not what comes out on the right -->
          <path
            v-if="b.node.gives"
            :d="`M${WIDE - 24} ${TALL - 4}L${WIDE - 6} 4M${WIDE - 24} 4h18v${TALL - 8}h-18Z`"
            class="inner"
          />
          <rect
            v-if="b.node.gives && b.node.gives.share !== null"
            y="31"
            :width="WIDE * Math.min(1, b.node.gives.share)"
            height="3"
            class="load"
          />
          <text x="7" y="14">{{ `${cut(b.node.name)} ` }}</text>
          <text x="7" y="27" class="small">{{ figures(b.node) }}{{ fault(b.node) }}</text>
        </g>
      </g>
    </svg>
  </div>
</template>

<style scoped>
.scroll {
  overflow: auto;
  max-height: 460px;
  border: 1px solid var(--hair);
  background: var(--sheet);
}
svg {
  display: block;
}
text {
  font-size: 12px;
  fill: var(--ink);
}
.source {
  font-weight: 600;
}
.small,
.run {
  font-size: 11px;
  fill: var(--ink2);
}
.run {
  text-anchor: end;
}
.bus {
  stroke: var(--ink);
  stroke-width: 3;
  fill: none;
}
.wire {
  stroke: var(--ink2);
  stroke-width: 1.3;
  fill: none;
}
.box {
  cursor: pointer;
}
.box rect {
  fill: var(--paper);
  stroke: var(--ink2);
}
.box .load {
  fill: var(--signal, #2f6f8f);
  stroke: none;
}
.inner {
  fill: none;
  stroke: var(--hair-strong);
}
.chosen rect:first-of-type {
  stroke: var(--copper);
  stroke-width: 2.4;
}
.faulty rect:first-of-type {
  stroke: var(--unsafe);
  stroke-width: 1.8;
  stroke-dasharray: 5 2;
}
.faulty .small {
  fill: var(--unsafe);
  font-weight: 600;
}
</style>
