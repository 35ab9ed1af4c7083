<script setup lang="ts">
import { computed, reactive, ref, watch } from "vue";
import { answer, api, patiently, problemOf } from "../../api/client";
import QueryTrouble from "../../app/QueryTrouble.vue";
import { usePlanQuery } from "../../app/useQuery";
import { command } from "../../plan/commands";
import { useBench } from "../../plan/store";

/** Templates placed in rooms, many at once; what stands in a room kept as a template of one's own. */
const bench = useBench();
const plan = computed(() => bench.plan!);
const {
  answer: found,
  trouble,
  again,
} = usePlanQuery((id, signal) =>
  answer(api.GET("/api/plans/{id}/room-sets", { params: { path: { id } }, signal })),
);
const rooms = computed(() =>
  Object.entries(plan.value.rooms).map(([id, r]) => ({
    id,
    name: r.name,
    floor: plan.value.floors[r.floor]!.name,
    things: Object.values(plan.value.devices).filter((d) => d.place?.room === id).length,
  })),
);
/** The template chosen for each room, by the room's id; none where nothing is. */
const wanted = reactive<Record<string, string>>({});
const chosen = reactive(new Set<string>());
// what suits a room is chosen for it until a person chooses
watch(
  () => found.value?.suggested,
  (suggested) => {
    for (const { id } of rooms.value) if (!chosen.has(id)) wanted[id] = suggested?.[id] ?? "";
  },
);
const own = ref("own");
const placings = computed(() =>
  rooms.value.flatMap((r) => (wanted[r.id] ? [{ room: r.id, set: wanted[r.id]! }] : [])),
);
async function place() {
  if (await command("place-room-set", { placings: placings.value, own: own.value === "own" })) chosen.clear();
}

const kept = reactive({ room: "", name: "" });
const keeping = ref<string | null>(null);
const done = ref<string | null>(null);
async function keep() {
  keeping.value = done.value = null;
  try {
    const made = await answer(
      api.POST("/api/plans/{id}/room-sets", {
        params: { path: { id: bench.id } },
        body: { room: kept.room, name: kept.name },
      }),
    );
    done.value = `${made.name} is kept: ${made.things}.`;
    kept.name = "";
    await again();
  } catch (e) {
    keeping.value = e instanceof Error ? e.message : String(e);
  }
}
async function remove(id: string) {
  keeping.value = null;
  const response = await patiently(`/api/room-sets/${id}`, { method: "DELETE" }).catch(() => null);
  if (!response?.ok)
    keeping.value = problemOf(response?.status ?? 0, await response?.json().catch(() => null)).message;
  await again();
}
</script>

<template>
  <QueryTrouble :trouble="trouble" />
  <div v-if="found" class="panel-body">
    <p v-if="!rooms.length" class="quiet">Draw or type rooms at Site first: a template is placed in rooms.</p>
    <form v-else @submit.prevent="place">
      <table>
        <caption class="unseen">
          Template for each room
        </caption>
        <thead>
          <tr>
            <th>Room</th>
            <th>Floor</th>
            <th class="number">Devices now</th>
            <th>Template</th>
            <th>What it brings</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="r in rooms" :key="r.id">
            <th scope="row">{{ r.name }}</th>
            <td>{{ r.floor }}</td>
            <td class="number">{{ r.things || "none" }}</td>
            <td>
              <select
                v-model="wanted[r.id]"
                :aria-label="`Template for ${r.name}`"
                @change="chosen.add(r.id)"
              >
                <option value="">none</option>
                <option v-for="t in found.templates" :key="t.id" :value="t.id">
                  {{ t.name }}{{ t.own ? " (own)" : "" }}
                </option>
              </select>
            </td>
            <td class="quiet">{{ found.templates.find((t) => t.id === wanted[r.id])?.things }}</td>
          </tr>
        </tbody>
      </table>
      <div class="row bar">
        <fieldset class="row">
          <legend>Devices come</legend>
          <label class="tick"
            ><input v-model="own" type="radio" value="own" /> each with a radio of its own</label
          >
          <label class="tick"
            ><input v-model="own" type="radio" value="wired" /> for controllers that are chosen later</label
          >
        </fieldset>
        <button type="submit" class="act" :disabled="!placings.length">
          Place {{ placings.length === 1 ? "1 template" : `${placings.length} templates` }}
        </button>
      </div>
    </form>
    <form v-if="rooms.some((r) => r.things)" class="row" @submit.prevent="keep">
      <label class="field">
        Keep as a template what stands in
        <select v-model="kept.room" required>
          <option value="" disabled>choose a room</option>
          <option v-for="r in rooms.filter((o) => o.things)" :key="r.id" :value="r.id">{{ r.name }}</option>
        </select>
      </label>
      <label class="field grow"
        >Called<input v-model="kept.name" required maxlength="120" placeholder="guest room"
      /></label>
      <button type="submit" class="soft">Keep template</button>
    </form>
    <p v-if="done" role="status" class="quiet">{{ done }}</p>
    <p v-if="keeping" role="alert" class="bad">{{ keeping }}</p>
    <section v-if="found.templates.some((t) => t.own)" aria-labelledby="own-templates">
      <h3 id="own-templates">Own templates</h3>
      <p class="quiet">They serve every plan here; a plan that used one does not change when it goes.</p>
      <ul>
        <li v-for="t in found.templates.filter((o) => o.own)" :key="t.id">
          {{ t.name }} <span class="quiet">{{ t.things }}</span>
          <button type="button" class="plain" :aria-label="`Remove template ${t.name}`" @click="remove(t.id)">
            Remove
          </button>
        </li>
      </ul>
    </section>
  </div>
</template>

<style scoped src="../panel.css"></style>
<style scoped>
th[scope="row"] {
  font-weight: 400;
  text-align: left;
}
.bar {
  margin-top: 10px;
  align-items: center;
}
ul {
  margin: 4px 0 0;
  padding-left: 18px;
}
li .plain {
  margin-left: 8px;
}
</style>
