<script setup lang="ts">
import { computed } from "vue";
import { useBench } from "./store";

/** The sheets of the house: its floors, the whole site, and the cut through it. */
const cutting = defineModel<boolean>("cutting", { required: true });
const bench = useBench();
const floors = computed(() =>
  Object.entries(bench.plan?.floors ?? {})
    .map(([id, f]) => ({ id, name: f.name, base: f.baseM, building: f.building }))
    .sort(
      (a, b) =>
        floorsIn(b.building) - floorsIn(a.building) ||
        a.building.localeCompare(b.building) ||
        b.base - a.base,
    ),
);

function floorsIn(building: string): number {
  return Object.values(bench.plan?.floors ?? {}).filter((f) => f.building === building).length;
}
</script>

<template>
  <div class="tabs" role="group" aria-label="Sheets">
    <button
      v-for="f in floors"
      :key="f.id"
      type="button"
      :aria-pressed="bench.floor === f.id && !cutting"
      :class="{ current: bench.floor === f.id && !cutting }"
      @click="((bench.floor = f.id), (cutting = false))"
    >
      {{ f.name }}
    </button>
    <button
      type="button"
      :aria-pressed="bench.floor === 'site' && !cutting"
      :class="{ current: bench.floor === 'site' && !cutting }"
      @click="((bench.floor = 'site'), (cutting = false))"
    >
      whole site
    </button>
    <button type="button" :aria-pressed="cutting" :class="{ current: cutting }" @click="cutting = true">
      section
    </button>
  </div>
</template>

<style scoped>
.tabs {
  display: flex;
  flex-wrap: wrap;
  gap: 2px;
  padding: 4px 10px 0;
  border-bottom: 1px solid var(--hair);
}
.tabs button {
  background: none;
  border: 0;
  padding: 4px 10px 6px;
  cursor: pointer;
  border-bottom: 2px solid transparent;
}
.tabs button.current {
  font-weight: 600;
  border-bottom-color: var(--copper);
}
</style>
