<script setup lang="ts">
import { added, removed } from "../plan/patch";
import { computed, reactive, ref, watch } from "vue";
import { answer, api, type Op, type Snag } from "../api/client";
import { carryOut } from "../plan/commands";
import { nameAt } from "../plan/pointers";
import { stageId, stageName } from "../plan/stages";
import { useBench } from "../plan/store";
import { asCsv, saveFile } from "../table/clipboard";
import AcceptForm from "./AcceptForm.vue";
import SnagCard from "./SnagCard.vue";
import { folded, SEVERITIES, SEVERITY_WORDS, subjectOf, type Folded } from "./folding";

const props = defineProps<{ stage: string }>();
const emit = defineEmits<{ go: [stage: string] }>();
const bench = useBench();
const showAccepted = ref(false);
const whole = () => (props.stage === "overview" ? "plan" : "stage");
/** What is looked at: what is selected, its stage, or the whole plan. */
const scope = ref<"thing" | "stage" | "plan">(whole());
watch(
  () => bench.selection,
  (now) => (scope.value = now ? "thing" : scope.value === "thing" ? whole() : scope.value),
  { immediate: true },
);
// the overview has no snags of its own
watch(
  () => props.stage,
  (now, before) => {
    if (scope.value !== "thing" && (now === "overview" || before === "overview")) scope.value = whole();
  },
);
const search = ref("");
const wanted = reactive(new Set<Snag["severity"]>(SEVERITIES));
const open = reactive(new Set<string>());

const about = computed(() => {
  const all = bench.shown?.snags ?? [];
  const selection = bench.selection;
  if (scope.value === "thing" && selection) {
    return all.filter((s) => s.subjects.some((p) => p === selection || p.startsWith(selection + "/")));
  }
  return scope.value === "plan" ? all : all.filter((s) => stageId(s.stage) === props.stage);
});
const here = computed(() => about.value.filter((s) => showAccepted.value || s.accepted === null));
const accepted = computed(() => about.value.filter((s) => s.accepted !== null).length);
const counts = computed(() =>
  Object.fromEntries(SEVERITIES.map((v) => [v, here.value.filter((s) => s.severity === v).length])),
);
const found = computed(() => {
  const parts = search.value.toLocaleLowerCase().split(/\s+/).filter(Boolean);
  return here.value.filter((s) => {
    const text = `${s.code} ${s.title} ${s.figures} ${s.consequence}`.toLocaleLowerCase();
    return wanted.has(s.severity) && parts.every((p) => text.includes(p));
  });
});
const groups = computed(() => folded(found.value));
const nameOf = (code: string) => bench.catalog?.checks.find((c) => c.id === code)?.name ?? code;
const scopes = computed(() => [
  ...(bench.selection && bench.plan
    ? [{ id: "thing" as const, words: nameAt(bench.plan, bench.selection) }]
    : []),
  ...(props.stage === "overview"
    ? []
    : [{ id: "stage" as const, words: `stage ${stageName(props.stage).toLowerCase()}` }]),
  { id: "plan" as const, words: "whole plan" },
]);
/** Whether there was anything to judge: a stage with nothing in it is not clear. */
const judged = computed(() =>
  (bench.shown?.stages ?? []).some(
    (s) => s.judged && (scope.value === "plan" || stageId(s.stage) === props.stage),
  ),
);
const toggle = (set: Set<string>, key: string) => (set.has(key) ? set.delete(key) : set.add(key));

const fix = (snag: Snag, index: number) => {
  const chosen = snag.fixes[index]!;
  void bench.edit(chosen.edits, `${snag.code}: ${chosen.label}`);
};
const fixing = ref<string | null>(null);
/** The first fix of each, one after another, as one edit; what would bring another snag is left and told. */
async function fixAll(group: Folded) {
  fixing.value = group.code;
  await bench.inTurn(() =>
    bench.guarded(async () => {
      const keys = group.snags.filter((s) => s.accepted === null && s.fixes.length).map((s) => s.key);
      const params = { path: { id: bench.id } };
      const found = await answer(api.POST("/api/plans/{id}/fix-proposal", { params, body: { keys } }));
      await carryOut(found, `${group.code}: ${found.label}`);
    }),
  );
  fixing.value = null;
}
const fixWords = (group: Folded) =>
  fixable(group) === group.snags.length ? `Fix all ${fixable(group)}` : `Fix ${fixable(group)}`;
const fixable = (group: Folded) => group.snags.filter((s) => s.accepted === null && s.fixes.length).length;

const accept = (snags: Snag[], why: string) =>
  bench.edit(
    snags.map((s): Op => added(["accepted", s.key], why)),
    snags.length === 1 ? `accept ${snags[0]!.code}` : `accept ${snags.length} × ${snags[0]!.code}`,
  );
const reopen = (snag: Snag) => bench.edit([removed("accepted", snag.key)], `reopen ${snag.code}`);
const accepting = ref<string | null>(null);
async function acceptAll(group: Folded, why: string) {
  const left = group.snags.filter((s) => s.accepted === null);
  if (await accept(left, why)) accepting.value = null;
}

const HEADS = ["Code", "Severity", "Stage", "Snag", "Figures", "Consequence", "Things", "Accepted"];
const saveCsv = () =>
  saveFile(
    "snags.csv",
    asCsv([
      HEADS,
      ...found.value.map((s) => [
        s.code,
        SEVERITY_WORDS[s.severity],
        stageName(s.stage),
        s.title,
        s.figures,
        s.consequence,
        s.subjects.map((p) => nameAt(bench.plan!, p)).join("; "),
        s.accepted ?? "",
      ]),
    ]),
  );

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

