<script setup lang="ts">
import { computed } from "vue";
import PanelTabs from "../app/PanelTabs.vue";
import { partOf, STAGES } from "./stages";
import { useBench } from "./store";

/** The panel of a stage: its parts to switch between, and the open one. */
const props = defineProps<{ stage: string }>();
const bench = useBench();
const entry = computed(() => STAGES[props.stage]!);
const tabs = computed(() =>
  Object.fromEntries(Object.entries(entry.value.parts).map(([id, part]) => [id, part.name])),
);
const tab = computed({
  get: () => partOf(props.stage, bench.part),
  set: (part: string) => (bench.part = part),
});
const open = computed(() => entry.value.parts[tab.value]!.panel);
</script>

<template>
  <PanelTabs
    v-if="Object.keys(tabs).length > 1"
    v-model="tab"
    :tabs="tabs"
    :label="`Parts of ${entry.name}`"
  />
  <component :is="entry.frame" v-if="entry.frame"><component :is="open" /></component>
  <component :is="open" v-else />
</template>
