<script setup lang="ts">
import { added } from "../../plan/patch";
import { computed, ref } from "vue";
import { answer, api, type Schemas } from "../../api/client";
import EditField from "../../app/EditField.vue";
import FigureButton from "../../app/FigureButton.vue";
import { choice, text } from "../../app/typed";
import { useQuery } from "../../app/useQuery";
import { lasting, percent, shown } from "../../drawing/marks";
import { freeId } from "../../plan/pointers";
import { useBench } from "../../plan/store";
import { putUnit } from "./far";

/** What a unit sends: its fields packed into bytes, its time on air, and how a command gets there and back. */
type Field = Schemas["MessageField"];
const bench = useBench();
const units = computed(() =>
  Object.entries(bench.plan!.units)
    .filter(([, u]) => Object.values(u.radios).some((r) => r.medium === "CHIRP" || r.medium === "SUB_GHZ"))
    .sort(
      ([, a], [, b]) =>
        Number(b.message !== null) - Number(a.message !== null) || a.name.localeCompare(b.name),
    ),
);
const chosen = ref("");
const id = computed(() => (bench.plan!.units[chosen.value] ? chosen.value : (units.value[0]?.[0] ?? "")));
const unit = computed(() => bench.plan!.units[id.value]);
const NONE: Schemas["Message"] = {
  fields: [],
  intervalS: null,
  tries: null,
  acknowledged: null,
  command: null,
  rateKbps: null,
  implicitHeader: null,
  preambleSymbols: null,
  spacingS: null,
};
const message = computed(() => unit.value?.message ?? NONE);
const put = (field: keyof Schemas["Message"], value: unknown) =>
  putUnit(id.value, "message", { ...message.value, [field]: value }, `message of ${unit.value!.name}`);
const { answer: view, trouble } = useQuery(
  () => id.value || null,
  (at) =>
    answer(
      api.GET("/api/plans/{id}/long-range/messages/{unit}", {
        params: { path: { id: bench.id, unit: at } },
      }),
    ),
);
const KINDS: Record<Field["kind"], string> = {
  NODE_ID: "node id",
  COUNTER: "counter",
  VALUE: "value",
  FLAG: "on or off",
  CHECK: "check",
};
const change = (at: number, part: Partial<Field>) =>
  put(
    "fields",
    message.value.fields.map((f, i) => (i === at ? { ...f, ...part } : f)),
  );
function kind(at: number, to: Field["kind"]) {
  void change(
    at,
    to === "VALUE"
      ? { kind: to, least: 0, most: 100, step: 1, bits: null }
      : { kind: to, least: null, most: null, step: null, bits: to === "FLAG" ? 1 : to === "CHECK" ? 16 : 8 },
  );
}
const add = (name: string, of: Field["kind"]) =>
  put("fields", [
    ...message.value.fields,
    of === "VALUE"
      ? { name, kind: of, least: 0, most: 100, step: 1, bits: null }
      : { name, kind: of, least: null, most: null, step: null, bits: of === "FLAG" ? 1 : 8 },
  ]);
const move = (at: number, by: number) => {
  const fields = [...message.value.fields];
  const [field] = fields.splice(at, 1);
  fields.splice(at + by, 0, field!);
  return put("fields", fields);
};
const three = (value: boolean | null) => (value === null ? "" : String(value));
const read3 = (event: Event) => (text(event) === "" ? null : text(event) === "true");
const time = (ms: number) => lasting(ms / 1000);

const from = ref("");
const talkers = computed(() =>
  Object.entries(bench.plan!.units).filter(([at, u]) => at !== id.value && Object.keys(u.radios).length > 0),
);
/** The straight way as a link of the plan. */
const bind = (medium: Schemas["Link"]["medium"]) => {
  const [a, b] = [bench.plan!.units[from.value]!.name, unit.value!.name];
  const answered = Object.values(bench.plan!.units[from.value]!.radios).some(
    (r) => r.medium === medium && r.receives,
  );
  return bench.edit(
    [
      added(["links", freeId(`${a} ${b}`, bench.plan!.links)], {
        from: from.value,
        to: id.value,
        medium,
        direction: answered ? "TWO_WAY" : "ONE_WAY",
        lengthM: null,
        why: "bound directly",
        input: null,
        joined: null,
      } satisfies Schemas["Link"]),
    ],
    `${a} bound to ${b}`,
  );
};
const { answer: routes, trouble: lost } = useQuery(
  () => (from.value && id.value && from.value !== id.value ? { from: from.value, to: id.value } : null),
  (ends) =>
    answer(
      api.GET("/api/plans/{id}/long-range/routes", {
        params: { path: { id: bench.id }, query: ends },
      }),
    ),
);
</script>

