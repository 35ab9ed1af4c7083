<script setup lang="ts">
import { computed, ref, watch } from "vue";
import { answer, api, type Schemas } from "../../api/client";
import EditField from "../../app/EditField.vue";
import QueryTrouble from "../../app/QueryTrouble.vue";
import { text } from "../../app/typed";
import { usePlanQuery } from "../../app/useQuery";
import { added, removed } from "../../plan/patch";
import { pointer, thingOf } from "../../plan/pointers";
import { useBench } from "../../plan/store";
import TopicBranch from "./TopicBranch.vue";
import { sought, treeOf } from "./topics";
import WhoSays from "./WhoSays.vue";

/** The topics of the whole house as a tree, and what the selected device says and is told. */
const bench = useBench();
const plan = computed(() => bench.plan!);
const { answer: contracts, trouble: unanswered } = usePlanQuery((id, signal) =>
  answer(api.GET("/api/plans/{id}/names/contracts", { params: { path: { id } }, signal })),
);
const seeking = ref("");
const nameOf = (id: string) => plan.value.devices[id]?.name ?? id;
const tree = computed(() =>
  treeOf(Object.entries(plan.value.devices).map(([id, d]): [string, string | null] => [id, d.topic])),
);
const branches = computed(() => sought(tree.value, seeking.value, nameOf));
const selected = computed(() => {
  const thing = thingOf(bench.selection);
  return thing?.[0] === "devices" && thing[1] in plan.value.devices ? thing[1] : null;
});
/** The branch of what is selected: a device's own, or that of all that stands in a room. */
const open = computed(() => {
  if (selected.value) return plan.value.devices[selected.value]!.topic ?? "";
  const thing = thingOf(bench.selection);
  if (thing?.[0] !== "rooms") return "";
  const inIt = Object.values(plan.value.devices).find((d) => d.place?.room === thing[1] && d.topic);
  return inIt?.topic?.split("/").slice(0, -1).join("/") ?? "";
});
const { answer: units } = usePlanQuery((id, signal) =>
  answer(api.GET("/api/plans/{id}/names/contracts/units", { params: { path: { id } }, signal })),
);
/** What the selected device says and is told, or what the selected controller says of itself and its boards. */
const contract = computed(() => {
  if (selected.value) return contracts.value?.[selected.value];
  const thing = thingOf(bench.selection);
  return thing?.[0] === "units" ? units.value?.[thing[1]] : undefined;
});
const WAYS: Record<Schemas["Contract"]["transport"], string> = {
  BROKER: "over the broker",
  REQUEST: "asked directly at its address",
  SERVICE: "over an account of an outside service",
};
const TIMES: [number, string][] = [
  [86_400, "d"],
  [3600, "h"],
  [60, "min"],
];
const time = (s: number) => {
  const [unit, word] = TIMES.find(([n]) => s >= n && s % n === 0) ?? [1, "s"];
  return `${s / unit} ${word}`;
};
const bounds = (p: Schemas["PayloadPart"]) =>
  p.type === "NUMBER"
    ? `${p.least} to ${p.most}${p.unit ? ` ${p.unit}` : ""}`
    : p.type === "BOOLEAN"
      ? "true or false"
      : p.values.length
        ? p.values.join(", ")
        : "any text";
/** Which aspect is being changed. */
type Aspect = Schemas["Aspect"];
type Choice = Schemas["MessageChoice"];
const changing = ref<Aspect["kind"] | null>(null);
watch(selected, () => (changing.value = null));
const choiceOf = (kind: Aspect["kind"]) => plan.value.devices[selected.value!]?.messages[kind];
const USUAL: Choice = {
  delivery: null,
  retained: null,
  lastWill: null,
  intervalS: null,
  deadBand: null,
  watchdogS: null,
  storedOnceS: null,
};
function choose(a: Aspect, said: Partial<Choice>) {
  const now = { ...USUAL, ...choiceOf(a.kind), ...said };
  const path = ["devices", selected.value!, "messages", a.kind] as const;
  const usual = Object.values(now).every((v) => v === null);
  if (usual && !choiceOf(a.kind)) return;
  return bench.edit(
    [usual ? removed(...path) : added(path, now)],
    `${a.kind.toLowerCase()} of ${contract.value!.name}`,
  );
}
const yes = (event: Event) => ({ yes: true, no: false })[text(event)] ?? null;
const answered = (value: boolean | null | undefined) =>
  value === undefined || value === null ? "" : value ? "yes" : "no";
