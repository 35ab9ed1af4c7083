<script setup lang="ts">
import { computed, ref, watch } from "vue";
import { answer, api, type Op, type Schemas } from "../../api/client";
import EditField from "../../app/EditField.vue";
import QueryTrouble from "../../app/QueryTrouble.vue";
import { choice, text } from "../../app/typed";
import { usePlanQuery } from "../../app/useQuery";
import { added, removed } from "../../plan/patch";
import { freeId, pointer } from "../../plan/pointers";
import { useBench } from "../../plan/store";

/** Control screens: the tiles of each wall tablet and phone, made by room, changed by hand, judged and given out. */
type Screen = Schemas["Screen"];
type Tile = Schemas["Tile"];
const bench = useBench();
const plan = computed(() => bench.plan!);
const screens = computed(() => plan.value.state.screens);
const { answer: states, trouble } = usePlanQuery((id, signal) =>
  answer(api.GET("/api/plans/{id}/screens", { params: { path: { id } }, signal })),
);
const chosen = ref("");
watch(
  screens,
  (all) => {
    if (!(chosen.value in all)) chosen.value = Object.keys(all)[0] ?? "";
  },
  { immediate: true },
);
const screen = computed(() => screens.value[chosen.value]);
const state = computed(() => states.value?.find((s) => s.screen === chosen.value));
/** Tiles with their places, room by room; the answer is that to the tiles of now or of a moment ago. */
const groups = computed(() => {
  const all = new Map<string, { at: number; state: Schemas["TileState"] }[]>();
  state.value?.tiles.forEach((t, at) => all.set(t.group, [...(all.get(t.group) ?? []), { at, state: t }]));
  return [...all];
});
const tablets = computed(() => Object.entries(plan.value.units).filter(([, u]) => u.kind === "WALL_TABLET"));
const made = (rooms: string[]) =>
  answer(
    api.GET("/api/plans/{id}/screens/made", {
      params: { path: { id: bench.id }, query: { rooms } },
    }),
  );
const typedName = ref("");
async function add() {
  const name = typedName.value.trim();
  if (!name) return;
  await bench.guarded(async () => {
    const fresh: Screen = { name, unit: null, person: null, rooms: [], tiles: await made([]) };
    const id = freeId(name, screens.value);
    if (await bench.edit([added(["state", "screens", id], fresh)], `screen ${name}`)) {
      typedName.value = "";
      chosen.value = id;
    }
  });
}
const put = (said: Partial<Screen>) =>
  bench.edit(
    Object.entries(said).map(
      ([key, value]) =>
        ({ op: "replace", path: pointer("state", "screens", chosen.value, key), value }) as Op,
    ),
    `screen ${screen.value!.name}`,
  );
/** On what it is shown: a tablet, the phone of a person, or any phone. */
const shownOn = computed(() =>
  screen.value?.unit
    ? `unit ${screen.value.unit}`
    : screen.value?.person
      ? `person ${screen.value.person}`
      : "",
);
const showOn = (said: string | null) => {
  const [what, id] = said?.split(" ") ?? [];
  return put({ unit: what === "unit" ? id! : null, person: what === "person" ? id! : null });
};
/** Other rooms ask for other tiles: they are made anew. */
async function room(id: string, on: boolean) {
  const rooms = on ? [...screen.value!.rooms, id] : screen.value!.rooms.filter((r) => r !== id);
  await bench.guarded(async () => {
    await put({ rooms, tiles: await made(rooms) });
  });
}
const tiles = (all: Tile[]) => put({ tiles: all });
const tile = (at: number, said: Partial<Tile>) =>
  tiles(screen.value!.tiles.map((t, i) => (i === at ? { ...t, ...said } : t)));
const drop = (at: number) => tiles(screen.value!.tiles.filter((_, i) => i !== at));
/** One place earlier within its room. */
function earlier(at: number, group: { at: number }[]) {
  const before = group[group.findIndex((g) => g.at === at) - 1];
  if (!before) return;
  const all = [...screen.value!.tiles];
  [all[before.at], all[at]] = [all[at]!, all[before.at]!];
  return tiles(all);
}
const unread = ref<string | null>(null);
async function read(event: Event) {
  const input = event.target as HTMLInputElement;
  const file = input.files?.[0];
  if (!file) return;
  unread.value = null;
  try {
    if (file.size > 1_000_000) throw new Error("it is larger than 1 MB");
    const said = JSON.parse(await file.text()) as { format?: string; screen?: Screen };
    if (said.format !== "skelto-screen/1" || !said.screen) throw new Error("it is no control screen");
    const id = freeId(String(said.screen.name), screens.value);
    if (await bench.edit([added(["state", "screens", id], said.screen)], "a control screen"))
      chosen.value = id;
  } catch (e) {
    unread.value = `${file.name} was not read: ${e instanceof Error ? e.message : String(e)}`;
  } finally {
    input.value = "";
  }
}
</script>

