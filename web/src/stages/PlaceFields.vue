<script setup lang="ts">
import { computed } from "vue";
import { middleOf, placeOf } from "../drawing/moves";
import { nameAt } from "../plan/pointers";
import { useBench } from "../plan/store";

/** Room or spot, and the place in it, of a unit or device. */
const props = defineProps<{ path: string; holder: string }>();
const bench = useBench();
const at = computed(() => placeOf(bench.plan!, props.path));
const chosen = computed(() => {
  const place = at.value?.place;
  return place?.room ? `room:${place.room}` : place?.spot ? `spot:${place.spot}` : "";
});
const name = () => nameAt(bench.plan!, props.path);

function put(value: string) {
  const [kind, id] = [value.slice(0, 4), value.slice(5)];
  const height = at.value?.place.heightM ?? 1.2;
  const place =
    kind === "room"
      ? middleOf(bench.plan!, id, height, 2)
      : kind === "spot"
        ? { room: null, spot: id, xM: 0, yM: 0, heightM: height }
        : null;
  void bench.edit(
    [{ op: "replace", path: at.value?.path ?? props.holder, value: place }],
    `place of ${name()}`,
  );
}

function set(field: "xM" | "yM" | "heightM", text: string) {
  const value = Number(text);
  if (at.value && text.trim() !== "" && Number.isFinite(value)) {
    void bench.edit([{ op: "replace", path: `${at.value.path}/${field}`, value }], `move of ${name()}`);
  }
}
const text = (event: Event) => (event.target as HTMLInputElement).value;
</script>

<template>
  <label class="field">
    Where
    <select :value="chosen" @change="put(text($event))">
      <option value="">nowhere yet</option>
      <optgroup v-for="(floor, floorId) in bench.plan!.floors" :key="floorId" :label="floor.name">
        <template v-for="(room, id) in bench.plan!.rooms" :key="id">
          <option v-if="room.floor === floorId" :value="`room:${id}`">{{ room.name }}</option>
        </template>
      </optgroup>
      <optgroup v-if="Object.keys(bench.plan!.spots).length" label="Outside">
        <option v-for="(spot, id) in bench.plan!.spots" :key="id" :value="`spot:${id}`">
          {{ spot.name }}
        </option>
      </optgroup>
    </select>
  </label>
  <template v-if="at">
    <label class="field"
      >East, m<input class="short" inputmode="decimal" :value="at.place.xM" @change="set('xM', text($event))"
    /></label>
    <label class="field"
      >North, m<input
        class="short"
        inputmode="decimal"
        :value="at.place.yM"
        @change="set('yM', text($event))"
    /></label>
    <label class="field"
      >Height, m<input
        class="short"
        inputmode="decimal"
        :value="at.place.heightM"
        @change="set('heightM', text($event))"
    /></label>
  </template>
</template>

<style scoped>
.short {
  width: 66px;
}
</style>
