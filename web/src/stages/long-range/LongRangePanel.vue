<script setup lang="ts">
import { computed, watch } from "vue";
import PanelTabs from "../../app/PanelTabs.vue";
import { useBench } from "../../plan/store";
import AirPart from "./AirPart.vue";
import EnergyPart from "./EnergyPart.vue";
import { useFar } from "./far";
import FieldTestPart from "./FieldTestPart.vue";
import GroundPart from "./GroundPart.vue";
import MapPart from "./MapPart.vue";
import MessagePart from "./MessagePart.vue";
import PathPart from "./PathPart.vue";
import SettingsPart from "./SettingsPart.vue";
import TakesPart from "./TakesPart.vue";

const bench = useBench();
const far = useFar();
const TABS = {
  profile: "Paths",
  settings: "Settings",
  takes: "Ways to gain margin",
  map: "Map and relays",
  air: "Shared air",
  messages: "Messages",
  energy: "Energy",
  test: "Field test",
  ground: "Ground and law",
};
const PARTS = {
  profile: PathPart,
  settings: SettingsPart,
  takes: TakesPart,
  map: MapPart,
  air: AirPart,
  messages: MessagePart,
  energy: EnergyPart,
  test: FieldTestPart,
  ground: GroundPart,
};
watch(
  () => bench.part,
  (asked) => (far.tab = asked && asked in TABS ? asked : "profile"),
  { immediate: true },
);
watch(
  () => [bench.id, bench.revision],
  () => void far.load(),
  { immediate: true },
);
const part = computed(() => PARTS[far.tab as keyof typeof PARTS] ?? PathPart);
</script>

<template>
  <PanelTabs
    :model-value="far.tab"
    :tabs="TABS"
    label="Parts of Long range"
    @update:model-value="(to: string) => (bench.part = to)"
  />
  <component :is="part" v-if="far.overview" />
</template>
