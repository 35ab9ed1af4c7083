<script setup lang="ts">
import { computed, ref } from "vue";
import ChoiceBox from "../table/ChoiceBox.vue";
import { command } from "./commands";
import { useBench } from "./store";
import { carries } from "./units";

/** What can be done with several units and devices at once: each is one undo. */
const props = defineProps<{ units: string[]; devices: string[]; clear: () => void }>();
const bench = useBench();
const doing = ref<"move" | "attach" | null>(null);
const both = computed(() => ({ units: props.units, devices: props.devices }));
const rooms = computed<[string, string][]>(() =>
  Object.entries(bench.plan!.rooms).map(([id, r]) => [id, r.name]),
);
const controllers = computed<[string, string][]>(() =>
  Object.entries(bench.plan!.units)
    .filter(([, u]) => carries(u))
    .map(([id, u]) => [id, u.name]),
);
async function move(room: string) {
  doing.value = null;
  await command("move-to-room", { ...both.value, room });
}
async function attach(unit: string) {
  doing.value = null;
  await command("attach", { devices: props.devices, unit: unit || null });
}
async function remove() {
  if (await command("remove", both.value)) props.clear();
}
async function duplicate() {
  for (const unit of props.units) await command("duplicate-unit", { unit, times: null });
}
</script>

<template>
  <ChoiceBox
    v-if="doing === 'move'"
    bare
    open
    label="Move to"
    value=""
    :choices="rooms"
    @choose="move"
    @leave="doing = null"
  />
  <button v-else type="button" class="soft" @click="doing = 'move'">Move to room…</button>
  <template v-if="devices.length && !units.length">
    <ChoiceBox
      v-if="doing === 'attach'"
      bare
      open
      label="Attach to"
      value=""
      :choices="[['', 'nothing'], ...controllers]"
      @choose="attach"
      @leave="doing = null"
    />
    <button v-else type="button" class="soft" @click="doing = 'attach'">Attach to…</button>
  </template>
  <button v-if="units.length && !devices.length" type="button" class="soft" @click="duplicate">
    Duplicate
  </button>
  <button type="button" class="soft" @click="remove">Remove</button>
</template>
