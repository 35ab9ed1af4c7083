<script setup lang="ts">
import { computed, reactive, ref } from "vue";
import { answer, api, type Schemas } from "../../api/client";
import EditField from "../../app/EditField.vue";
import FigureButton from "../../app/FigureButton.vue";
import JobProgress from "../../app/JobProgress.vue";
import QueryTrouble from "../../app/QueryTrouble.vue";
import { useJob } from "../../app/useJob";
import { usePlanQuery } from "../../app/useQuery";
import { STATE_WORDS, words } from "../../drawing/marks";
import { added, removed } from "../../plan/patch";
import { freeId, pointer } from "../../plan/pointers";
import { useBench } from "../../plan/store";
import { clockOf, hoursInWords } from "./outage";

/** What has to survive, judged at every edit, and the cheapest changes that keep it. */
const bench = useBench();
const plan = computed(() => bench.plan!);
type Promised = Schemas["Promise"];
type Kind = Promised["kinds"][number];
const { answer: judged, trouble } = usePlanQuery((id, signal) =>
  answer(api.GET("/api/plans/{id}/outages/promises", { params: { path: { id } }, signal })),
);
const kinds = computed(() =>
  [...new Set(Object.values(plan.value.devices).map((d) => d.kind))].sort((a, b) =>
    words(a).localeCompare(words(b)),
  ),
);
/** What may be said to be out. */
const components = computed(() => (bench.shown?.strip ?? []).map((c) => ({ id: c.id, name: c.name })));
const READY: { name: string; promise: Omit<Promised, "name"> }[] = [
  {
    name: "What guards survives 8 h without the mains",
    promise: {
      kinds: [],
      devices: [],
      from: "PROTECTIVE",
      without: ["mains"],
      hours: 8,
      anyOne: false,
      byItself: false,
    },
  },
  {
    name: "What guards survives any one box",
    promise: {
      kinds: [],
      devices: [],
      from: "PROTECTIVE",
      without: [],
      hours: null,
      anyOne: true,
      byItself: false,
    },
  },
  {
    name: "Everything can be worked without the internet",
    promise: {
      kinds: [],
      devices: [],
      from: null,
      without: ["internet"],
      hours: 24,
      anyOne: false,
      byItself: false,
    },
  },
];
const ready = computed(() =>
  READY.filter((r) => !Object.values(plan.value.promises).some((p) => p.name === r.name)).filter(
    (r) => !r.promise.without.includes("internet") || components.value.some((c) => c.id === "internet"),
  ),
);
const add = (name: string, promise: Omit<Promised, "name">) =>
  bench.edit(
    [added(["promises", freeId(name, plan.value.promises)], { name, ...promise })],
    `promise ${name}`,
  );
const fresh = reactive({ name: "", kind: "" as Kind | "", without: "mains", hours: "8", anyOne: false });
const problem = ref<string | null>(null);
async function addOwn() {
  const hours = fresh.hours.trim() === "" ? null : Number(fresh.hours.replace(",", "."));
  problem.value = null;
  if (hours !== null && !(hours >= 0 && hours <= 8784)) {
    problem.value = `"${fresh.hours}" is not a length from 0 to 8784 hours; nothing was added.`;
    return;
  }
  const done = await add(fresh.name, {
    kinds: fresh.kind ? [fresh.kind] : [],
    devices: [],
    from: null,
    without: fresh.without ? [fresh.without] : [],
    hours,
    anyOne: fresh.anyOne,
    byItself: false,
  });
  if (done) fresh.name = "";
}
const put = (id: string, field: keyof Promised, value: unknown) =>
  bench.put(["promises", id, field], value as never, `promise ${plan.value.promises[id]!.name}`);
const sentence = (p: Promised) => {
  const who = [
    ...p.kinds.map((k) => `every ${words(k)}`),
    ...p.devices.map((id) => plan.value.devices[id]?.name ?? id),
    ...(p.from ? [`all that is ${words(p.from)} or more`] : []),
  ];
  const what = p.without.map((id) => components.value.find((c) => c.id === id)?.name ?? id).join(" and ");
  const times = [
    ...(what ? [`without ${what}${p.hours ? ` for ${hoursInWords(p.hours)}` : ""}`] : []),
    ...(p.anyOne ? ["whichever one box, circuit, line or service is out"] : []),
  ];
  return `${who.join(", ") || "every device"} works${p.byItself ? " by itself" : ", by hand at least"}, ${
    times.join(", and ") || "always"
  }`;
};
const reportOf = (id: string) => judged.value?.find((j) => j.id === id);
type Line = Schemas["BrokenPromise"];
function look(line: Line) {
  bench.select(pointer("devices", line.device));
  void bench.suppose(line.without, line.atH > 0 ? clockOf(line.atH) : clockOf(0));
}

