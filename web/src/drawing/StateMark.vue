<script setup lang="ts">
import type { State } from "../api/client";
import { STATE_COLOURS } from "./marks";

defineProps<{ state: State; size?: number }>();
</script>

<template>
  <g :style="{ color: STATE_COLOURS[state] }" :transform="`scale(${(size ?? 12) / 12})`">
    <circle v-if="state === 'HOLDS'" r="6" fill="currentColor" />
    <template v-else-if="state === 'REDUCED'">
      <circle r="5.2" fill="var(--sheet)" stroke="currentColor" stroke-width="1.6" />
      <path d="M0 -6A6 6 0 0 0 0 6Z" fill="currentColor" />
    </template>
    <template v-else-if="state === 'BY_HAND'">
      <rect
        x="-5.2"
        y="-5.2"
        width="10.4"
        height="10.4"
        fill="var(--sheet)"
        stroke="currentColor"
        stroke-width="1.7"
      />
      <rect x="-2.3" y="-2.3" width="4.6" height="4.6" fill="currentColor" />
    </template>
    <template v-else-if="state === 'LOST'">
      <circle r="5.2" fill="var(--sheet)" stroke="currentColor" stroke-width="1.7" stroke-dasharray="4 2.2" />
      <path d="M-4.6 4.6L4.6 -4.6" stroke="currentColor" stroke-width="1.7" />
    </template>
    <template v-else>
      <path d="M0 -7L7 5.6H-7Z" fill="currentColor" />
      <path d="M0 -2.6V1.8M0 3.2V4.4" stroke="var(--sheet)" stroke-width="1.6" />
    </template>
  </g>
</template>
