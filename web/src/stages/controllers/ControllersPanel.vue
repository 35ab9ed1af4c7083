<script setup lang="ts">
import { computed } from "vue";
import PanelTabs from "../../app/PanelTabs.vue";
import { useBench } from "../../plan/store";
import PartsPart from "./PartsPart.vue";
import UnitTable from "./UnitTable.vue";

const bench = useBench();
const TABS = { units: "Units", parts: "Catalogue" };
const tab = computed({
  get: () => (bench.part && bench.part in TABS ? bench.part : "units"),
  set: (part: string) => (bench.part = part),
});
</script>

<template>
  <PanelTabs v-model="tab" :tabs="TABS" label="Parts of Controllers" />
  <PartsPart v-if="tab === 'parts'" />
  <UnitTable v-else />
</template>
