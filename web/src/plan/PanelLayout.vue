<script setup lang="ts">
import { LAYOUTS, type Layout } from "./layout";

/** Where the panel is: below the drawing, beside it, or alone. */
const layout = defineModel<Layout>({ required: true });
</script>

<template>
  <span class="layout" role="group" aria-label="Where the panel is">
    <button
      v-for="(words, way) in LAYOUTS"
      :key="way"
      type="button"
      :aria-pressed="layout === way"
      :title="way === 'full' ? 'Panel alone' : `Panel ${words} the drawing`"
      @click="layout = way"
    >
      <svg width="18" height="14" aria-hidden="true">
        <rect x="0.5" y="0.5" width="17" height="13" class="frame" />
        <rect v-if="way === 'below'" x="1" y="7" width="16" height="6" />
        <rect v-else-if="way === 'beside'" x="9" y="1" width="8" height="12" />
        <rect v-else x="1" y="1" width="16" height="12" />
      </svg>
      <span class="unseen">Panel {{ words }}</span>
    </button>
  </span>
</template>

<style scoped>
.layout {
  position: absolute;
  z-index: 4;
  right: 22px;
  top: 8px;
  display: flex;
  gap: 4px;
}
button {
  background: var(--sheet);
  border: 1px solid transparent;
  padding: 3px;
  line-height: 0;
  cursor: pointer;
}
button[aria-pressed="true"] {
  border-color: var(--copper);
}
.frame {
  fill: none;
  stroke: var(--ink2);
}
rect {
  fill: var(--hair-strong);
}
button[aria-pressed="true"] rect:not(.frame) {
  fill: var(--copper);
}
</style>