<template>
  <div class="panel-body">
    <QueryTrouble :trouble="trouble" />
    <form class="row" @submit.prevent="add">
      <label class="field">
        A new screen is called
        <input v-model="typedName" type="text" maxlength="120" placeholder="Hall tablet" />
      </label>
      <button type="submit" class="act" :disabled="!typedName.trim()">Add a screen</button>
      <label class="field">
        or from a file
        <input type="file" accept=".json,application/json" @change="read" />
      </label>
    </form>
    <p v-if="unread" role="alert" class="bad">{{ unread }}</p>
    <p v-if="!screen" class="quiet">
      A control screen is what people work the house with: a wall tablet, or a phone. Its tiles are made room
      by room from what a home app is planned for.
    </p>
    <template v-else>
      <label v-if="Object.keys(screens).length > 1" class="field narrow">
        Screen
        <select v-model="chosen">
          <option v-for="(s, id) in screens" :key="id" :value="id">{{ s.name }}</option>
        </select>
      </label>
      <div class="row">
        <EditField label="Screen" :value="screen.name" :save="(v: string) => put({ name: v })" />
        <label class="field">
          Shown on
          <select :value="shownOn" @change="showOn(choice($event))">
            <option value="">a phone</option>
            <option v-for="[id, u] in tablets" :key="id" :value="`unit ${id}`">{{ u.name }}</option>
            <option v-for="(p, id) in plan.state.people" :key="id" :value="`person ${id}`">
              phone of {{ p.name }}
            </option>
            <option v-if="screen.unit && !(screen.unit in plan.units)" :value="`unit ${screen.unit}`">
              {{ screen.unit }}, which is gone
            </option>
          </select>
        </label>
        <label class="field">
          For one more room
          <select value="" @change="room(text($event), true)">
            <option value="" disabled>{{ screen.rooms.length ? "choose…" : "the whole house" }}</option>
            <template v-for="(r, id) in plan.rooms" :key="id">
              <option v-if="!screen.rooms.includes(id)" :value="id">{{ r.name }}</option>
            </template>
          </select>
        </label>
        <button
          v-for="r in screen.rooms"
          :key="r"
          type="button"
          class="plain"
          :aria-label="`Not for ${plan.rooms[r]?.name ?? r}`"
          @click="room(r, false)"
        >
          {{ plan.rooms[r]?.name ?? r }} ×
        </button>
      </div>
      <div class="row">
        <a :href="`/api/plans/${bench.id}/screens/${chosen}/file`" download>As a file</a>
        <a :href="`/api/plans/${bench.id}/screens/${chosen}/card`" download>As a card to print</a>
        <button
          type="button"
          class="plain"
          @click="bench.edit([removed('state', 'screens', chosen)], `no screen ${screen.name}`)"
        >
          Remove it
        </button>
      </div>
      <p v-if="!screen.tiles.length" class="quiet">
        It has no tiles yet: tick <i>home app</i> for what it is to work, in Devices, and put it on here.
      </p>
      <section v-for="[group, all] in groups" :key="group" class="group" :aria-label="group">
        <h3>{{ group }}</h3>
        <div
          v-for="g in all"
          :key="`${g.state.tile.kind} ${g.state.tile.of}`"
          class="tile"
          :class="{ wrong: g.state.broken !== null }"
        >
          <EditField
            bare
            :label="`What stands on the tile ${g.state.label}`"
            :value="g.state.label"
            optional
            :save="(v: string | null) => tile(g.at, { label: v })"
          />
          <label class="check">
            <input
              type="checkbox"
              :checked="g.state.tile.confirm"
              @change="tile(g.at, { confirm: ($event.target as HTMLInputElement).checked })"
            />
            asks first
          </label>
          <p v-if="g.state.dangerous" class="bad">acts on one press</p>
          <p v-if="g.state.broken" class="bad">{{ g.state.broken }}</p>
          <div>
            <button
              v-if="g.at !== all[0]!.at"
              type="button"
              class="plain"
              :aria-label="`${g.state.label} earlier`"
              @click="earlier(g.at, all)"
            >
              earlier
            </button>
            <button
              v-if="g.state.tile.kind !== 'MODE'"
              type="button"
              class="plain"
              :aria-label="`Show ${g.state.label}`"
              @click="
                bench.select(pointer(g.state.tile.kind === 'RULE' ? 'rules' : 'devices', g.state.tile.of))
              "
            >
              show
            </button>
            <button type="button" class="plain" :aria-label="`Take ${g.state.label} off`" @click="drop(g.at)">
              off
            </button>
          </div>
        </div>
      </section>
      <p v-if="state?.missing.length" class="missing">
        Not on it: {{ state.missingNames.slice(0, 8).join(", ") }}
        <template v-if="state.missing.length > 8"> and {{ state.missing.length - 8 }} more</template>.
        <button type="button" class="act" @click="tiles([...screen.tiles, ...state!.missing])">
          Put {{ state.missing.length === 1 ? "it" : "them" }} on
        </button>
      </p>
    </template>
  </div>
</template>

<style scoped src="../panel.css"></style>
<style scoped>
.group {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
}
.group h3 {
  flex: 1 0 100%;
  margin: 6px 0 0;
}
.tile {
  width: 190px;
  border: 1px solid var(--line);
  border-left: 4px solid var(--copper);
  background: var(--sheet);
  padding: 6px 8px;
  font-size: 13px;
}
.tile.wrong {
  border-left-color: var(--unsafe);
}
.tile button {
  min-width: 24px;
  min-height: 26px;
  margin-right: 6px;
}
.tile p {
  margin: 2px 0;
}
.tile :deep(input[type="text"]) {
  width: 100%;
}
.check {
  min-height: 32px;
  display: flex;
  gap: 4px;
  align-items: center;
}
.narrow {
  max-width: 220px;
}
</style>
