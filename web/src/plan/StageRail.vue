<script setup lang="ts">
import { computed } from "vue";
import { stageId, stageName } from "./stages";
import { useBench } from "./store";

defineProps<{ stage: string }>();
const emit = defineEmits<{ go: [stage: string] }>();
const bench = useBench();
const NEXT: Record<string, string> = {
  site: "Type or draw the rooms, then choose what the walls are made of.",
  devices: "Put in what is switched, moved, sensed and sounded.",
  controllers: "Put in boards and network boxes; attach the devices.",
  links: "Choose for each unit how it reaches the next thing.",
  "long-range": "Take the terrain profile of each far link, then choose settings that reach and are lawful.",
  names: "Addresses and topics fill themselves; change what must differ.",
  build: "See what to buy, cut and wire; order before the walls close.",
  outages: "Press anything on the strip above and see what still works.",
};
/** Whether a check or what it looks at could not be worked out: then no snag does not mean clear. */
const unchecked = computed(() => (bench.shown?.failures ?? []).length > 0);
</script>

<template>
  <nav class="rail" aria-label="Stages">
    <div
      v-for="s in bench.shown?.stages ?? []"
      :key="s.stage"
      class="entry"
      :class="{ current: stageId(s.stage) === stage }"
    >
      <button
        type="button"
        class="stage"
        :aria-current="stageId(s.stage) === stage ? 'page' : undefined"
        @click="emit('go', stageId(s.stage))"
      >
        <span>{{ stageName(s.stage) }}</span>
        <span v-if="s.snags" class="count" :title="`${s.snags} snags`"
          >{{ s.snags }}{{ unchecked ? "+" : "" }}<span class="unseen"> snags</span></span
        >
        <span v-else-if="unchecked" class="unknown" title="Not every check could be made">not known</span>
        <span v-else-if="!s.judged" class="unknown" title="There is nothing here to judge">nothing yet</span>
        <span v-else class="clear">clear</span>
      </button>
      <div v-if="stageId(s.stage) === stage" class="done">
        <p v-for="line in s.done" :key="line">{{ line }}</p>
        <p class="next">{{ NEXT[stage] }}</p>
      </div>
    </div>
  </nav>
</template>

<style scoped>
.rail {
  position: relative;
  padding: 10px 0;
  overflow-y: auto;
}
.entry.current {
  background: var(--sheet);
  border-left: 4px solid var(--copper);
}
.entry {
  border-left: 4px solid transparent;
}
.stage {
  width: 100%;
  display: flex;
  justify-content: space-between;
  align-items: center;
  background: none;
  border: 0;
  padding: 7px 14px 7px 12px;
  cursor: pointer;
  font-size: 15px;
}
.current .stage {
  font-weight: 600;
}
.count {
  background: var(--copper);
  color: var(--on-copper);
  border-radius: 3px;
  padding: 0 6px;
  font-size: 12px;
  font-weight: 600;
}
.clear {
  color: var(--holds);
  font-size: 12px;
}
.unknown {
  color: var(--ink2);
  font-size: 12px;
}
.done {
  padding: 0 14px 10px 12px;
  font-size: 13px;
}
.next {
  color: var(--ink2);
  margin-top: 5px;
}
</style>
