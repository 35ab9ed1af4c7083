<script setup lang="ts">
import Dialog from "primevue/dialog";
import { computed, nextTick, ref, watch } from "vue";
import { useRouter } from "vue-router";
import { pointer } from "./pointers";
import { stageId, stageName } from "./stages";
import { useBench } from "./store";

const open = defineModel<boolean>({ required: true });
const emit = defineEmits<{ go: [stage: string] }>();
const bench = useBench();
const router = useRouter();
const text = ref("");
const chosen = ref(0);
const box = ref<HTMLInputElement | null>(null);
const MOST = 12;

interface Entry {
  name: string;
  what: string;
  act: () => void;
}

const entries = computed<Entry[]>(() => {
  const plan = bench.plan;
  if (!plan) return [];
  const stages = (bench.assessment?.stages ?? []).map((s) => ({
    name: stageName(s.stage),
    what: "stage",
    act: () => emit("go", stageId(s.stage)),
  }));
  const things = (["rooms", "devices", "units"] as const).flatMap((map) =>
    Object.entries(plan[map]).map(([id, thing]) => ({
      name: thing.name,
      what: map.slice(0, -1),
      act: () => bench.select(pointer(map, id)),
    })),
  );
  const snags = (bench.assessment?.snags ?? []).map((snag) => ({
    name: snag.title,
    what: `snag ${snag.code}`,
    act: () => {
      emit("go", stageId(snag.stage));
      const subject = snag.subjects.find((p) => /^\/(devices|units|rooms|links|demands)\//.test(p));
      if (subject) bench.select(subject);
    },
  }));
  const actions = [
    { name: "Undo", what: "action", act: () => void bench.step("undo") },
    { name: "Redo", what: "action", act: () => void bench.step("redo") },
    { name: "Calculators", what: "page", act: () => void router.push("/calculators") },
    { name: "Restore all that is supposed gone", what: "action", act: () => void bench.suppose([]) },
  ];
  return [...stages, ...actions, ...things, ...snags];
});
const found = computed(() => {
  const parts = text.value.toLowerCase().split(/\s+/).filter(Boolean);
  return entries.value
    .filter((e) => parts.every((part) => `${e.name} ${e.what}`.toLowerCase().includes(part)))
    .slice(0, MOST);
});
watch(text, () => (chosen.value = 0));
watch(open, async (now) => {
  if (!now) return;
  text.value = "";
  await nextTick();
  box.value?.focus();
});

function take(entry: Entry | undefined) {
  if (!entry) return;
  open.value = false;
  entry.act();
}
function step(by: number) {
  chosen.value = (chosen.value + by + found.value.length) % Math.max(1, found.value.length);
}
</script>

<template>
  <Dialog v-model:visible="open" modal header="Find anything" position="top" @show="box?.focus()">
    <input
      ref="box"
      v-model="text"
      class="box"
      aria-label="Find stages, things, snags and actions"
      placeholder="a room, a device, a snag, an action"
      autofocus
      @keydown.down.prevent="step(1)"
      @keydown.up.prevent="step(-1)"
      @keydown.enter.prevent="take(found[chosen])"
    />
    <ul>
      <li v-for="(entry, i) in found" :key="i">
        <button type="button" :class="{ chosen: i === chosen }" @click="take(entry)">
          {{ entry.name }} <span class="quiet">{{ entry.what }}</span>
        </button>
      </li>
    </ul>
    <p v-if="found.length === 0" class="quiet">Nothing has that name.</p>
  </Dialog>
</template>

<style scoped>
.box {
  width: 420px;
  max-width: 80vw;
}
ul {
  list-style: none;
  padding: 0;
  margin: 8px 0 0;
}
li button {
  width: 100%;
  text-align: left;
  background: none;
  border: 0;
  padding: 3px 6px;
  cursor: pointer;
  overflow-wrap: anywhere;
}
li button.chosen {
  background: color-mix(in srgb, var(--copper) 18%, transparent);
}
</style>