<template>
  <div class="panel-body">
    <p v-if="!units.length" class="quiet">
      No unit has a long-range or sub-GHz radio yet; give one to a unit at Controllers.
    </p>
    <template v-else>
      <div class="row">
        <label class="field">
          What this unit sends
          <select :value="id" @change="chosen = text($event)">
            <option v-for="[at, u] in units" :key="at" :value="at">
              {{ u.name }}{{ u.message ? "" : ", not designed" }}
            </option>
          </select>
        </label>
        <EditField
          label="Every, s"
          numeric
          optional
          placeholder="on events"
          :value="message.intervalS"
          :save="(v: number | null) => put('intervalS', v)"
        />
        <EditField
          label="Tries"
          numeric
          optional
          placeholder="1"
          :value="message.tries"
          :save="(v: number | null) => put('tries', v)"
        />
        <EditField
          label="From try to try, s"
          numeric
          optional
          placeholder="back to back"
          :value="message.spacingS"
          :save="(v: number | null) => put('spacingS', v)"
        />
        <label class="field">
          Acknowledged
          <select :value="three(message.acknowledged)" @change="put('acknowledged', read3($event))">
            <option value="">nobody said</option>
            <option value="true">yes</option>
            <option value="false">no</option>
          </select>
        </label>
        <label class="field">
          Commands say
          <select :value="message.command ?? ''" @change="put('command', choice($event))">
            <option value="">it has none</option>
            <option value="STATE">the wanted state</option>
            <option value="TOGGLE">“change over”</option>
          </select>
        </label>
        <EditField
          v-if="view?.medium === 'SUB_GHZ'"
          label="Data rate, kbit/s"
          numeric
          optional
          placeholder="4.8"
          :value="message.rateKbps"
          :save="(v: number | null) => put('rateKbps', v)"
        />
        <template v-else>
          <label class="field">
            Header
            <select :value="three(message.implicitHeader)" @change="put('implicitHeader', read3($event))">
              <option value="">explicit</option>
              <option value="true">implicit</option>
            </select>
          </label>
          <EditField
            label="Preamble"
            numeric
            optional
            placeholder="8"
            :value="message.preambleSymbols"
            :save="(v: number | null) => put('preambleSymbols', v)"
          />
        </template>
      </div>
      <table v-if="message.fields.length" class="fields">
        <caption class="unseen">
          Fields of the message
        </caption>
        <thead>
          <tr>
            <th>Field</th>
            <th>Is a</th>
            <th>From</th>
            <th>To</th>
            <th>In steps of</th>
            <th>Bits</th>
            <th><span class="unseen">Order</span></th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="(f, i) in message.fields" :key="i">
            <td>
              <EditField
                bare
                :label="`Name, ${i + 1}`"
                :value="f.name"
                :save="(v: string) => change(i, { name: v })"
              />
            </td>
            <td>
              <select
                :value="f.kind"
                :aria-label="`Kind, ${i + 1}`"
                @change="kind(i, text($event) as Field['kind'])"
              >
                <option v-for="(word, k) in KINDS" :key="k" :value="k">{{ word }}</option>
              </select>
            </td>
            <template v-if="f.kind === 'VALUE'">
              <td v-for="part in ['least', 'most', 'step'] as const" :key="part">
                <EditField
                  bare
                  numeric
                  :label="`${part}, ${i + 1}`"
                  :value="f[part]"
                  :save="(v: number) => change(i, { [part]: v })"
                />
              </td>
              <td class="number">{{ view?.payload.slots[i]?.bits }}</td>
            </template>
            <template v-else>
              <td colspan="3" class="quiet">{{ view?.payload.slots[i]?.holds }}</td>
              <td>
                <EditField
                  bare
                  numeric
                  :label="`Bits, ${i + 1}`"
                  :value="f.bits ?? view?.payload.slots[i]?.bits"
                  :save="(v: number) => change(i, { bits: v })"
                />
              </td>
            </template>
            <td class="order">
              <button type="button" class="plain" :disabled="i === 0" @click="move(i, -1)">
                Up<span class="unseen"> {{ f.name }}</span>
              </button>
              <button
                type="button"
                class="plain"
                @click="
                  put(
                    'fields',
                    message.fields.filter((_, j) => j !== i),
                  )
                "
              >
                Remove<span class="unseen"> {{ f.name }}</span>
              </button>
            </td>
          </tr>
        </tbody>
      </table>
      <div class="row">
        <button type="button" class="soft" @click="add('value', 'VALUE')">Add a value</button>
        <button type="button" class="soft" @click="add('on', 'FLAG')">Add an on or off</button>
        <button type="button" class="soft" @click="add('node', 'NODE_ID')">Add the node id</button>
        <button type="button" class="soft" @click="add('counter', 'COUNTER')">Add a counter</button>
        <button type="button" class="soft" @click="add('check', 'CHECK')">Add a check</button>
      </div>
      <p v-if="trouble" class="bad" role="alert">{{ trouble }}</p>
      <template v-if="view">
        <section v-if="view.payload.slots.length">
          <h3>
            {{ view.payload.bits }} bits in {{ view.payload.bytes }}
            {{ view.payload.bytes === 1 ? "byte" : "bytes" }}
          </h3>
          <ol class="bytes" aria-label="Bytes of the message">
            <li
              v-for="s in view.payload.slots"
              :key="s.fromBit"
              :style="{ flexGrow: s.bits }"
              :class="s.kind"
            >
              <b>{{ s.name }}</b>
              <span
                >{{ s.bits }} bits from byte {{ Math.floor(s.fromBit / 8) + 1 }}, bit
                {{ (s.fromBit % 8) + 1 }}</span
              >
            </li>
          </ol>
        </section>
        <p>
          A frame of {{ view.bytes }} bytes{{
            view.assumed ? " (nobody designed it; so many are assumed)" : ""
          }}
          is
          <FigureButton :figure="view.airtimeFigure" name="the time on air of the message"
            ><b>{{ time(view.airtimeMs) }}</b></FigureButton
          >
          on the air, its answer
          <FigureButton :figure="view.answerFigure" name="the time on air of the answer">{{
            time(view.answerMs)
          }}</FigureButton>.
          <template v-if="view.leastIntervalS !== null">
            By the table at most one message every
            <FigureButton :figure="view.intervalFigure" name="the least lawful interval">{{
              lasting(view.leastIntervalS)
            }}</FigureButton>; check with your regulator.</template
          >
        </p>
        <p v-for="b in view.broken" :key="b" class="bad">Not lawful: {{ b }}.</p>
        <p v-for="u in view.unknown" :key="u" class="quiet">{{ u }}.</p>
        <ul class="notes">
          <li v-for="n in [...view.payload.notes, ...view.reminders]" :key="n">{{ n }}</li>
        </ul>
      </template>
      <section class="inspect">
        <h3>A command to {{ unit?.name }}: when does the lamp at the button say “done”?</h3>
        <label class="field">
          Pressed at
          <select v-model="from">
            <option value="">choose a unit</option>
            <option v-for="[at, u] in talkers" :key="at" :value="at">{{ u.name }}</option>
          </select>
        </label>
        <p v-if="lost" class="bad" role="alert">{{ lost }}</p>
        <table v-if="routes">
          <caption class="unseen">
            Ways of the command
          </caption>
          <thead>
            <tr>
              <th>Way</th>
              <th>Steps</th>
              <th class="number">Holds</th>
              <th class="number">Confirmed after</th>
              <th class="number">With all tries</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="r in routes" :key="r.name">
              <td>
                {{ r.name }}<span class="block" :class="r.possible ? 'quiet' : 'bad'">{{ r.why }}</span>
              </td>
              <td>
                <div v-for="(l, i) in r.legs" :key="i">
                  {{ l.from }} → {{ l.to }}, {{ bench.catalog!.media.find((m) => m.id === l.medium)?.name }}:
                  {{ time(l.commandMs) }} and {{ time(l.answerMs) }}
                  <span v-if="l.marginDb !== null" class="quiet">margin {{ shown(l.marginDb, 1) }} dB</span>
                  <span v-if="l.trouble" class="bad">, if it worked</span>
                  <span v-if="l.openAir" class="bad">, over open air: nobody knows the ground</span>
                  <template v-if="!l.planned">
                    <span class="quiet">, no link of the plan yet</span>
                    <button type="button" class="soft" @click="bind(l.medium)">Add the link</button>
                  </template>
                </div>
              </td>
              <td class="number">{{ r.possible ? percent(r.chance) : "" }}</td>
              <td class="number">
                <FigureButton v-if="r.possible" :figure="r.figure" :name="`the time of the way ${r.name}`">{{
                  time(r.confirmedMs)
                }}</FigureButton>
                <span v-if="r.possible && r.waitS > 0" class="bad block"
                  >it sleeps: up to {{ lasting(r.waitS) }} more</span
                >
              </td>
              <td class="number">{{ r.possible ? time(r.worstMs) : "" }}</td>
            </tr>
          </tbody>
        </table>
      </section>
    </template>
  </div>
</template>

<style scoped src="../panel.css"></style>
<style scoped>
.fields {
  width: auto;
}
.order {
  white-space: nowrap;
}
.order .plain {
  margin-right: 8px;
}
.bytes {
  display: flex;
  flex-wrap: wrap;
  gap: 2px;
  list-style: none;
  padding: 0;
  margin: 4px 0;
}
.bytes li {
  flex-basis: 92px;
  border: 1px solid var(--hair-strong);
  border-top: 4px solid var(--signal);
  padding: 2px 6px;
  font-size: 12px;
  min-width: 0;
}
.bytes li.NODE_ID,
.bytes li.COUNTER {
  border-top-style: double;
}
.bytes li.CHECK {
  border-top-style: dashed;
}
.bytes b,
.bytes span {
  display: block;
  overflow-wrap: anywhere;
}
.bytes span {
  color: var(--ink2);
}
.notes {
  margin: 0;
  padding-left: 18px;
}
.block {
  display: block;
  font-size: 13px;
}
</style>
