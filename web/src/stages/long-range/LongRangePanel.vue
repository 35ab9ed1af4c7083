<script setup lang="ts">
import { watch } from "vue";
import QueryTrouble from "../../app/QueryTrouble.vue";
import { useBench } from "../../plan/store";
import { useFar } from "./far";

/** What the parts of Long range share is asked for once; they stand in it when it is there. */
const bench = useBench();
const far = useFar();
watch(
  () => [bench.id, bench.revision, bench.backs],
  () => void far.load(),
  { immediate: true },
);
</script>

<template>
  <QueryTrouble :trouble="far.trouble" />
  <slot v-if="far.overview" />
</template>
