<script setup lang="ts">
import { computed, ref, watch } from "vue";
import { answer, api, type Op, type Schemas } from "../../api/client";
import QueryTrouble from "../../app/QueryTrouble.vue";
import { useQuery } from "../../app/useQuery";
import { removed } from "../../plan/patch";
import { pointer, thingOf } from "../../plan/pointers";
import { useBench } from "../../plan/store";

/** Another name of a thing: what changes all over the house, before it changes; old topics stay until a day. */
const bench = useBench();
const plan = computed(() => bench.plan!);
const ROOT = "/network/topicRoot";
const LEVELS = "/network/topicLevels";
type Level = Schemas["Network"]["topicLevels"][number];
const LEVEL_WORDS: Record<Level, string> = {
  BUILDING: "building",
  FLOOR: "floor",
  ROOM: "room",
  KIND: "kind",
  DEVICE: "device",
};
const CHOICES = Object.keys(LEVEL_WORDS).filter((l) => l !== "DEVICE") as Level[];
const MAPS = {
  rooms: "Rooms",
  devices: "Devices",
  units: "Units",
  spots: "Outdoors",
  floors: "Floors",
  buildings: "Buildings",
} as const;
type MapName = keyof typeof MAPS;
const things = computed(() =>
  (Object.keys(MAPS) as MapName[])
    .map((map) => ({
      map,
      label: MAPS[map],
      all: Object.entries(plan.value[map])
        .map(([id, thing]) => ({ at: pointer(map, id), name: thing.name }))
        .sort((a, b) => a.name.localeCompare(b.name, undefined, { numeric: true })),
    }))
    .filter((group) => group.all.length),
);
const thing = ref(ROOT);
/** What is selected on the drawing is what is renamed. */
watch(
  () => bench.selection,
  (selection) => {
    const [map, id] = thingOf(selection) ?? [];
    if (selection && map && id && map in MAPS && id in plan.value[map as MapName]) thing.value = selection;
  },
  { immediate: true },
);
const from = computed(() => {
  const [map, id] = thingOf(thing.value) ?? [];
  return thing.value === LEVELS
    ? ""
    : thing.value === ROOT
      ? plan.value.network.topicRoot
      : ((map && id && plan.value[map as MapName]?.[id]?.name) ?? "");
});
const name = ref("");
/** Levels before the device, from the root on; an empty one is none. */
const levels = ref<(Level | "")[]>([]);
watch(
  thing,
  () => {
    name.value = "";
    const now = plan.value.network.topicLevels.filter((l) => l !== "DEVICE");
    levels.value = [...(now.length ? now : (["BUILDING", "ROOM"] as Level[])), "", "", "", ""].slice(
      0,
      4,
    ) as Level[];
  },
  { immediate: true },
);
watch(
  levels,
  (now) => {
    if (thing.value === LEVELS) name.value = [...now.filter(Boolean), "DEVICE"].join(",");
  },
  { deep: true },
);
const DAYS = 90;
const day = (ms: number) => new Date(ms).toISOString().slice(0, 10);
const today = day(Date.now());
const keep = ref(true);
const until = ref(day(Date.now() + DAYS * 86_400_000));

const { answer: renaming, trouble } = useQuery(
  () =>
    name.value.trim() && name.value.trim() !== from.value
      ? { thing: thing.value, name: name.value, ...(keep.value ? { until: until.value } : {}) }
      : null,
  (query, signal) =>
    answer(api.GET("/api/plans/{id}/names/renaming", { params: { path: { id: bench.id }, query }, signal })),
);
const PARTS: Record<Schemas["NameChange"]["part"], string> = {
  NAME: "Its name",
  TOPIC: "Topics, with all messages under them",
  SPOKEN: "What is said to it",
  CONTROLLER: "Controllers that must be given their file anew",
  LISTENER: "Who listens to these topics",
  RULE: "Rules that name it",
  PRINT: "Labels and sheets to print anew",
};
const groups = computed(() =>
  (Object.keys(PARTS) as Schemas["NameChange"]["part"][])
    .map((part) => ({ part, changes: (renaming.value?.changes ?? []).filter((c) => c.part === part) }))
    // the levels of topics have no name of their own
    .filter((group) => group.changes.length && !(group.part === "NAME" && thing.value === LEVELS)),
);
async function rename() {
  const now = renaming.value;
  if (now && (await bench.edit(now.edits as Op[], now.label))) name.value = "";
}

const aliases = computed(() =>
  Object.entries(plan.value.devices).flatMap(([id, d]) =>
    Object.entries(d.aliases).map(([topic, until]) => ({
      id,
      name: d.name,
      topic,
      until,
      ended: until < today,
    })),
  ),
);
const ended = computed(() => aliases.value.filter((a) => a.ended));
const forget = (those: { id: string; topic: string }[]) =>
  bench.edit(
    those.map((a) => removed("devices", a.id, "aliases", a.topic)),
    those.length === 1 ? "forget an old topic" : `forget ${those.length} old topics`,
  );
