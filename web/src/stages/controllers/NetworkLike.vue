<script setup lang="ts">
import { computed, ref } from "vue";
import { proposal } from "../../plan/commands";
import { useBench } from "../../plan/store";

/** A network like most have, in one step: what is missing of router, hub and access points, placed and linked. */
const bench = useBench();
const room = ref("");
const rooms = computed(() => Object.entries(bench.plan!.rooms));
const working = ref(false);
const told = ref<string | null>(null);
async function make() {
  working.value = true;
  told.value = null;
  await bench.inTurn(() =>
    bench.guarded(async () => {
      const found = await proposal("network-like", { room: room.value || null });
      if (found.edits.length) await bench.weigh(found.edits, found.label);
      told.value = found.notes.join(" ") || null;
    }),
  );
  working.value = false;
}
</script>

<template>
  <form v-if="rooms.length" class="row" @submit.prevent="make">
    <label class="field">
      The internet comes in at
      <select v-model="room">
        <option value="">the likeliest room</option>
        <option v-for="[id, r] in rooms" :key="id" :value="id">{{ r.name }}</option>
      </select>
    </label>
    <button type="submit" class="soft" :disabled="working">
      {{ working ? "Making it…" : "Make a network: router, hub, access points, links" }}
    </button>
    <p v-if="told" class="quiet" role="status">{{ told }}</p>
  </form>
</template>

<style scoped src="../panel.css"></style>
