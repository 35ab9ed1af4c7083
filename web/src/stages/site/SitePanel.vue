<script setup lang="ts">
import { computed } from "vue";
import PanelTabs from "../../app/PanelTabs.vue";
import { useBench } from "../../plan/store";
import ConstructionsPart from "./ConstructionsPart.vue";
import ExistingPart from "./ExistingPart.vue";
import FilesPart from "./FilesPart.vue";
import RoomsPart from "./RoomsPart.vue";

const bench = useBench();
const tab = computed({
  get: () => (bench.part && bench.part in TABS ? bench.part : "rooms"),
  set: (part: string) => (bench.part = part),
});
const TABS = {
  rooms: "Rooms and ground",
  walls: "What walls are made of",
  existing: "Already there",
  files: "Lists, pictures, files",
};
const PARTS = { rooms: RoomsPart, walls: ConstructionsPart, existing: ExistingPart, files: FilesPart };
const part = computed(() => PARTS[tab.value as keyof typeof PARTS]);
</script>

<template>
  <PanelTabs v-model="tab" :tabs="TABS" label="Parts of Site" />
  <component :is="part" />
</template>