</script>

<template>
  <div class="panel-body">
    <div class="row">
      <label class="field">
        What
        <select v-model="thing">
          <option :value="ROOT">The root of all topics</option>
          <option :value="LEVELS">The levels of all topics</option>
          <optgroup v-for="g in things" :key="g.map" :label="g.label">
            <option v-for="t in g.all" :key="t.at" :value="t.at">{{ t.name }}</option>
          </optgroup>
        </select>
      </label>
      <fieldset v-if="thing === LEVELS" class="levels">
        <legend>Levels of a topic</legend>
        <code>{{ plan.network.topicRoot }}</code>
        <template v-for="i in levels.length" :key="i"
          >/
          <select v-model="levels[i - 1]" :aria-label="`Level ${i}`">
            <option value="">none</option>
            <option v-for="l in CHOICES" :key="l" :value="l">{{ LEVEL_WORDS[l] }}</option>
          </select> </template
        >/ device
      </fieldset>
      <label v-else class="field">
        Called “{{ from }}” now, then
        <input v-model="name" type="text" maxlength="120" :placeholder="from" @keydown.enter="rename" />
      </label>
      <label class="field check">
        <span><input v-model="keep" type="checkbox" /> Answer to old topics until</span>
        <input v-model="until" type="date" :min="today" :disabled="!keep" aria-label="Until which day" />
      </label>
      <button type="button" class="act" :disabled="!renaming?.edits.length" @click="rename">
        Rename now
      </button>
    </div>
    <QueryTrouble :trouble="trouble" />
    <p v-if="!renaming" class="quiet">
      Type another name to see everything that it changes. Nothing changes before “Rename now”. A thing chosen
      on the drawing is chosen here.
    </p>
    <template v-else>
      <p>
        {{ renaming.changes.length }} {{ renaming.changes.length === 1 ? "change" : "changes" }}.
        <template v-if="renaming.keptTopics">
          {{ renaming.keptTopics }} {{ renaming.keptTopics === 1 ? "topic does" : "topics do" }} not follow
          the rule and {{ renaming.keptTopics === 1 ? "stays" : "stay" }} as given.
        </template>
      </p>
      <section v-for="g in groups" :key="g.part" class="group">
        <h3>{{ PARTS[g.part] }} · {{ g.changes.length }}</h3>
        <table v-if="g.changes[0]!.after !== null">
          <caption class="unseen">
            {{
              PARTS[g.part]
            }}
          </caption>
          <tbody>
            <tr v-for="c in g.changes.slice(0, 300)" :key="c.thing">
              <td class="who">
                <button type="button" class="plain" @click="bench.select(c.thing)">{{ c.name }}</button>
              </td>
              <td>
                <s>{{ c.before }}</s>
              </td>
              <td>
                <b>{{ c.after }}</b>
              </td>
            </tr>
          </tbody>
        </table>
        <p v-else class="names">
          <button
            v-for="c in g.changes.slice(0, 60)"
            :key="c.thing"
            type="button"
            class="plain"
            @click="bench.select(c.thing)"
          >
            {{ c.name }}
          </button>
        </p>
        <p v-if="g.changes.length > 300" class="quiet">and {{ g.changes.length - 300 }} more.</p>
      </section>
    </template>
    <template v-if="aliases.length">
      <h3>
        Old topics that are still answered to
        <button v-if="ended.length" type="button" class="soft" @click="forget(ended)">
          Forget {{ ended.length }} that ended
        </button>
      </h3>
      <table>
        <thead>
          <tr>
            <th>Device</th>
            <th>Old topic</th>
            <th>Until</th>
            <th></th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="a in aliases" :key="a.id + a.topic">
            <td>
              <button type="button" class="plain" @click="bench.select(pointer('devices', a.id))">
                {{ a.name }}
              </button>
            </td>
            <td>{{ a.topic }}</td>
            <td :class="{ bad: a.ended }">{{ a.until }}{{ a.ended ? ", ended" : "" }}</td>
            <td>
              <button
                type="button"
                class="soft"
                :aria-label="`Forget ${a.topic} of ${a.name}`"
                @click="forget([a])"
              >
                Forget
              </button>
            </td>
          </tr>
        </tbody>
      </table>
    </template>
  </div>
</template>

<style scoped src="../panel.css"></style>
<style scoped src="./tables.css"></style>
<style scoped>
.levels {
  border: 0;
  padding: 0;
  margin: 0;
}
.levels legend {
  font-size: 12px;
  color: var(--ink2);
  padding: 0;
}
.check span {
  margin-bottom: 5px;
  display: flex;
  gap: 6px;
  align-items: center;
}
.group {
  margin-top: 8px;
}
.who {
  width: 30%;
}
.names {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 14px;
}
s {
  color: var(--ink2);
}
</style>