const relative = (address: string) =>
  contract.value?.topic ? address.replace(contract.value.topic, "…") : address;
</script>

<template>
  <div class="panel-body two">
    <section aria-label="Topics of the house" class="tree">
      <h3>Topics of the house</h3>
      <label class="field">
        Find a topic
        <input v-model="seeking" type="search" placeholder="hall lamp" />
      </label>
      <ul v-if="branches.length">
        <TopicBranch
          v-for="b in branches"
          :key="b.path"
          :branch="b"
          :open="open"
          :all="seeking !== ''"
          :name-of="nameOf"
          @choose="(device) => bench.select(pointer('devices', device))"
        />
      </ul>
      <p v-else class="quiet">{{ seeking ? "Nothing is called so." : "No device has a topic yet." }}</p>
    </section>
    <section aria-label="Contract" class="contract">
      <QueryTrouble :trouble="unanswered" />
      <p v-if="!contract" class="quiet">
        Choose a device in the tree, or a device or controller on the drawing, to see what it says and is
        told.
      </p>
      <template v-else>
        <h3>{{ contract.name }}: who says what to whom</h3>
        <p class="quiet">
          {{ WAYS[contract.transport] }} · <code>{{ contract.topic ?? "no topic" }}</code>
        </p>
        <p v-for="(until, old) in contract.aliases" :key="old" class="quiet">
          Still answers to <code>{{ old }}</code> until {{ until }}.
        </p>
        <div v-if="contract.personal && selected" class="row">
          <p class="grow">
            It tells who is at home. Who may see it:
            {{ contract.listeners.map((id) => plan.units[id]?.name ?? id).join(", ") || "nobody yet" }}.
          </p>
          <EditField
            label="Kept for, days"
            numeric
            optional
            placeholder="nobody said"
            :value="contract.keptDays"
            :save="
              (v: number | null) =>
                bench.put(['devices', selected!, 'keptDays'], v, `how long ${contract!.name} is kept`)
            "
          />
        </div>
        <p v-if="contract.trouble" class="bad">Not heard yet: {{ contract.trouble }}.</p>
        <WhoSays :contract="contract" />
        <table>
          <caption class="unseen">
            Messages of
            {{
              contract.name
            }}
          </caption>
          <thead>
            <tr>
              <th>Aspect</th>
              <th>Says</th>
              <th>Sent</th>
              <th>Delivery</th>
              <th class="number">Bytes</th>
            </tr>
          </thead>
          <tbody>
            <template v-for="a in contract.aspects" :key="a.address">
              <tr>
                <td>
                  <b>{{ a.kind.toLowerCase() }}</b>
                  <span class="quiet under">{{ a.spoken ? "it says" : "it is told" }}</span>
                  <button
                    v-if="selected"
                    type="button"
                    class="plain"
                    :aria-expanded="changing === a.kind"
                    :aria-label="`Change ${a.kind.toLowerCase()}`"
                    @click="changing = changing === a.kind ? null : a.kind"
                  >
                    {{ a.chosen ? "changed" : "change" }}
                  </button>
                </td>
                <td>
                  <code>{{ relative(a.address) }}</code> <code>{{ a.example }}</code>
                  <ul class="parts">
                    <li v-for="p in a.payload" :key="p.name">
                      <template v-if="p.name"
                        ><code>{{ p.name }}</code
                        >: </template
                      >{{ p.meaning }}; {{ bounds(p) }}
                    </li>
                  </ul>
                </td>
                <td>
                  {{ a.sent
                  }}<span v-if="a.intervalS || a.watchdogS" class="quiet under"
                    >{{ a.intervalS ? `again after ${time(a.intervalS)}` : ""
                    }}{{ a.deadBand !== null ? `, or moved by ${a.deadBand}` : ""
                    }}{{ a.storedOnceS ? `, stored once in ${time(a.storedOnceS)}` : ""
                    }}{{ a.intervalS && a.watchdogS ? "; " : ""
                    }}{{ a.watchdogS ? `missed after ${time(a.watchdogS)}` : "" }}</span
                  >
                </td>
                <td>
                  {{ ["at most once", "at least once", "exactly once"][a.delivery]
                  }}{{ a.retained ? ", retained" : "" }}{{ a.lastWill ? ", last will" : "" }}
                </td>
                <td class="number">{{ a.bytes }}</td>
              </tr>
              <tr v-if="changing === a.kind" class="changing">
                <td colspan="5">
                  <div class="row">
                    <label class="field">
                      Delivery
                      <select
                        :value="choiceOf(a.kind)?.delivery ?? ''"
                        @change="choose(a, { delivery: text($event) === '' ? null : Number(text($event)) })"
                      >
                        <option value="">as usual</option>
                        <option value="0">at most once</option>
                        <option value="1">at least once</option>
                        <option value="2">exactly once</option>
                      </select>
                    </label>
                    <label class="field">
                      The broker keeps the last
                      <select
                        :value="answered(choiceOf(a.kind)?.retained)"
                        @change="choose(a, { retained: yes($event) })"
                      >
                        <option value="">as usual</option>
                        <option value="yes">yes</option>
                        <option value="no">no</option>
                      </select>
                    </label>
                    <label v-if="a.kind === 'AVAILABILITY'" class="field">
                      Last will
                      <select
                        :value="answered(choiceOf(a.kind)?.lastWill)"
                        @change="choose(a, { lastWill: yes($event) })"
                      >
                        <option value="">as usual</option>
                        <option value="yes">yes</option>
                        <option value="no">no</option>
                      </select>
                    </label>
                    <template v-if="a.spoken">
                      <EditField
                        label="Again after, s"
                        numeric
                        optional
                        :value="choiceOf(a.kind)?.intervalS ?? null"
                        :placeholder="a.intervalS ? String(a.intervalS) : 'on change'"
                        :save="(v: number | null) => choose(a, { intervalS: v })"
                      />
                      <EditField
                        v-if="a.kind === 'TELEMETRY'"
                        label="Dead band"
                        numeric
                        optional
                        :value="choiceOf(a.kind)?.deadBand ?? null"
                        :placeholder="String(a.deadBand ?? 'none')"
                        :save="(v: number | null) => choose(a, { deadBand: v })"
                      />
                      <EditField
                        label="Missed after, s"
                        numeric
                        optional
                        :value="choiceOf(a.kind)?.watchdogS ?? null"
                        :placeholder="a.watchdogS ? String(a.watchdogS) : 'never'"
                        :save="(v: number | null) => choose(a, { watchdogS: v })"
                      />
                    </template>
                    <EditField
                      v-if="a.kind === 'TELEMETRY'"
                      label="Stored once in, s"
                      numeric
                      optional
                      placeholder="every one"
                      :value="choiceOf(a.kind)?.storedOnceS ?? null"
                      :save="(v: number | null) => choose(a, { storedOnceS: v })"
                    />
                    <button v-if="a.chosen" type="button" class="soft" @click="choose(a, USUAL)">
                      As usual
                    </button>
                  </div>
                </td>
              </tr>
            </template>
          </tbody>
        </table>
        <p class="quiet">
          Bytes of one message with its example: 4 of headers and lengths, the topic, 2 where it is
          acknowledged, the payload.
        </p>
      </template>
    </section>
  </div>
</template>

<style scoped src="../panel.css"></style>
<style scoped>
.two {
  display: grid;
  grid-template-columns: minmax(220px, 1fr) minmax(0, 3fr);
  gap: 16px;
}
.tree > ul {
  list-style: none;
  margin: 6px 0 0;
  padding: 0;
  overflow: auto;
}
.contract {
  min-width: 0;
  overflow-x: auto;
}
.under {
  display: block;
}
.parts {
  margin: 2px 0 0;
  padding-left: 14px;
  font-size: 12px;
  color: var(--ink2);
}
code {
  overflow-wrap: anywhere;
  font-size: 12px;
}
.contract table {
  table-layout: fixed;
  min-width: 520px;
}
.contract th:nth-child(1) {
  width: 24%;
}
.contract th:nth-child(2) {
  width: 31%;
}
.contract th:nth-child(4) {
  width: 15%;
}
.contract th:nth-child(5) {
  width: 9%;
}
.number {
  text-align: right;
}
@media (max-width: 820px) {
  .two {
    display: flex;
    flex-direction: column;
  }
}
</style>