type Answer = Schemas["SurvivalAnswer"];
const found = ref<Answer | null>(null);
const {
  job,
  share,
  doing,
  trouble: jobTrouble,
  start: begin,
  stop,
} = useJob<Answer>((result) => (found.value = result));
const of = ref(0);
async function seek() {
  found.value = null;
  of.value = bench.revision;
  await begin(() =>
    answer(api.POST("/api/plans/{id}/outages/survive", { params: { path: { id: bench.id } } })),
  );
}
const money = (cost: number) => `${cost.toFixed(2)} ${plan.value.money.currency}`;
const stale = computed(() => found.value !== null && of.value !== bench.revision);
async function apply(choice: Answer["choices"][number]) {
  const done = await bench.propose(
    choice.edits,
    choice.changes
      .map((c) => c.label)
      .join("; ")
      .slice(0, 110),
  );
  if (done) found.value = null;
}
const broken = computed(() => (judged.value ?? []).filter((j) => !j.kept));
/** Of many lines those of each device together. */
const byDevice = (lines: Line[]) => {
  const all = new Map<string, Line[]>();
  for (const line of lines) all.set(line.device, [...(all.get(line.device) ?? []), line]);
  return [...all.values()];
};
const some = (names: string[]) =>
  names.length <= 6 ? names.join(", ") : `${names.slice(0, 6).join(", ")} and ${names.length - 6} more`;
</script>

