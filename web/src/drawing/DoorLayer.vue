<script setup lang="ts">
import { computed } from "vue";
import type { Schemas } from "../api/client";
import { pointer } from "../plan/pointers";
import { useBench } from "../plan/store";

/** Beside each door, valve and sounder what it still does while something is out: on the screen only, never in prints. */
const props = defineProps<{ floor: string; px: (xM: number) => number; py: (yM: number) => number }>();
const bench = useBench();
type Passage = Schemas["DoorPassage"] | null;
const given = (p: Passage) => p !== null && p.state !== "LOST" && p.state !== "UNSAFE";
const tags = computed(() =>
  bench.doors.flatMap((d) => {
    const at = bench.shown?.positions[pointer("devices", d.device)];
    if (!at || (props.floor !== "site" && at.floor !== props.floor)) return [];
    if (props.floor === "site" && at.floor !== null) return [];
    const parts = [
      { yes: "out", no: "no way out", passage: d.out },
      { yes: "in", no: "no way in", passage: d.in },
      { yes: "shut", no: "not shut", passage: d.keepsOut },
      d.kind === "VALVE"
        ? { yes: "works", no: "dead", passage: d.does }
        : { yes: "sounds", no: "silent", passage: d.does },
    ]
      .filter((p) => p.passage)
      .map((p) => ({ ...p, given: given(p.passage) }));
    if (!parts.length && !d.open) return [];
    const words = parts.map((p) => (p.given ? p.yes : p.no));
    if (d.open) words.push("OPEN");
    const bad = d.open || parts.some((p) => !p.given);
    return [{ key: d.device, x: props.px(at.xM), y: props.py(at.yM) + 22, text: words.join(" · "), bad }];
  }),
);
</script>

<template>
  <g class="doors" aria-hidden="true">
    <g v-for="t in tags" :key="t.key" :transform="`translate(${t.x} ${t.y})`">
      <rect
        :x="-t.text.length * 2.8 - 4"
        y="-9"
        :width="t.text.length * 5.6 + 8"
        height="13"
        rx="2"
        :class="{ bad: t.bad }"
      />
      <text text-anchor="middle" :class="{ bad: t.bad }">{{ t.text }}</text>
    </g>
  </g>
</template>

<style scoped>
rect {
  fill: var(--sheet);
  stroke: var(--ink2);
  stroke-width: 0.8;
}
rect.bad {
  stroke: var(--stop);
  stroke-width: 1.4;
}
text {
  font-size: 10px;
  fill: var(--ink);
}
text.bad {
  fill: var(--stop);
  font-weight: 600;
}
.doors {
  pointer-events: none;
}
</style>
