<script setup lang="ts">
/** The parts of a stage's panel, as buttons that switch between them. */
defineProps<{ tabs: Record<string, string>; label: string }>();
const current = defineModel<string>({ required: true });
</script>

<template>
  <div class="tabs" role="group" :aria-label="label">
    <button
      v-for="(name, id) in tabs"
      :key="id"
      type="button"
      :aria-pressed="current === id"
      @click="current = String(id)"
    >
      {{ name }}
    </button>
  </div>
</template>

<style scoped>
.tabs {
  display: flex;
  flex-wrap: wrap;
  gap: 4px;
  /* the switch of where the panel is stands in the corner */
  padding: 6px 108px 0 14px;
  position: sticky;
  top: 0;
  background: var(--sheet);
  z-index: 3;
}
button {
  border: 1px solid var(--hair);
  background: none;
  border-radius: 3px;
  padding: 2px 10px;
  cursor: pointer;
  font-size: 13px;
}
button[aria-pressed="true"] {
  background: var(--ink);
  color: var(--sheet);
  border-color: var(--ink);
}
</style>
