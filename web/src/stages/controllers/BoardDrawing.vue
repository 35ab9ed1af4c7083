<script setup lang="ts">
import { computed } from "vue";
import type { Schemas } from "../../api/client";
import { useBench } from "../../plan/store";

/** A board from above, with what each of its pins is connected to and what else holds it. */
const props = defineProps<{ wired: Schemas["Wired"] }>();
const bench = useBench();
const ROW = 19;
const WIDE = 150;
const LEFT = 210;

type PinUse = Schemas["PinUse"];
const half = computed(() => Math.ceil(props.wired.pins.length / 2));
const height = computed(() => half.value * ROW + 34);
const rows = computed(() =>
  props.wired.pins.map((pin, i) => {
    const right = i >= half.value;
    return {
      pin,
      right,
      x: right ? LEFT + WIDE : LEFT,
      y: 26 + (right ? i - half.value : i) * ROW,
      use: pin.device ? bench.plan!.devices[pin.device]?.name : pin.held,
      bad: props.wired.needs.some((c) => c.trouble && c.terminal?.split(" ")[0] === `main/${pin.name}`),
      strap: pin.abilities.some((a) => a.startsWith("strap")),
    };
  }),
);
/** What can be said of a pin in a few letters: what it does besides reading and writing. */
function short(pin: PinUse) {
  const can = pin.abilities;
  const words = [];
  if (!can.includes("out") && can.includes("in")) words.push("in only");
  if (!can.includes("in") && can.includes("out")) words.push("out only");
  if (can.includes("an")) words.push("analogue");
  if (can.includes("an-radio")) words.push("analogue while the radio is silent");
  if (can.includes("console")) words.push("console");
  if (can.includes("strap-high")) words.push("must be high at start");
  if (can.includes("strap-low")) words.push("must be low at start");
  if (pin.boot) words.push(pin.boot);
  return words.join(", ");
}
</script>

<template>
  <div class="frame">
    <svg
      :viewBox="`0 0 ${2 * LEFT + WIDE} ${height}`"
      :width="2 * LEFT + WIDE"
      :height="height"
      role="img"
      :aria-label="`Pins of ${wired.board}`"
    >
      <rect :x="LEFT" y="4" :width="WIDE" :height="height - 8" rx="5" class="board" />
      <path :d="`M${LEFT + WIDE / 2 - 16} 4v9h32v-9`" class="socket" />
      <g v-for="r in rows" :key="r.pin.name" :class="{ used: r.pin.device, held: r.pin.held, bad: r.bad }">
        <title>{{ r.pin.name }}: {{ short(r.pin) || "plain" }}</title>
        <rect :x="r.x - 5" :y="r.y - 6" width="10" height="10" class="pad" />
        <path v-if="r.strap" :d="`M${r.x + (r.right ? -44 : 36)} ${r.y + 3}l4 -8l4 8z`" class="mark" />
        <text
          :x="r.x + (r.right ? -10 : 10)"
          :y="r.y + 3"
          :text-anchor="r.right ? 'end' : 'start'"
          class="name"
        >
          {{ r.pin.name }}
        </text>
        <template v-if="r.use">
          <path :d="`M${r.x + (r.right ? 6 : -6)} ${r.y - 1}h${r.right ? 16 : -16}`" class="wire" />
          <text
            :x="r.x + (r.right ? 26 : -26)"
            :y="r.y + 3"
            :text-anchor="r.right ? 'start' : 'end'"
            class="use"
          >
            {{ r.use }}
          </text>
        </template>
      </g>
    </svg>
    <p class="quiet">
      △ matters while the board starts. Blue: connected. Red: connected, with a fault. Grey: held by a bus or
      radio. Hold the pointer over a pin to read what it can do.
    </p>
  </div>
</template>

<style scoped>
.frame {
  overflow-x: auto;
}
svg {
  display: block;
  max-width: 100%;
  height: auto;
}
.board {
  fill: color-mix(in srgb, var(--signal) 9%, var(--sheet));
  stroke: var(--ink2);
}
.socket {
  fill: var(--sheet);
  stroke: var(--ink2);
}
.pad {
  fill: var(--sheet);
  stroke: var(--ink2);
}
.used .pad {
  fill: var(--signal);
}
.bad .pad {
  fill: var(--unsafe);
}
.bad .wire {
  stroke: var(--unsafe);
}
.held .pad {
  fill: var(--hair-strong);
}
.mark {
  fill: none;
  stroke: var(--copper);
  stroke-width: 1.4;
}
.wire {
  stroke: var(--signal);
  stroke-width: 1.6;
}
.held .wire {
  stroke: var(--hair-strong);
  stroke-dasharray: 3 2;
}
text {
  font-size: 12px;
  fill: var(--ink);
}
.name {
  font-size: 11px;
  fill: var(--ink2);
}
.held .use {
  fill: var(--ink2);
  font-style: italic;
}
</style>
