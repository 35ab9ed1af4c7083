<script setup lang="ts">
import { computed, ref } from "vue";
import type { Op, Snag } from "../api/client";
import { nameAt, pointer } from "../plan/pointers";
import { stageId, stageName } from "../plan/stages";
import { useBench } from "../plan/store";

const props = defineProps<{ stage: string }>();
const emit = defineEmits<{ go: [stage: string] }>();
const bench = useBench();
const SEVERITY = { STOP: "stop", FIX: "fix", LOOK: "look" } as const;
const showAccepted = ref(false);
const accepting = ref<string | null>(null);
const reason = ref("");

const about = computed(() => {
  const selection = bench.selection;
  const all = bench.shown?.snags ?? [];
  if (!selection) return all.filter((s) => stageId(s.stage) === props.stage);
  return all.filter((s) => s.subjects.some((p) => p === selection || p.startsWith(selection + "/")));
});
const here = computed(() => about.value.filter((s) => showAccepted.value || s.accepted === null));
const accepted = computed(() => about.value.filter((s) => s.accepted !== null).length);
const heading = computed(() =>
  bench.selection && bench.plan
    ? nameAt(bench.plan, bench.selection)
    : `stage ${stageName(props.stage).toLowerCase()}`,
);

const fix = (snag: Snag, index: number) => {
  const chosen = snag.fixes[index]!;
  void bench.edit(chosen.edits as Op[], `${snag.code}: ${chosen.label}`);
};

const subjectOf = (snag: Snag) =>
  snag.subjects.find((p) => /^\/(devices|units|rooms|links|demands)\//.test(p));
/** Where what has no mark on the drawing is changed. */
const STAGE_OF: Record<string, string> = {
  "/place": "site",
  "/mainsVoltageV": "site",
  "/services": "outages",
  "/units": "controllers",
  "/network": "names",
  "/network/topicRoot": "names",
};
const stageOf = (snag: Snag) => STAGE_OF[snag.subjects[0] ?? ""];
const canShow = (snag: Snag) => !!subjectOf(snag) || !!stageOf(snag);
function show(snag: Snag) {
  const subject = subjectOf(snag);
  if (subject?.startsWith("/demands/")) bench.part = "rooms";
  if (subject) return bench.select(subject);
  const stage = stageOf(snag)!;
  if (stage === "site") bench.floor = "site";
  emit("go", stage);
}

async function accept(snag: Snag) {
  const done = await bench.edit(
    [{ op: "add", path: pointer("accepted", snag.key), value: reason.value.trim() }],
    `accept ${snag.code}`,
  );
  if (done) {
    accepting.value = null;
    reason.value = "";
  }
}

const reopen = (snag: Snag) =>
  bench.edit([{ op: "remove", path: pointer("accepted", snag.key) }], `reopen ${snag.code}`);

/** Whether a check or what it looks at could not be worked out: then nothing found does not mean that all is well. */
const unchecked = computed(() => (bench.shown?.failures ?? []).length > 0);
</script>

<template>
  <aside class="dock" aria-label="Snags">
    <h2>Snags here: {{ here.length }}{{ unchecked ? " or more" : "" }}</h2>
    <p class="quiet about">
      {{ heading }}
      <button v-if="bench.selection" type="button" class="plain" @click="bench.select(null)">
        whole stage
      </button>
      <button v-if="accepted" type="button" class="plain" @click="showAccepted = !showAccepted">
        {{ showAccepted ? "hide" : "show" }} {{ accepted }} accepted
      </button>
    </p>
    <p v-if="unchecked" class="unchecked">
      Not every check could be made; there may be more than what stands here.
    </p>
    <p v-else-if="here.length === 0" class="clear">Nothing found here.</p>
    <article v-for="snag in here" :key="snag.key" :class="SEVERITY[snag.severity]">
      <header>
        <h3>{{ snag.title }}</h3>
        <span class="code" :title="`severity: ${SEVERITY[snag.severity]}`"
          >{{ SEVERITY[snag.severity] }} {{ snag.code }}</span
        >
      </header>
      <p v-if="snag.figures" class="figures">{{ snag.figures }}.</p>
      <p>{{ snag.consequence }}</p>
      <p v-if="snag.accepted !== null" class="quiet">Accepted: {{ snag.accepted }}</p>
      <div class="row">
        <button v-for="(f, i) in snag.fixes" :key="f.label" type="button" class="act" @click="fix(snag, i)">
          {{ f.label }}
        </button>
        <button
          v-if="canShow(snag)"
          type="button"
          class="soft"
          :aria-label="`Show: ${snag.title}`"
          @click="show(snag)"
        >
          Show
        </button>
        <button v-if="snag.accepted !== null" type="button" class="soft" @click="reopen(snag)">Reopen</button>
        <button
          v-else-if="accepting !== snag.key && snag.code !== 'D1'"
          type="button"
          class="soft"
          :aria-label="`Accept as it is: ${snag.title}`"
          @click="((accepting = snag.key), (reason = ''))"
        >
          Accept
        </button>
      </div>
      <form v-if="accepting === snag.key" class="row" @submit.prevent="accept(snag)">
        <label class="field grow"
          >{{ snag.severity === "STOP" ? "Why it may stay, in a sentence" : "Why it may stay"
          }}<input v-model="reason" required :minlength="snag.severity === 'STOP' ? 12 : 1" maxlength="1000"
        /></label>
        <button type="submit" class="act">Accept</button>
      </form>
    </article>
  </aside>
</template>

<style scoped>
.dock {
  padding: 12px 14px;
  position: relative;
  overflow-y: auto;
  height: 100%;
}
.about {
  display: flex;
  gap: 10px;
  margin-bottom: 8px;
  flex-wrap: wrap;
}
.unchecked {
  color: var(--ink);
  border-left: 3px solid var(--copper);
  padding-left: 8px;
  margin-bottom: 8px;
}
.clear {
  color: var(--holds);
}
article {
  background: var(--sheet);
  border: 1px solid var(--hair);
  border-left: 4px solid var(--look);
  padding: 8px 10px;
  margin-bottom: 9px;
  font-size: 13px;
  overflow-wrap: anywhere;
}
article.stop {
  border-left-color: var(--stop);
}
article.fix {
  border-left-color: var(--fix);
}
article header {
  display: flex;
  gap: 6px;
  justify-content: space-between;
}
.code {
  font-size: 11px;
  color: var(--ink2);
  white-space: nowrap;
}
.figures {
  font-weight: 500;
}
.row {
  gap: 6px;
  margin-top: 6px;
}
.grow {
  flex: 1;
}
</style>