/** Whether a check or what it looks at could not be worked out: then nothing found does not mean that all is well. */
const unchecked = computed(() => (bench.shown?.failures ?? []).length > 0);
</script>

<template>
  <aside class="dock" aria-label="Snags">
    <h2>Snags here: {{ here.length }}{{ unchecked ? " or more" : "" }}</h2>
    <div class="scope" role="group" aria-label="Snags of">
      <button
        v-for="s in scopes"
        :key="s.id"
        type="button"
        :aria-pressed="scope === s.id"
        @click="scope = s.id"
      >
        {{ s.words }}
      </button>
    </div>
    <div v-if="about.length" class="sift">
      <input v-model="search" type="search" aria-label="Search snags" placeholder="search" />
      <template v-for="v in SEVERITIES" :key="v">
        <button
          v-if="counts[v]"
          type="button"
          class="severity"
          :aria-pressed="wanted.has(v)"
          @click="toggle(wanted, v)"
        >
          {{ SEVERITY_WORDS[v] }} {{ counts[v] }}
        </button>
      </template>
      <button type="button" class="plain" @click="saveCsv">CSV</button>
      <a class="plain" :href="`/api/plans/${bench.id}/sheets/snags`" target="_blank">Print</a>
      <button v-if="accepted" type="button" class="plain" @click="showAccepted = !showAccepted">
        {{ showAccepted ? "hide" : "show" }} {{ accepted }} accepted
      </button>
    </div>
    <p v-if="unchecked" class="unchecked">
      Not every check could be made; there may be more than what stands here.
    </p>
    <p v-else-if="!judged && here.length === 0" class="quiet">Nothing yet that could be judged.</p>
    <p v-else-if="here.length === 0" class="clear">Nothing found here.</p>
    <p v-else-if="found.length === 0" class="quiet">None of them is meant by what you search.</p>
    <template v-for="g in groups" :key="g.key">
      <SnagCard
        v-if="g.snags.length === 1"
        :snag="g.snags[0]!"
        :can-show="canShow(g.snags[0]!)"
        @fix="(i: number) => fix(g.snags[0]!, i)"
        @show="show(g.snags[0]!)"
        @reopen="reopen(g.snags[0]!)"
        @accept="(why: string) => accept([g.snags[0]!], why)"
      />
      <section v-else class="alike" :class="SEVERITY_WORDS[g.severity]" :aria-label="nameOf(g.code)">
        <button type="button" class="head" :aria-expanded="open.has(g.key)" @click="toggle(open, g.key)">
          <b>{{ g.snags.length }} ×</b> {{ nameOf(g.code) }}
          <span class="code">{{ SEVERITY_WORDS[g.severity] }} {{ g.code }}</span>
        </button>
        <p v-if="!open.has(g.key)" class="quiet titles">
          {{
            g.snags
              .slice(0, 3)
              .map((s) => s.title)
              .join("; ")
          }}{{ g.snags.length > 3 ? "; …" : "" }}
        </p>
        <div class="row">
          <button v-if="fixable(g)" type="button" class="act" :disabled="fixing !== null" @click="fixAll(g)">
            {{ fixing === g.code ? "Fixing…" : fixWords(g) }}
          </button>
          <button v-if="g.code !== 'D1'" type="button" class="soft" @click="accepting = g.key">
            Accept all
          </button>
        </div>
        <AcceptForm
          v-if="accepting === g.key"
          :stop="g.severity === 'STOP'"
          :many="g.snags.length"
          @accept="(why: string) => acceptAll(g, why)"
        />
        <template v-if="open.has(g.key)">
          <SnagCard
            v-for="s in g.snags"
            :key="s.key"
            :snag="s"
            :can-show="canShow(s)"
            @fix="(i: number) => fix(s, i)"
            @show="show(s)"
            @reopen="reopen(s)"
            @accept="(why: string) => accept([s], why)"
          />
        </template>
      </section>
    </template>
  </aside>
</template>

<style scoped>
.dock {
  padding: 12px 14px;
  position: relative;
  overflow-y: auto;
  height: 100%;
}
.scope {
  display: flex;
  flex-wrap: wrap;
  gap: 4px;
  margin: 4px 0 6px;
}
.scope button,
.severity {
  background: none;
  border: 1px solid var(--hair);
  border-radius: 3px;
  padding: 1px 7px;
  font-size: 12px;
  cursor: pointer;
  max-width: 100%;
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}
.scope button[aria-pressed="true"],
.severity[aria-pressed="true"] {
  background: var(--ink);
  color: var(--sheet);
  border-color: var(--ink);
}
.sift {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 6px;
  align-items: center;
  margin-bottom: 8px;
  font-size: 12px;
}
.sift input {
  flex: 1 1 90px;
  height: 24px;
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
.alike {
  border: 1px solid var(--hair);
  border-left: 4px solid var(--look);
  background: var(--sheet);
  padding: 6px 10px;
  margin-bottom: 9px;
  font-size: 13px;
}
.alike.stop {
  border-left-color: var(--stop);
}
.alike.fix {
  border-left-color: var(--fix);
}
.alike :deep(article) {
  margin: 8px 0 0;
}
.head {
  width: 100%;
  text-align: left;
  background: none;
  border: 0;
  padding: 2px 0;
  cursor: pointer;
}
.head .code {
  float: right;
  font-size: 11px;
  color: var(--ink2);
}
.titles {
  overflow-wrap: anywhere;
}
.row {
  gap: 6px;
  margin-top: 6px;
}
</style>
