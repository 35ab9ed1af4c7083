<script setup lang="ts">
import type { Unit } from "../api/client";

/**
 * A unit that is dark is struck through; one that is cut off from its hub has a gap in a ring around it. Each pointed
 * antenna shows by an arrow along its beam.
 */
defineProps<{ kind: Unit["kind"]; dark?: boolean; cut?: boolean; facing?: number[] }>();
</script>

<template>
  <g fill="var(--sheet)" stroke="var(--copper)" stroke-width="1.6" :class="{ dark }">
    <template v-if="kind === 'ACCESS_POINT'">
      <path d="M0 -3L7 7H-7Z" fill="var(--copper)" />
      <circle cy="-6" r="2.6" />
    </template>
    <template v-else-if="kind === 'GATEWAY'">
      <path d="M0 -8L8 0L0 8L-8 0Z" />
      <circle r="2.4" fill="var(--copper)" />
    </template>
    <template v-else-if="kind === 'HUB'">
      <path d="M-4 -7H4L8 0L4 7H-4L-8 0Z" fill="var(--copper)" />
    </template>
    <template v-else-if="kind === 'ROUTER'">
      <rect x="-8" y="-4" width="16" height="9" />
      <path d="M-4 -4V-8M4 -4V-8" />
    </template>
    <template v-else-if="kind === 'SWITCH'">
      <rect x="-8" y="-4" width="16" height="8" />
      <path d="M-4 0H-3M0 0H1M4 0H5" stroke-width="2.4" />
    </template>
    <template v-else-if="kind === 'KEYPAD' || kind === 'HANDSET'">
      <rect x="-5" y="-7.5" width="10" height="15" :rx="kind === 'HANDSET' ? 4 : 0" />
      <path d="M-2 -3.5H-1M1 -3.5H2M-2 0H-1M1 0H2M-2 3.5H-1M1 3.5H2" stroke-width="2" />
    </template>
    <template v-else-if="kind === 'WALL_TABLET'">
      <rect x="-8.5" y="-6" width="17" height="12" rx="1.5" />
      <path d="M-5 3H5" />
    </template>
    <template v-else-if="kind === 'ASSISTANT'">
      <rect x="-5" y="-7" width="10" height="14" rx="5" />
      <path d="M-2 -3V3M0.7 -1.5V1.5M3 -0.5V0.5" />
    </template>
    <template v-else-if="kind === 'CAMERA'">
      <path d="M-8 -4H3V4H-8ZM3 -1L8 -4V4L3 1" />
    </template>
    <template v-else-if="kind === 'RECORDER'">
      <rect x="-7" y="-6" width="14" height="12" />
      <path d="M-7 0H7M3.5 -3H4.5M3.5 3H4.5" />
    </template>
    <template v-else-if="kind === 'INFRARED_SENDER'">
      <circle r="3" fill="var(--copper)" />
      <path d="M4.5 -4.5A6.4 6.4 0 0 1 4.5 4.5M7 -7A10 10 0 0 1 7 7" fill="none" />
    </template>
    <template v-else-if="kind === 'COUPLER'">
      <path d="M-8 -4H-3M-8 4H-3M3 -4H8M3 4H8" />
      <circle r="4" />
    </template>
    <template v-else>
      <rect x="-6" y="-4.5" width="12" height="9" rx="1" />
      <path d="M-6 -1.5H-8.5M-6 1.5H-8.5M6 -1.5H8.5M6 1.5H8.5" />
    </template>
    <path
      v-for="deg in facing"
      :key="deg"
      :transform="`rotate(${deg})`"
      d="M0 -13V-26M-3.5 -21L0 -26L3.5 -21"
      fill="none"
    />
    <path v-if="dark" d="M-10 10L10 -10" stroke="var(--ink)" stroke-width="2.6" />
    <circle
      v-else-if="cut"
      r="11"
      fill="none"
      stroke="var(--ink)"
      stroke-width="1.4"
      stroke-dasharray="7 4.5"
    />
  </g>
</template>

<style scoped>
.dark {
  opacity: 0.55;
}
</style>
