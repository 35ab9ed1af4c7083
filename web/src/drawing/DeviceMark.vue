<script setup lang="ts">
import type { Device, State } from "../api/client";
import StateMark from "./StateMark.vue";
import { SYMBOLS } from "./symbols";

/** A device by the installation symbol of its kind, with its state as a badge at its corner. */
defineProps<{ kind: Device["kind"]; state: State }>();
</script>

<template>
  <g class="device">
    <circle r="10" class="back" />
    <path :d="SYMBOLS[kind]" class="symbol" />
    <g transform="translate(8 8)">
      <circle :r="state === 'HOLDS' ? 3.6 : 5.4" class="back" />
      <StateMark :state="state" :size="state === 'HOLDS' ? 5 : 8.5" />
    </g>
  </g>
</template>

<style scoped>
.back {
  fill: var(--sheet);
  opacity: 0.86;
}
.symbol {
  fill: none;
  stroke: var(--ink);
  stroke-width: 1.4;
  stroke-linejoin: round;
  stroke-linecap: round;
}
</style>
