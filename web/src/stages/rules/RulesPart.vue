<script setup lang="ts">
import { computed, onUnmounted, ref, watch } from "vue";
import { answer, api, type Schemas } from "../../api/client";
import EditField from "../../app/EditField.vue";
import QueryTrouble from "../../app/QueryTrouble.vue";
import { choice } from "../../app/typed";
import { usePlanQuery } from "../../app/useQuery";
import { added, removed, typed } from "../../plan/patch";
import type { Stored } from "../../table/columns";
import { freeId, pointer, thingOf } from "../../plan/pointers";
import { useBench } from "../../plan/store";
import HostChoice from "./HostChoice.vue";
import type { TableColumn } from "../../table/columns";
import DataTable from "../../table/DataTable.vue";
import RuleCopies from "./RuleCopies.vue";
import RuleLines from "./RuleLines.vue";
import StoryCard from "./StoryCard.vue";
import { useRulesView } from "./view";
import WeekStrip from "./WeekStrip.vue";

/** The rules of the house: each as a sentence, the chosen one with its parts to be changed, and all of them in a table. */
const bench = useBench();
const plan = computed(() => bench.plan!);
const { answer: sentences, trouble: unanswered } = usePlanQuery((id, signal) =>
  answer(api.GET("/api/plans/{id}/rules/sentences", { params: { path: { id } }, signal })),
);
const { answer: words } = usePlanQuery((id, signal) =>
  answer(api.GET("/api/plans/{id}/rules/words", { params: { path: { id } }, signal })),
);
const { answer: findings, trouble: unjudged } = usePlanQuery((id, signal) =>
  answer(api.GET("/api/plans/{id}/rules/findings", { params: { path: { id } }, signal })),
);
const { answer: placeholders } = usePlanQuery((id, signal) =>
  answer(api.GET("/api/plans/{id}/rules/placeholders", { params: { path: { id } }, signal })),
);
/** Ticks become rules to be finished, in one edit. */
const hold = () => {
  const taken = { ...plan.value.rules };
  const ops = (placeholders.value ?? []).map((p) => {
    const id = freeId(p.rule.name, taken);
    taken[id] = p.rule;
    return added(["rules", id], p.rule);
  });
  return bench.edit(ops, "placeholders of rules");
};
type Rule = Schemas["Rule"];
const chosen = ref("");
watch(
  [() => bench.selection, () => Object.keys(plan.value.rules).length],
  () => {
    const thing = thingOf(bench.selection);
    if (thing?.[0] === "rules" && thing[1] in plan.value.rules) chosen.value = thing[1];
    else if (!(chosen.value in plan.value.rules)) chosen.value = Object.keys(plan.value.rules)[0] ?? "";
  },
  { immediate: true },
);
const rule = computed(() => plan.value.rules[chosen.value]);
/** Whether the parts of the rule are open to be changed: an unfinished one begins so. */
const changing = ref(false);
const moving = ref(false);
const copying = ref(false);
const view = useRulesView();
watch(chosen, () => (changing.value = !rule.value?.when.length || !rule.value.then.length), {
  immediate: true,
});
watch(
  rule,
  (now) =>
    (view.circles = (now?.then ?? []).flatMap((a, i) =>
      a.around && a.floor
        ? [
            {
              path: pointer("rules", chosen.value, "then", String(i), "around"),
              floor: a.floor,
              around: a.around,
            },
          ]
        : [],
    )),
  { immediate: true },
);
onUnmounted(() => (view.circles = []));
const sentence = computed(() => sentences.value?.find((s) => s.rule === chosen.value));
/** What was found about the chosen rule, and in a word about each. */
const found = computed(() => findings.value?.filter((f) => f.rules.includes(chosen.value)) ?? []);
const FOUND: Record<Schemas["RuleFinding"]["kind"], string> = {
  CLASH: "contradiction",
  CUT_SHORT: "cut short",
  NEVER: "never fires",
  ALWAYS: "conditions always met",
  SHADOWED: "covered by another",
  LOOP: "circle",
  AVOIDED: "interlock passed by",
  SOUNDS: "sounds in quiet hours",
  TWICE: "gesture used twice",
};
const judged = (id: string) =>
  [...new Set(findings.value?.filter((f) => f.rules.includes(id)).map((f) => FOUND[f.kind]))].join(", ");
