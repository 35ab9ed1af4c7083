<script setup lang="ts">
import { computed, ref } from "vue";
import PanelTabs from "../../app/PanelTabs.vue";
import DeviceTable from "./DeviceTable.vue";
import SoundPart from "./SoundPart.vue";

const tab = ref("devices");
const TABS = { devices: "Devices", sound: "Who hears what" };
const part = computed(() => (tab.value === "sound" ? SoundPart : DeviceTable));
</script>

<template>
  <PanelTabs v-model="tab" :tabs="TABS" label="Parts of Devices" />
  <component :is="part" />
</template>
