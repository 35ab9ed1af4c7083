<script setup lang="ts">
import { computed, ref } from "vue";
import { answer, api, type Op, type Schemas } from "../../api/client";
import EditField from "../../app/EditField.vue";
import QueryTrouble from "../../app/QueryTrouble.vue";
import { choice, text } from "../../app/typed";
import { useQuery } from "../../app/useQuery";
import { added, removed } from "../../plan/patch";
import { freeId, pointer } from "../../plan/pointers";
import { useBench } from "../../plan/store";
import MessagesAMonth from "./MessagesAMonth.vue";

/** What rules know of the house besides its devices: its clock, modes, who is at home, whom it tells, when it is quiet. */
const bench = useBench();
const plan = computed(() => bench.plan!);
const state = computed(() => plan.value.state);
const ZONES = Intl.supportedValuesOf("timeZone");
const set = (path: string[], value: unknown) =>
  bench.edit([{ op: "replace", path: pointer("state", ...path), value } as Op], "house state");
const typedMode = ref("");
const typedPerson = ref("");
const typedQuiet = ref("");
const values = (said: string) =>
  said
    .split(",")
    .map((v) => v.trim())
    .filter(Boolean);
async function addMode() {
  const [name, ...rest] = typedMode.value.split(":");
  const mode: Schemas["Mode"] = { name: name!.trim(), values: values(rest.join(":")), byHand: true };
  if (
    await bench.edit(
      [added(["state", "modes", freeId(mode.name, state.value.modes)], mode)],
      `mode ${mode.name}`,
    )
  )
    typedMode.value = "";
}
async function addPerson() {
  const person: Schemas["Person"] = { name: typedPerson.value.trim(), services: [], tested: null };
  const id = freeId(person.name, state.value.people);
  if (await bench.edit([added(["state", "people", id], person)], `person ${person.name}`))
    typedPerson.value = "";
}
async function addQuiet() {
  const quiet: Schemas["QuietHours"] = {
    name: typedQuiet.value.trim(),
    rooms: [],
    from: "22:00",
    to: "07:00",
    days: [],
    fromMonth: null,
    toMonth: null,
  };
  const id = freeId(quiet.name, state.value.quiet);
  if (await bench.edit([added(["state", "quiet", id], quiet)], `quiet hours ${quiet.name}`))
    typedQuiet.value = "";
}
const SOURCES: Record<Schemas["PresenceSource"]["kind"], string> = {
  PHONE_IN_NETWORK: "a phone in the network of the house",
  PHONE_LOCATION: "where a phone is, by a service outside",
  DEVICE: "a sensor",
  LOCK_WORKED: "a lock that was worked",
};
const presence = computed(() => state.value.presence ?? { sources: [], votes: null, holdMin: null });
const putPresence = (said: Partial<Schemas["Presence"]>) => set(["presence"], { ...presence.value, ...said });
const source = (kind: string) =>
  putPresence({
    sources: [...presence.value.sources, { kind: kind as Schemas["PresenceSource"]["kind"], device: null }],
  });
const devices = computed(() =>
  Object.entries(plan.value.devices)
    .filter(([, d]) => ["MOTION", "BEAM", "CONTACT", "LOCK", "PUSH_BUTTON"].includes(d.kind))
    .sort(([, a], [, b]) => a.name.localeCompare(b.name)),
);
/** Numbers of the presence sources that are supposed to speak. */
const speaking = ref<number[]>([]);
const { answer: vote } = useQuery(
  () => (bench.id && presence.value.sources.length ? { id: bench.id, speaking: speaking.value } : null),
  (q, signal) =>
    answer(
      api.GET("/api/plans/{id}/rules/presence", {
        params: { path: { id: q.id }, query: { speaking: q.speaking } },
        signal,
      }),
    ),
);
const messengers = computed(() => Object.entries(plan.value.services).filter(([, s]) => s.kind === "PUSH"));
const asked = ref("");
const { answer: told, trouble } = useQuery(
  () => (bench.id && asked.value ? { id: bench.id, device: asked.value } : null),
  (q, signal) =>
    answer(
      api.GET("/api/plans/{id}/rules/told/{device}", {
        params: { path: { id: q.id, device: q.device } },
        signal,
      }),
    ),
);
</script>

