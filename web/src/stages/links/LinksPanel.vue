<script setup lang="ts">
import { computed, watch } from "vue";
import PanelTabs from "../../app/PanelTabs.vue";
import { useBench } from "../../plan/store";
import ChannelPart from "./ChannelPart.vue";
import LinkTable from "./LinkTable.vue";
import MeshPart from "./MeshPart.vue";
import RoomCoverage from "./RoomCoverage.vue";
import { useLinksView } from "./view";
import WalkTest from "./WalkTest.vue";
import WhereNext from "./WhereNext.vue";

const bench = useBench();
const view = useLinksView();
const TABS = {
  links: "Links",
  rooms: "Rooms",
  mesh: "Mesh",
  channels: "Channels",
  walk: "Walk test",
  next: "Where next",
};
const PARTS = {
  links: LinkTable,
  rooms: RoomCoverage,
  mesh: MeshPart,
  channels: ChannelPart,
  walk: WalkTest,
  next: WhereNext,
};
watch(
  () => bench.part,
  (asked) => (view.tab = asked && asked in TABS ? asked : "links"),
  { immediate: true },
);
const part = computed(() => PARTS[view.tab as keyof typeof PARTS] ?? LinkTable);
watch(
  () => [view.tab, bench.revision],
  () => void view.load(),
  { immediate: true },
);
</script>

<template>
  <PanelTabs
    :model-value="view.tab"
    :tabs="TABS"
    label="Parts of Links"
    @update:model-value="(to: string) => (bench.part = to)"
  />
  <component :is="part" />
</template>