const put = <K extends keyof Rule>(said: Pick<Rule, K>) =>
  bench.edit(
    (Object.keys(said) as K[]).map((key) => typed(["rules", chosen.value, key], said[key] as Stored)),
    `rule ${rule.value!.name}`,
  );
const name = ref("");
async function add() {
  const called = name.value.trim();
  if (!called) return;
  const id = freeId(called, plan.value.rules);
  const fresh: Rule = {
    name: called,
    host: null,
    off: false,
    when: [],
    onlyIf: [],
    any: false,
    then: [],
    unless: [],
    restS: null,
    repeatS: null,
    timesMonth: null,
  };
  if (await bench.edit([added(["rules", id], fresh)], `rule ${called}`)) {
    name.value = "";
    bench.select(pointer("rules", id));
  }
}
type Sentence = Schemas["RuleSentence"];
const columns = computed<TableColumn<Sentence>[]>(() => [
  {
    id: "name",
    head: "Rule",
    value: (r) => plan.value.rules[r.rule]?.name ?? r.name,
    edit: {
      raw: (r) => plan.value.rules[r.rule]?.name ?? r.name,
      ops: (r, value) => [typed(["rules", r.rule, "name"], value as string)],
    },
  },
  {
    id: "host",
    head: "Runs in",
    value: (r) => r.host ?? null,
    edit: {
      raw: (r) => plan.value.rules[r.rule]?.host ?? null,
      ops: (r, value) => [typed(["rules", r.rule, "host"], value as string | null)],
      choices: () => hosts.value.map(([id, u]) => [id, u.name]),
      optional: true,
    },
  },
  {
    id: "judged",
    head: "Judged",
    value: (r) => judged(r.rule) || (plan.value.rules[r.rule]?.off ? "rests" : null),
  },
  { id: "says", head: "Says", value: (r) => r.text, wide: true },
]);
const hosts = computed(() =>
  Object.entries(plan.value.units)
    .filter(([, u]) => ["HUB", "CONTROLLER", "PANEL", "GATEWAY"].includes(u.kind))
    .sort(([, a], [, b]) => a.name.localeCompare(b.name, undefined, { numeric: true })),
);
</script>

