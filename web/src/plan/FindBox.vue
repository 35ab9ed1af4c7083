<script setup lang="ts">
import Dialog from "primevue/dialog";
import { computed, nextTick, ref, watch } from "vue";
import { pointer } from "./pointers";
import { subjectOf } from "../snags/folding";
import { stageId, STAGES } from "./stages";
import { useBench } from "./store";
import { useGo } from "./useGo";

const open = defineModel<boolean>({ required: true });
/** Actions of the bench that can be found. */
const props = defineProps<{ actions: { name: string; what: string; words?: string; act: () => void }[] }>();
const bench = useBench();
const go = useGo();
const text = ref("");
const chosen = ref(0);
const box = ref<HTMLInputElement | null>(null);
const MOST = 12;

interface Entry {
  name: string;
  what: string;
  /** Words by which people look for it besides. */
  words?: string;
  act: () => void;
}

const entries = computed<Entry[]>(() => {
  const plan = bench.plan;
  if (!plan) return [];
  const pages = Object.entries(STAGES).flatMap(([id, stage]) => {
    const parts = Object.entries(stage.parts);
    const whole: Entry = {
      name: stage.name,
      what: "stage",
      words: parts.length === 1 ? parts[0]![1].words : "",
      act: () => go(id),
    };
    return [
      whole,
      ...(parts.length > 1
        ? parts.map(([part, p]): Entry => ({
            name: p.name,
            what: `part of ${stage.name}`,
            words: p.words,
            act: () => go(id, { part }),
          }))
        : []),
    ];
  });
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
      go(stageId(snag.stage));
      const subject = subjectOf(snag);
      if (subject) bench.select(subject);
    },
  }));
  const outages = (bench.assessment?.strip ?? []).map((item) => ({
    name: `Suppose ${item.name} gone`,
    what: "action",
    words: "without outage fails dark power cut",
    act: () => {
      go("outages");
      void bench.suppose([...new Set([...bench.without, item.id])]);
    },
  }));
  return [...pages, ...props.actions, ...things, ...outages, ...snags];
});
const found = computed(() => {
  const parts = text.value.toLocaleLowerCase().split(/\s+/).filter(Boolean);
  const starts = (e: Entry) => (e.name.toLocaleLowerCase().startsWith(parts[0] ?? "") ? 0 : 1);
  return entries.value
    .filter((e) =>
      parts.every((part) => `${e.name} ${e.what} ${e.words ?? ""}`.toLocaleLowerCase().includes(part)),
    )
    .map((e, i) => ({ e, i }))
    .sort((a, b) => starts(a.e) - starts(b.e) || a.i - b.i)
    .slice(0, MOST)
    .map(({ e }) => e);
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
      aria-label="Find stages, settings, things, snags and actions"
      placeholder="a room, a device, cost, print, dark, wifi, battery…"
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
