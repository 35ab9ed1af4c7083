<script setup lang="ts">
import { computed } from "vue";
import EditField from "../app/EditField.vue";
import { chosenGround, placeOf, roomAt } from "../drawing/moves";
import { command } from "../plan/commands";
import { nameAt } from "../plan/pointers";
import { useBench } from "../plan/store";
import WhereSelect from "./WhereSelect.vue";

/** Room or spot, and the place in it, of a unit or device. */
const props = defineProps<{ path: string; holder: string }>();
const bench = useBench();
const at = computed(() => placeOf(bench.plan!, props.path));
const name = () => nameAt(bench.plan!, props.path);
const chosen = computed({
  get: () => {
    const place = at.value?.place;
    return place?.room ? `room:${place.room}` : place?.spot ? `spot:${place.spot}` : "";
  },
  set: (choice) => void command("put-in", { thing: props.path, ...chosenGround(choice) }),
});
/** A typed place that lies in another room of the floor moves there. */
function set(field: "xM" | "yM" | "heightM", value: number) {
  const place = { ...at.value!.place, [field]: value };
  const floor = place.room ? bench.plan!.rooms[place.room]!.floor : null;
  const room = floor ? (roomAt(bench.plan!, floor, place.xM, place.yM) ?? place.room) : null;
  return bench.edit(
    [{ op: "replace", path: at.value!.path, value: { ...place, room } }],
    `move of ${name()}`,
  );
}
</script>

<template>
  <WhereSelect v-model="chosen" label="Where" none="nowhere yet" />
  <template v-if="at">
    <EditField label="East, m" numeric :value="at.place.xM" :save="(v: number) => set('xM', v)" />
    <EditField label="North, m" numeric :value="at.place.yM" :save="(v: number) => set('yM', v)" />
    <EditField label="Height, m" numeric :value="at.place.heightM" :save="(v: number) => set('heightM', v)" />
  </template>
</template>