<template>
  <div class="panel-body">
    <QueryTrouble :trouble="trouble" />
    <p v-if="!Object.keys(plan.promises).length" class="quiet">
      Nothing is promised yet. A promise says what must go on though something is out; it is judged at every
      edit.
    </p>
    <section v-for="(p, id) in plan.promises" :key="id" class="promise" :aria-label="p.name">
      <div class="row">
        <EditField
          bare
          label="Name of the promise"
          :value="p.name"
          :save="(v: string) => put(String(id), 'name', v)"
        />
        <b v-if="reportOf(String(id))" :class="reportOf(String(id))!.kept ? 'good' : 'bad'">{{
          reportOf(String(id))!.kept
            ? "kept"
            : `not kept: ${reportOf(String(id))!.count} of ${reportOf(String(id))!.devices}`
        }}</b>
        <EditField
          label="Hours"
          numeric
          optional
          :value="p.hours"
          :save="(v: number | null) => put(String(id), 'hours', v)"
        />
        <label class="tick">
          <input
            type="checkbox"
            :checked="p.anyOne"
            @change="put(String(id), 'anyOne', ($event.target as HTMLInputElement).checked)"
          />
          and any one box
        </label>
        <label class="tick">
          <input
            type="checkbox"
            :checked="p.byItself"
            @change="put(String(id), 'byItself', ($event.target as HTMLInputElement).checked)"
          />
          by itself
        </label>
        <button
          type="button"
          class="plain"
          :aria-label="`Remove the promise ${p.name}`"
          @click="bench.edit([removed('promises', String(id))], `remove ${p.name}`)"
        >
          Remove
        </button>
      </div>
      <p class="quiet">{{ sentence(p) }}.</p>
      <p v-if="reportOf(String(id))?.unknown.length" class="bad">
        Not in the plan any more: {{ reportOf(String(id))!.unknown.join(", ") }}
      </p>
      <details v-if="reportOf(String(id))?.broken.length">
        <summary>What does not survive</summary>
        <ul>
          <li v-for="lines in byDevice(reportOf(String(id))!.broken)" :key="lines[0]!.device">
            <template v-for="(b, n) in lines" :key="b.outage">
              <button v-if="!n" type="button" class="plain" @click="look(b)">{{ b.name }}</button>
              {{ n ? "," : "without" }}
              <button type="button" class="plain" :title="b.sentence" @click="look(b)">
                {{ b.outage }}</button><template v-if="b.atH > 0">, {{ hoursInWords(b.atH) }} on</template>
            </template>
            : <b>{{ STATE_WORDS[lines[0]!.state] }}</b> <span class="quiet">{{ lines[0]!.sentence }}</span>
            <span v-if="lines[0]!.always" class="bad"> (with everything working, too)</span>
          </li>
        </ul>
      </details>
    </section>
    <template v-if="Object.keys(plan.promises).length">
      <h3>Make it survive</h3>
      <p v-if="judged && !broken.length" class="quiet">Everything that is promised is kept.</p>
      <div v-else class="row">
        <button v-if="!job" type="button" class="act" @click="seek">
          Find the cheapest changes that keep them
        </button>
        <button v-else type="button" class="soft" @click="stop">Cancel</button>
        <JobProgress v-if="job" :share="share" :doing="doing" />
      </div>
      <QueryTrouble :trouble="jobTrouble" />
      <p v-if="stale" class="bad">The plan has changed since; find them anew.</p>
      <template v-if="found">
        <p>
          {{ found.changes }} changes were thought of and {{ found.judged }} choices judged.
          <template v-if="found.choices.length">{{
            found.proven
              ? "The first is proven to be the cheapest of them."
              : `Not proven: nothing costs less than ${money(found.bound)}.`
          }}</template>
        </p>
        <section v-for="(c, n) in found.choices" :key="n" class="choice" :aria-label="`Choice ${n + 1}`">
          <h4>
            {{ n + 1 }}. {{ money(c.cost) }}{{ c.changes.some((x) => x.estimated) ? ", estimated" : "" }}
          </h4>
          <ul>
            <li v-for="x in c.changes" :key="x.id">
              {{ x.label }}
              <span class="quiet">
                <FigureButton :figure="x.figure" :name="`the cost of ${x.label}`">{{
                  money(x.cost)
                }}</FigureButton>{{ x.estimated ? " estimated" : "" }}
              </span>
            </li>
          </ul>
          <p v-if="c.along.length" class="quiet">Goes along: {{ c.along.join("; ") }}.</p>
          <p class="quiet">
            {{ c.better.length ? `Better off: ${some(c.better)}.` : "" }}
            {{ c.worse.length ? `Worse off: ${some(c.worse)}.` : "Nothing gets worse." }}
          </p>
          <p v-if="c.brings" class="bad">Not to be applied as it is: {{ c.brings }}</p>
          <button v-else type="button" :class="n ? 'soft' : 'act'" :disabled="stale" @click="apply(c)">
            Make these changes
          </button>
        </section>
        <template v-if="found.impossible.length">
          <details :open="byDevice(found.impossible).length <= 6">
            <summary>
              What no change that is known keeps: {{ byDevice(found.impossible).length }}
              {{ byDevice(found.impossible).length === 1 ? "device" : "devices" }}
            </summary>
            <ul>
              <li v-for="lines in byDevice(found.impossible)" :key="lines[0]!.device">
                <button type="button" class="plain" @click="look(lines[0]!)">{{ lines[0]!.name }}</button>
                {{
                  lines[0]!.always
                    ? "with everything working, too"
                    : `without ${some(lines.map((b) => b.outage))}`
                }}:
                <span class="quiet">{{ lines[0]!.sentence }}</span>
              </li>
            </ul>
          </details>
        </template>
      </template>
    </template>
    <h3>Promise something</h3>
    <div v-if="ready.length" class="row">
      <button v-for="r in ready" :key="r.name" type="button" class="soft" @click="add(r.name, r.promise)">
        {{ r.name }}
      </button>
    </div>
    <form class="row" @submit.prevent="addOwn">
      <label class="field">
        Name
        <input v-model="fresh.name" required maxlength="120" placeholder="Locks survive a night" />
      </label>
      <label class="field">
        About
        <select v-model="fresh.kind">
          <option value="">every device</option>
          <option v-for="k in kinds" :key="k" :value="k">every {{ words(k) }}</option>
        </select>
      </label>
      <label class="field">
        Without
        <select v-model="fresh.without">
          <option value="">nothing named</option>
          <option v-if="!components.some((c) => c.id === 'mains')" value="mains">mains</option>
          <option v-for="c in components" :key="c.id" :value="c.id">{{ c.name }}</option>
        </select>
      </label>
      <label class="field">Hours<input v-model="fresh.hours" class="short" inputmode="decimal" /></label>
      <label class="tick"><input v-model="fresh.anyOne" type="checkbox" /> and any one box</label>
      <button type="submit" class="soft">Add promise</button>
    </form>
    <p v-if="problem" class="bad" role="alert">{{ problem }}</p>
  </div>
</template>

<style scoped src="../panel.css"></style>
<style scoped>
.promise,
.choice {
  border-top: 1px solid var(--hair);
  padding-top: 6px;
}
.good {
  color: var(--holds);
}
ul {
  margin: 2px 0;
  padding-left: 18px;
}
.promise .row > :first-child :deep(input) {
  width: 330px;
}
h4 {
  margin: 4px 0 2px;
}
</style>
