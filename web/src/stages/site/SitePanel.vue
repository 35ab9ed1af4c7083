<script setup lang="ts">
import { computed, ref } from "vue";
import PanelTabs from "../../app/PanelTabs.vue";
import ConstructionsPart from "./ConstructionsPart.vue";
import ExistingPart from "./ExistingPart.vue";
import FilesPart from "./FilesPart.vue";
import RoomsPart from "./RoomsPart.vue";

const tab = ref("rooms");
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
