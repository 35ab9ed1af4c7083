<script setup lang="ts">
import { computed } from "vue";
import { stageId, STAGES } from "./stages";
import { useCoverage } from "../coverage/store";
import { useBench } from "./store";

defineProps<{ stage: string }>();
const emit = defineEmits<{ go: [stage: string] }>();
const bench = useBench();
const coverage = useCoverage();
const entries = computed(() =>
  Object.entries(STAGES).map(([id, stage]) => ({
    id,
    name: stage.name,
    summary: (bench.shown?.stages ?? []).find((s) => stageId(s.stage) === id),
  })),
);
/** A stage on paper, as a file that any reader prints. */
const sheet = (stage: string, paper: string, landscape = false) =>
  `/api/plans/${bench.id}/sheets/${stage}?${[
    `paper=${paper}`,
    landscape && "landscape=true",
    stage === "links" && coverage.medium && `radio=${coverage.medium}`,
    bench.outageQuery,
  ]
    .filter(Boolean)
    .join("&")}`;
/** Whether a check or what it looks at could not be worked out: then no snag does not mean clear. */
const unchecked = computed(() => (bench.shown?.failures ?? []).length > 0);
</script>

<template>
  <nav class="rail" aria-label="Stages">
    <div v-for="s in entries" :key="s.id" class="entry" :class="{ current: s.id === stage }">
      <button
        type="button"
        class="stage"
        :aria-current="s.id === stage ? 'page' : undefined"
        @click="emit('go', s.id)"
      >
        <span>{{ s.name }}</span>
        <template v-if="s.summary">
          <span v-if="s.summary.snags" class="count" :title="`${s.summary.snags} snags`"
            >{{ s.summary.snags }}{{ unchecked ? "+" : "" }}<span class="unseen"> snags</span></span
          >
          <span v-else-if="unchecked" class="unknown" title="Not every check could be made">not known</span>
          <span v-else-if="!s.summary.judged" class="unknown" title="There is nothing here to judge"
            >nothing yet</span
          >
          <span v-else class="clear">clear</span>
        </template>
      </button>
      <div v-if="s.id === stage && s.summary" class="done">
        <p v-for="line in s.summary.done" :key="line">{{ line }}</p>
        <p class="next">{{ s.summary.next }}</p>
      </div>
      <p v-if="s.id === stage" class="print">
        Print this sheet:
        <a :href="sheet(stage, 'A4')" target="_blank">A4</a>,
        <a :href="sheet(stage, 'letter')" target="_blank">Letter</a>,
        <a :href="sheet(stage, 'A4', true)" target="_blank">A4 across</a>.
        <RouterLink :to="`/guide/${STAGES[stage]!.guide}`">Guide</RouterLink>
      </p>
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
.print {
  padding: 0 14px 10px 12px;
  font-size: 12px;
  color: var(--ink2);
}
.next {
  color: var(--ink2);
  margin-top: 5px;
}
</style>
