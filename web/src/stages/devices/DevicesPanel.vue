<script setup lang="ts">
import { computed, type Component } from "vue";
import PanelTabs from "../../app/PanelTabs.vue";
import { useBench } from "../../plan/store";
import CautionsPart from "./CautionsPart.vue";
import DeviceTable from "./DeviceTable.vue";
import SoundPart from "./SoundPart.vue";

const bench = useBench();
const tab = computed({
  get: () => (bench.part && bench.part in TABS ? bench.part : "devices"),
  set: (part: string) => (bench.part = part),
});
const TABS = { devices: "Devices", sound: "Who hears what", cautions: "Cautions" };
const PARTS: Record<string, Component> = { devices: DeviceTable, sound: SoundPart, cautions: CautionsPart };
const part = computed(() => PARTS[tab.value]);
</script>

<template>
  <PanelTabs v-model="tab" :tabs="TABS" label="Parts of Devices" />
  <component :is="part" />
</template>
