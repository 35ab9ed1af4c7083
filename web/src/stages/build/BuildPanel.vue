<script setup lang="ts">
import { computed, type Component } from "vue";
import PanelTabs from "../../app/PanelTabs.vue";
import { useBench } from "../../plan/store";
import BoardsPart from "./BoardsPart.vue";
import CablesPart from "./CablesPart.vue";
import CostPart from "./CostPart.vue";
import WiringPart from "./WiringPart.vue";

const bench = useBench();
const TABS = { cost: "Parts and cost", boards: "Which board", cables: "Cables", wiring: "Wiring diagram" };
const PARTS: Record<string, Component> = {
  cost: CostPart,
  boards: BoardsPart,
  cables: CablesPart,
  wiring: WiringPart,
};
const tab = computed({
  get: () => (bench.part && bench.part in TABS ? bench.part : "cost"),
  set: (part: string) => (bench.part = part),
});
</script>

<template>
  <PanelTabs v-model="tab" :tabs="TABS" label="Parts of Build" />
  <component :is="PARTS[tab]" />
</template>
