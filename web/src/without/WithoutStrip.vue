<script setup lang="ts">
import { useNarrow } from "../app/useNarrow";
import Popover from "primevue/popover";
import { computed, ref } from "vue";
import type { Schemas } from "../api/client";
import { useBench } from "../plan/store";

type Item = Schemas["StripItem"];
type Kind = Item["kind"];

const ONE: Record<Kind, string> = {
  MAINS: "mains",
  // stands alone only where it is all the mains there is
  CIRCUIT: "mains",
  SUPPLY: "supply",
  FEED: "supply cable",
  WIRE: "wire",
  WELDED: "welded contact",
  INTERNET: "internet",
  LINE: "line",
  SERVICE: "service",
  ROUTER: "router",
  SWITCH: "switch",
  ACCESS_POINT: "access point",
  GATEWAY: "gateway",
  LINK: "cable",
  HUB: "hub",
  RULES: "hub rules",
  BROKER: "broker",
  PANEL: "panel",
  CONTROLLER: "other unit",
  HANGS: "hanging board",
  OWN_RADIO: "other unit",
};

const bench = useBench();
const popover = ref<InstanceType<typeof Popover> | null>(null);
const open = ref<Kind | null>(null);

/** Kinds that stand in the fold of another. */
const FOLDED: Partial<Record<Kind, Kind>> = { OWN_RADIO: "CONTROLLER", FEED: "LINK", WIRE: "LINK" };

/** Toggles in the order of the strip: a kind with one component stands, one with several folds into a count. */
const kinds = computed(() => {
  const byKind = new Map<Kind, Item[]>();
  const strip = bench.shown?.strip ?? [];
  const folded = (item: Item) => FOLDED[item.kind] ?? item.kind;
  // what folds into another kind stands where that stands
  for (const item of [...strip.filter((i) => !FOLDED[i.kind]), ...strip.filter((i) => FOLDED[i.kind])]) {
    byKind.set(folded(item), [...(byKind.get(folded(item)) ?? []), item]);
  }
  return [...byKind].map(([kind, items]) => ({ kind, items, group: items[0]!.group }));
});
const foldedItems = computed(() => kinds.value.find((k) => k.kind === open.value)?.items ?? []);
const outOf = (items: Item[]) => items.filter((i) => bench.without.includes(i.id)).length;
const many = (kind: Kind) =>
  kind === "CIRCUIT"
    ? "circuits"
    : kind === "LINK"
      ? "cables"
      : ONE[kind] === "switch"
        ? "switches"
        : ONE[kind] === "supply"
          ? "supplies"
          : `${ONE[kind].replace(/^its /, "")}s`;
const words = computed(() => {
  const sentence = bench.shown?.sentence ?? "";
  const cut = sentence.indexOf(": ");
  if (cut < 0) return { head: sentence, counts: "" };
  return {
    head: sentence.slice(0, cut),
    counts: sentence
      .slice(cut + 2)
      .split(", ")
      .join(" · "),
  };
});

/** On a phone the toggles show when they are wanted. */
const narrow = useNarrow();
const shown = ref(false);
function toggle(id: string) {
  const now = bench.without;
  void bench.suppose(now.includes(id) ? now.filter((other) => other !== id) : [...now, id]);
}

function unfold(event: Event, kind: Kind) {
  open.value = kind;
  popover.value?.toggle(event);
}
</script>

<template>
  <section class="strip" aria-label="Without: supposes an outage, switches nothing">
    <b v-if="!narrow" title="Supposes an outage; switches nothing">Without:</b>
    <button v-else type="button" class="toggle supposing" :aria-expanded="shown" @click="shown = !shown">
      {{ shown ? "Fold away" : "Suppose something gone" }}
    </button>
    <template v-for="({ kind, items, group }, index) in shown || !narrow ? kinds : []" :key="kind">
      <span v-if="index && kinds[index - 1]!.group !== group" class="rule" aria-hidden="true" />
      <button
        v-if="items.length === 1"
        type="button"
        class="toggle"
        :class="{ out: outOf(items) }"
        :aria-pressed="outOf(items) > 0"
        :title="`${items[0]!.name}: ${items[0]!.felt} devices feel it`"
        @click="toggle(items[0]!.id)"
      >
        {{ kind === "CONTROLLER" ? items[0]!.name : ONE[kind] }}
      </button>
      <button
        v-else
        type="button"
        class="toggle"
        :class="{ partly: outOf(items) }"
        aria-haspopup="true"
        :title="items.map((i) => i.name).join(', ')"
        @click="unfold($event, kind)"
      >
        {{ many(kind) }}
        <span class="count">{{ outOf(items) ? `${outOf(items)} of ${items.length}` : items.length }}</span>
      </button>
    </template>
    <span v-if="kinds.length === 0" class="quiet">what two or more devices depend on will stand here</span>
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
.toggle.supposing {
  max-width: none;
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
.count {
  color: var(--ink2);
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
@media (max-width: 820px) {
  .strip {
    max-height: none;
  }
  .sentence {
    order: -1;
    margin: 0;
    text-align: left;
    width: 100%;
  }
  .toggle {
    min-height: 40px;
  }
}
.folded {
  display: flex;
  flex-direction: column;
  gap: 4px;
  max-height: 320px;
  overflow: auto;
}
</style>
