<script setup lang="ts">
import Popover from "primevue/popover";
import { computed, ref } from "vue";
import type { Schemas } from "../api/client";
import { useBench } from "../plan/store";

type Item = Schemas["StripItem"];

const ORDER: Item["group"][] = ["POWER", "WAY_IN", "NETWORK", "BRAINS", "OUTPOSTS"];
const FOLDED: Record<string, string> = {
  POWER: "circuits",
  WAY_IN: "services",
  NETWORK: "network boxes",
  BRAINS: "brains",
  OUTPOSTS: "controllers",
};
/** So many of a group stand on the strip; the rest fold away behind a count. */
const STAND: Record<string, number> = { POWER: 1, WAY_IN: 1, NETWORK: 2, BRAINS: 2, OUTPOSTS: 0 };

const bench = useBench();
const popover = ref<InstanceType<typeof Popover> | null>(null);
const open = ref<Item["group"] | null>(null);

const groups = computed(() =>
  ORDER.map((group) => {
    const items = (bench.shown?.strip ?? []).filter((item) => item.group === group);
    const most = items.length - 1 <= STAND[group]! ? items.length : STAND[group]!;
    return { group, standing: items.slice(0, most), folded: items.slice(most) };
  }).filter((g) => g.standing.length + g.folded.length > 0),
);
const foldedItems = computed(() => groups.value.find((g) => g.group === open.value)?.folded ?? []);
const words = computed(() => {
  const sentence = bench.shown?.sentence ?? "";
  const cut = sentence.indexOf(": ");
  return {
    head: sentence.slice(0, cut),
    counts: sentence
      .slice(cut + 2)
      .split(", ")
      .join(" · "),
  };
});

const foldedName = (g: { group: Item["group"]; standing: Item[]; folded: Item[] }) =>
  g.standing.length ? `+ ${g.folded.length}` : `${g.folded.length} ${FOLDED[g.group]}`;

function toggle(id: string) {
  const now = bench.without;
  void bench.suppose(now.includes(id) ? now.filter((other) => other !== id) : [...now, id]);
}

function unfold(event: Event, group: Item["group"]) {
  open.value = group;
  popover.value?.toggle(event);
}
</script>

<template>
  <section class="strip" aria-label="Without: supposes an outage, switches nothing">
    <b title="Supposes an outage; switches nothing">Without:</b>
    <template v-for="(g, index) in groups" :key="g.group">
      <span v-if="index" class="rule" aria-hidden="true" />
      <button
        v-for="item in g.standing"
        :key="item.id"
        type="button"
        class="toggle"
        :class="{ out: bench.without.includes(item.id) }"
        :aria-pressed="bench.without.includes(item.id)"
        :title="`${item.felt} devices feel it`"
        @click="toggle(item.id)"
      >
        {{ item.name }}
      </button>
      <button
        v-if="g.folded.length"
        type="button"
        class="toggle"
        :class="{ partly: g.folded.some((i) => bench.without.includes(i.id)) }"
        aria-haspopup="true"
        @click="unfold($event, g.group)"
      >
        {{ foldedName(g) }}<span v-if="g.standing.length" class="unseen"> more {{ FOLDED[g.group] }}</span>
      </button>
    </template>
    <span v-if="groups.length === 0" class="quiet">what two or more devices depend on will stand here</span>
    <button v-if="bench.without.length" type="button" class="plain" @click="bench.suppose([])">
      Restore all
    </button>
    <p class="sentence" role="status">
      <b>{{ words.head }}</b>
      <span>{{ words.counts }}</span>
    </p>
    <Popover ref="popover">
      <div class="folded">
        <label v-for="item in foldedItems" :key="item.id" class="tick">
          <input type="checkbox" :checked="bench.without.includes(item.id)" @change="toggle(item.id)" />
          {{ item.name }} <span class="quiet">{{ item.felt }} feel it</span>
        </label>
      </div>
    </Popover>
  </section>
</template>

<style scoped>
.strip {
  display: flex;
  flex-wrap: wrap;
  gap: 4px;
  align-items: center;
  padding: 7px 14px;
  font-size: 13px;
  border-bottom: 1px solid var(--hair);
  background: var(--paper);
  min-height: 50px;
}
.toggle {
  background: var(--sheet);
  border: 1px solid var(--hair-strong);
  border-radius: 3px;
  padding: 2px 7px;
  cursor: pointer;
  white-space: nowrap;
  max-width: 130px;
  overflow: hidden;
  text-overflow: ellipsis;
}
.toggle.out {
  background: var(--ink);
  color: var(--sheet);
  text-decoration: line-through;
}
.toggle.partly {
  border-color: var(--copper);
  box-shadow: inset 0 -3px 0 var(--copper);
}
.rule {
  width: 1px;
  height: 20px;
  background: var(--hair-strong);
  margin: 0 2px;
}
.sentence {
  margin-left: auto;
  text-align: right;
  line-height: 1.25;
  font-size: 13px;
}
.sentence b,
.sentence span {
  display: block;
}
.folded {
  display: flex;
  flex-direction: column;
  gap: 4px;
  max-height: 320px;
  overflow: auto;
}
</style>
