<script setup lang="ts">
import { computed } from "vue";
import { useBench } from "../plan/store";

/** A room or an outdoor spot, written as "room:id" or "spot:id"; rooms of the sheet in view come first. */
const chosen = defineModel<string>({ required: true });
defineProps<{ label: string; none?: string }>();
const bench = useBench();
const floors = computed(() =>
  Object.entries(bench.plan!.floors).sort(
    ([a], [b]) => Number(b === bench.floor) - Number(a === bench.floor),
  ),
);
const roomsOn = (floor: string) =>
  Object.entries(bench.plan!.rooms).filter(([, room]) => room.floor === floor);
</script>

<template>
  <label class="field">
    {{ label }}
    <select v-model="chosen">
      <option v-if="none" value="">{{ none }}</option>
      <optgroup v-for="[id, floor] in floors" :key="id" :label="floor.name">
        <option v-for="[key, room] in roomsOn(id)" :key="key" :value="`room:${key}`">{{ room.name }}</option>
      </optgroup>
      <optgroup v-if="Object.keys(bench.plan!.spots).length" label="Outside">
        <option v-for="(spot, key) in bench.plan!.spots" :key="key" :value="`spot:${key}`">
          {{ spot.name }}
        </option>
      </optgroup>
    </select>
  </label>
</template>
