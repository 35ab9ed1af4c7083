<script setup lang="ts">
import { computed, type Component } from "vue";
import PanelTabs from "../../app/PanelTabs.vue";
import { useBench } from "../../plan/store";
import HousingsPart from "./HousingsPart.vue";
import LinesPart from "./LinesPart.vue";
import PartsPart from "./PartsPart.vue";
import PowerPart from "./PowerPart.vue";
import UnitTable from "./UnitTable.vue";

const bench = useBench();
const TABS = { units: "Units", power: "Power", lines: "Buses and lines", boxes: "Boxes", parts: "Catalogue" };
const PARTS: Record<string, Component> = {
  units: UnitTable,
  power: PowerPart,
  lines: LinesPart,
  boxes: HousingsPart,
  parts: PartsPart,
};
const tab = computed({
  get: () => (bench.part && bench.part in TABS ? bench.part : "units"),
  set: (part: string) => (bench.part = part),
});
</script>

<template>
  <PanelTabs v-model="tab" :tabs="TABS" label="Parts of Controllers" />
  <component :is="PARTS[tab]" />
</template>