<template>
  <div class="panel-body">
    <h3>Clock</h3>
    <label class="field">
      Time zone
      <select :value="state.zone ?? ''" @change="set(['zone'], choice($event))">
        <option value="">the hour nearest to the sun, no daylight saving</option>
        <option v-for="z in ZONES" :key="z" :value="z">{{ z }}</option>
      </select>
    </label>

    <h3>Modes</h3>
    <div v-for="(m, id) in state.modes" :key="id" class="row">
      <EditField label="Mode" :value="m.name" :save="(v: string) => set(['modes', id, 'name'], v)" />
      <EditField
        label="Values"
        wide
        :value="m.values.join(', ')"
        :save="(v: string) => set(['modes', id, 'values'], values(v))"
      />
      <label class="check">
        <input
          type="checkbox"
          :checked="m.byHand"
          @change="set(['modes', id, 'byHand'], ($event.target as HTMLInputElement).checked)"
        />
        people set it too
      </label>
      <button
        type="button"
        class="plain"
        :aria-label="`Remove mode ${m.name}`"
        @click="bench.edit([removed('state', 'modes', id)], `no mode ${m.name}`)"
      >
        remove
      </button>
    </div>
    <form class="row" @submit.prevent="addMode">
      <label class="field">
        A new mode and its values
        <input v-model="typedMode" type="text" maxlength="400" placeholder="house mode: home, away, night" />
      </label>
      <button type="submit" class="act" :disabled="!typedMode.includes(':')">Add the mode</button>
    </form>

    <h3>Who is at home</h3>
    <div v-for="(s, i) in presence.sources" :key="i" class="row">
      <span>{{ i + 1 }}: {{ SOURCES[s.kind] }}</span>
      <select
        v-if="s.kind === 'DEVICE' || s.kind === 'LOCK_WORKED'"
        :value="s.device ?? ''"
        :aria-label="`Source ${i + 1}, device`"
        @change="set(['presence', 'sources', String(i), 'device'], choice($event))"
      >
        <option value="">choose…</option>
        <option v-for="[id, d] in devices" :key="id" :value="id">{{ d.name }}</option>
      </select>
      <button
        type="button"
        class="plain"
        :aria-label="`Remove source ${i + 1}`"
        @click="bench.edit([removed('state', 'presence', 'sources', String(i))], 'no source')"
      >
        remove
      </button>
    </div>
    <div class="row">
      <label class="field">
        One more source
        <select value="" @change="source(text($event))">
          <option value="" disabled>choose…</option>
          <option v-for="(called, kind) in SOURCES" :key="kind" :value="kind">{{ called }}</option>
        </select>
      </label>
      <EditField
        label="Votes that are enough"
        numeric
        optional
        placeholder="1"
        :value="presence.votes"
        :save="(v: number | null) => putPresence({ votes: v })"
      />
      <EditField
        label="A source counts for, min"
        numeric
        optional
        placeholder="10"
        :value="presence.holdMin"
        :save="(v: number | null) => putPresence({ holdMin: v })"
      />
    </div>

    <div v-if="presence.sources.length" class="row">
      <span>Try it: when these speak</span>
      <label v-for="(_, i) in presence.sources" :key="i" class="check">
        <input v-model="speaking" type="checkbox" :value="i" />
        {{ i + 1 }}
      </label>
      <output v-if="vote" aria-live="polite">{{
        vote.home
          ? `somebody is at home, and for ${vote.staysMin} min after they fall silent`
          : "nobody is at home"
      }}</output>
    </div>

    <h3>Whom it tells</h3>
    <div v-for="(p, id) in state.people" :key="id" class="row">
      <EditField label="Person" :value="p.name" :save="(v: string) => set(['people', id, 'name'], v)" />
      <label v-for="[service, s] in messengers" :key="service" class="check">
        <input
          type="checkbox"
          :checked="p.services.includes(service)"
          @change="
            set(
              ['people', id, 'services'],
              ($event.target as HTMLInputElement).checked
                ? [...p.services, service]
                : p.services.filter((x) => x !== service),
            )
          "
        />
        {{ s.name }}
      </label>
      <EditField
        label="Last tried"
        optional
        placeholder="never"
        :value="p.tested"
        :save="(v: string | null) => set(['people', id, 'tested'], v)"
      />
      <button
        type="button"
        class="plain"
        :aria-label="`Remove person ${p.name}`"
        @click="bench.edit([removed('state', 'people', id)], `no person ${p.name}`)"
      >
        remove
      </button>
    </div>
    <form class="row" @submit.prevent="addPerson">
      <label class="field">
        A role that is told
        <input v-model="typedPerson" type="text" maxlength="120" placeholder="keeper" />
      </label>
      <button type="submit" class="act" :disabled="!typedPerson.trim()">Add the person</button>
    </form>

    <h3>Quiet hours</h3>
    <div v-for="(q, id) in state.quiet" :key="id" class="row">
      <EditField label="Quiet hours" :value="q.name" :save="(v: string) => set(['quiet', id, 'name'], v)" />
      <label class="field">
        From
        <input type="time" :value="q.from" @change="set(['quiet', id, 'from'], text($event))" />
      </label>
      <label class="field">
        to
        <input type="time" :value="q.to" @change="set(['quiet', id, 'to'], text($event))" />
      </label>
      <label class="field">
        Only in
        <select value="" @change="set(['quiet', id, 'rooms'], [...q.rooms, text($event)])">
          <option value="" disabled>{{ q.rooms.length ? "one more…" : "the whole house" }}</option>
          <template v-for="(r, room) in plan.rooms" :key="room">
            <option v-if="!q.rooms.includes(room)" :value="room">{{ r.name }}</option>
          </template>
        </select>
      </label>
      <button
        v-for="room in q.rooms"
        :key="room"
        type="button"
        class="plain"
        :aria-label="`${q.name} not in ${plan.rooms[room]?.name ?? room}`"
        @click="
          set(
            ['quiet', id, 'rooms'],
            q.rooms.filter((r) => r !== room),
          )
        "
      >
        {{ plan.rooms[room]?.name ?? room }} ×
      </button>
      <EditField
        label="From month"
        numeric
        optional
        placeholder="all year"
        :value="q.fromMonth"
        :save="(v: number | null) => set(['quiet', id, 'fromMonth'], v)"
      />
      <EditField
        label="To month"
        numeric
        optional
        placeholder="all year"
        :value="q.toMonth"
        :save="(v: number | null) => set(['quiet', id, 'toMonth'], v)"
      />
      <button
        type="button"
        class="plain"
        :aria-label="`Remove quiet hours ${q.name}`"
        @click="bench.edit([removed('state', 'quiet', id)], `no quiet hours ${q.name}`)"
      >
        remove
      </button>
    </div>
    <form class="row" @submit.prevent="addQuiet">
      <label class="field">
        Quiet hours are called
        <input v-model="typedQuiet" type="text" maxlength="120" placeholder="night" />
      </label>
      <button type="submit" class="act" :disabled="!typedQuiet.trim()">Add quiet hours</button>
    </form>

    <MessagesAMonth />

    <h3>Who is told</h3>
    <QueryTrouble :trouble="trouble" />
    <label class="field">
      When this happens
      <select v-model="asked">
        <option value="">choose…</option>
        <option v-for="[id, d] in devices" :key="id" :value="id">{{ d.name }}</option>
      </select>
    </label>
    <table v-if="told">
      <caption>
        {{
          told.asked
        }}
      </caption>
      <thead>
        <tr>
          <th></th>
          <th v-for="c in told.cases" :key="c.when">{{ c.when }}</th>
        </tr>
      </thead>
      <tbody>
        <tr>
          <th scope="row">sounds</th>
          <td v-for="c in told.cases" :key="c.when">{{ c.sounds.join(", ") || "–" }}</td>
        </tr>
        <tr>
          <th scope="row">told</th>
          <td v-for="c in told.cases" :key="c.when">{{ c.people.join(", ") || "–" }}</td>
        </tr>
      </tbody>
    </table>
  </div>
</template>

<style scoped src="../panel.css"></style>
<style scoped src="../names/tables.css"></style>
<style scoped>
h3 {
  margin: 8px 0 0;
}
.row {
  align-items: end;
}
.check {
  display: flex;
  gap: 4px;
  align-items: center;
}
</style>