<template>
  <div class="panel-body">
    <QueryTrouble :trouble="unanswered" />
    <QueryTrouble :trouble="unjudged" />
    <form class="row" @submit.prevent="add">
      <label class="field">
        A new rule is called
        <input v-model="name" type="text" maxlength="120" placeholder="Hall lamp on arrival" />
      </label>
      <button type="submit" class="act" :disabled="!name.trim()">Add a rule</button>
      <a v-if="sentences?.length" :href="`/api/plans/${bench.id}/rules/markdown`" download>All as Markdown</a>
      <a v-if="sentences?.length" :href="`/api/plans/${bench.id}/rules/csv`" download>as CSV</a>
      <a v-if="sentences?.length" :href="`/api/plans/${bench.id}/rules/calendar`" download>as a calendar</a>
    </form>
    <p v-if="placeholders?.length" class="quiet">
      A rule is ticked for
      {{
        placeholders
          .slice(0, 5)
          .map((p) => p.name)
          .join(", ")
      }}<template v-if="placeholders.length > 5"> and {{ placeholders.length - 5 }} more</template>, and no
      rule says anything of {{ placeholders.length === 1 ? "it" : "them" }}: each tick stands for one on the
      hub.
      <button type="button" class="plain" @click="hold">
        Write {{ placeholders.length === 1 ? "it" : "them" }} as placeholders
      </button>
    </p>
    <p v-if="!Object.keys(plan.rules).length" class="quiet">
      Nothing happens by itself yet. A rule says when something happens, what must be so then, and what is
      done.
    </p>
    <section v-if="rule" class="card" :aria-label="`Rule ${rule.name}`">
      <div class="row">
        <EditField label="Rule" wide :value="rule.name" :save="(v: string) => put({ name: v })" />
        <label class="field">
          Runs in
          <select :value="rule.host ?? ''" @change="put({ host: choice($event) })">
            <option value="">not chosen yet</option>
            <option v-for="[id, u] in hosts" :key="id" :value="id">{{ u.name }}</option>
            <option v-for="(s, id) in plan.services" :key="id" :value="id">{{ s.name }} (outside)</option>
            <option
              v-if="rule.host && !(rule.host in plan.units) && !(rule.host in plan.services)"
              :value="rule.host"
            >
              {{ rule.host }}, which is gone
            </option>
          </select>
        </label>
        <EditField
          label="Not again within, s"
          numeric
          optional
          placeholder="at once"
          :value="rule.restS"
          :save="(v: number | null) => put({ restS: v })"
        />
        <EditField
          label="Again every, s"
          numeric
          optional
          placeholder="once"
          :value="rule.repeatS"
          :save="(v: number | null) => put({ repeatS: v })"
        />
        <label class="rests">
          <input
            type="checkbox"
            :checked="rule.off"
            @change="put({ off: ($event.target as HTMLInputElement).checked })"
          />
          It rests
        </label>
        <button
          type="button"
          class="plain"
          @click="bench.edit([removed('rules', chosen)], `no rule ${rule.name}`)"
        >
          Remove it
        </button>
      </div>
      <p v-if="sentence" class="sentence" aria-live="polite">
        <template v-for="(p, i) in sentence.parts" :key="i"
          ><button v-if="p.thing" type="button" class="said" @click="bench.select(p.thing)">
            {{ p.text }}</button
          ><span v-else-if="p.of" class="said">{{ p.text }}</span
          ><template v-else>{{ p.text }}</template></template
        >
      </p>
      <p v-if="sentence?.caution" class="caution">{{ sentence.caution }}</p>
      <StoryCard v-for="(f, i) in found" :key="`${f.kind} ${i}`" :finding="f" />
      <div class="row">
        <button type="button" class="plain" :aria-expanded="changing" @click="changing = !changing">
          {{ changing ? "Fold its parts away" : "Change its parts" }}
        </button>
        <button type="button" class="plain" :aria-expanded="moving" @click="moving = !moving">
          {{ moving ? "Fold away where it can run" : "Where it can run" }}
        </button>
        <button type="button" class="plain" :aria-expanded="copying" @click="copying = !copying">
          {{ copying ? "Fold away other rooms" : "For other rooms" }}
        </button>
      </div>
      <template v-if="words && changing">
        <RuleLines
          title="When"
          what="trigger"
          :lines="rule.when"
          :words="words"
          :rule="chosen"
          field="when"
        />
        <RuleLines
          title="Only if"
          what="term"
          :lines="rule.onlyIf"
          :words="words"
          :rule="chosen"
          field="onlyIf"
        />
        <label v-if="rule.onlyIf.length > 1" class="field narrow">
          Of these
          <select
            :value="rule.any ? 'any' : 'all'"
            @change="put({ any: ($event.target as HTMLSelectElement).value === 'any' })"
          >
            <option value="all">all must be so</option>
            <option value="any">one is enough</option>
          </select>
        </label>
        <RuleLines title="Then" what="action" :lines="rule.then" :words="words" :rule="chosen" field="then" />
        <RuleLines
          title="Unless"
          what="term"
          :lines="rule.unless"
          :words="words"
          :rule="chosen"
          field="unless"
        />
      </template>
      <HostChoice v-if="moving" :rule="chosen" />
      <RuleCopies v-if="copying" :rule="chosen" />
    </section>
    <WeekStrip v-if="rule" :rule="chosen" />
    <DataTable
      v-if="sentences?.length"
      id="rules"
      label="Rules of the house"
      :rows="sentences"
      :key-of="(r: Sentence) => r.rule"
      :name-of="(r: Sentence) => r.name"
      :columns="columns"
      @open="(id: string) => bench.select(pointer('rules', id))"
    />
  </div>
</template>

<style scoped src="../panel.css"></style>
<style scoped src="../names/tables.css"></style>
<style scoped>
.card {
  border: 1px solid var(--line);
  background: var(--sheet);
  padding: 10px 12px;
  display: flex;
  flex-direction: column;
  gap: 8px;
}
.sentence {
  margin: 0;
  font-size: 15px;
  line-height: 2;
}
.said {
  font: inherit;
  color: inherit;
  text-align: left;
  border: 0;
  border-bottom: 2px solid var(--copper);
  background: var(--paper);
  padding: 1px 4px;
}
button.said {
  cursor: pointer;
}
.caution {
  margin: 0;
  border-left: 4px solid var(--fix);
  padding-left: 10px;
}
.rests {
  display: flex;
  gap: 6px;
  align-items: center;
  align-self: end;
  padding-bottom: 6px;
}
.narrow {
  max-width: 220px;
}
</style>
