<script setup lang="ts">
import { computed } from "vue";
import { useBench } from "./store";

/** What could not be done or stored, and what could not be worked out. */
const bench = useBench();
const failures = computed(() => bench.shown?.failures ?? []);
/** The reason of the first one that failed by itself; what needs it fails for the same. */
const failureReason = computed(() => {
  const why =
    (failures.value.find((f) => !f.why.includes("could not be worked out")) ?? failures.value[0])?.why ?? "";
  return why.charAt(0).toUpperCase() + why.slice(1) + ".";
});
</script>

<template>
  <div v-if="bench.message" class="message" role="alert">
    <span
      >{{ bench.message }}
      <b v-if="bench.unsaved.length">
        {{ bench.unsaved.length === 1 ? "One edit waits" : `${bench.unsaved.length} edits wait` }}
        to be stored. That happens by itself once the server is back.</b
      ></span
    >
    <button
      v-if="bench.saving === 'failed'"
      type="button"
      class="act"
      @click="((bench.message = null), bench.retry())"
    >
      Try again
    </button>
    <button type="button" class="soft" @click="bench.message = null">Close</button>
  </div>
  <div v-if="failures.length" class="message failures" role="status">
    <span
      ><b>Not worked out:</b> {{ failures.map((f) => f.fact).join(", ") }}. {{ failureReason }} What does not
      need them stands; the plan can be edited, undone and exported.</span
    >
    <button type="button" class="act" @click="bench.guarded(() => bench.assess())">
      Work them out again
    </button>
  </div>
</template>

<style scoped>
.message {
  display: flex;
  gap: 10px;
  align-items: center;
  padding: 7px 14px;
  background: var(--sheet);
  border-bottom: 2px solid var(--unsafe);
  color: var(--unsafe);
  overflow-wrap: anywhere;
}
.message span {
  flex: 1;
}
.failures {
  border-bottom-color: var(--hair);
  color: var(--ink);
}
</style>
