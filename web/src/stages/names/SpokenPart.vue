<script setup lang="ts">
import { computed, ref } from "vue";
import { answer, api, type Op } from "../../api/client";
import EditField from "../../app/EditField.vue";
import QueryTrouble from "../../app/QueryTrouble.vue";
import { text } from "../../app/typed";
import { usePlanQuery, useQuery } from "../../app/useQuery";
import { shown } from "../../drawing/marks";
import { added, removed, replaced } from "../../plan/patch";
import { freeId, pointer } from "../../plan/pointers";
import { useBench } from "../../plan/store";

/** Names by which devices are spoken to: pairs that are taken for one another, and the list to be entered elsewhere. */
const bench = useBench();
const plan = computed(() => bench.plan!);
const { answer: spoken, trouble: unanswered } = usePlanQuery((id, signal) =>
  answer(api.GET("/api/plans/{id}/names/spoken", { params: { path: { id } }, signal })),
);
const LANGUAGES = { en: "English", de: "German", fr: "French" };
const language = computed(() => plan.value.language ?? "en");
const call = (device: string, name: string) =>
  bench.propose([replaced(["devices", device, "name"], name)], `call it ${name}`);
/** Other names of a device, as one writes them: by commas. */
const also = (device: string, typed: string | null) =>
  bench.put(
    ["devices", device, "alsoCalled"],
    [...new Set((typed ?? "").split(",").map((name) => name.trim()))].filter(Boolean).sort(),
    `other names of ${plan.value.devices[device]!.name}`,
  );
const others = (device: string, but: string) =>
  plan.value.devices[device]!.alsoCalled.filter((name) => name !== but).join(", ");
const groups = computed(() => Object.entries(plan.value.spokenGroups));
const newGroup = ref("");
async function addGroup() {
  const name = newGroup.value.trim();
  if (!name) return;
  const id = freeId(name, plan.value.spokenGroups);
  if (await bench.edit([added(["spokenGroups", id], { name, devices: [] })], `group ${name}`))
    newGroup.value = "";
}
const inGroup = (id: string, device: string, within: boolean) => {
  const now = plan.value.spokenGroups[id]!.devices;
  return bench.put(
    ["spokenGroups", id, "devices"],
    within ? [...now, device].sort() : now.filter((d) => d !== device),
    `group ${plan.value.spokenGroups[id]!.name}`,
  );
};
/** A list of what was entered elsewhere, held against the plan. */
const place = ref("hub");
const typed = ref("");
const asked = ref<{ place: string; table: string } | null>(null);
const { answer: drift, trouble: incomparable } = useQuery(
  () => asked.value,
  (list, signal) =>
    answer(
      api.POST("/api/plans/{id}/names/spoken/drift", {
        params: { path: { id: bench.id }, query: { place: list.place } },
        headers: { "Content-Type": "text/csv" },
        body: list.table,
        bodySerializer: (body: unknown) => body as string,
        signal,
      }),
    ),
);
const other = (device: string | null) => (device ? pointer("devices", device) : null);
</script>

<template>
  <div class="panel-body">
    <QueryTrouble :trouble="unanswered" />
    <div class="row">
      <label class="field">
        The house is spoken to in
        <select
          :value="language"
          @change="bench.put(['language'], text($event), 'language that is spoken to the house')"
        >
          <option v-for="(name, id) in LANGUAGES" :key="id" :value="id">{{ name }}</option>
          <option v-if="!(language in LANGUAGES)" :value="language">
            {{ language }}, which is not known
          </option>
        </select>
      </label>
    </div>
    <template v-if="spoken">
      <p v-if="!spoken.names.length" class="quiet">
        Nothing is planned to be spoken to. At Devices, choose “spoken” among the ways of a device.
      </p>
      <template v-else>
        <h3>Names that are taken for one another</h3>
        <p v-if="spoken.language === null" class="quiet">In this language nothing can be compared.</p>
        <p v-else-if="!spoken.clashes.length" class="quiet">
          None of {{ spoken.names.length }}: no two sound alike in {{ spoken.language }}, none lies inside
          another or is a word of command.
        </p>
        <table v-else>
          <thead>
            <tr>
              <th>Name</th>
              <th>Taken for</th>
              <th class="number">Alike</th>
              <th>Why</th>
              <th>Instead</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="c in spoken.clashes" :key="c.device + c.name">
              <td>
                <button type="button" class="plain" @click="bench.select(pointer('devices', c.device))">
                  {{ c.name }}
                </button>
              </td>
              <td>
                <button v-if="c.other" type="button" class="plain" @click="bench.select(other(c.other))">
                  {{ c.otherName }}
                </button>
                <template v-else>{{ c.otherName }}</template>
              </td>
              <td class="number">{{ c.why === "SOUND" ? `${shown(100 * c.alike, 0)} %` : "" }}</td>
              <td>{{ c.words }}</td>
              <td>
                <button v-if="c.instead" type="button" class="soft" @click="call(c.device, c.instead)">
                  Call it “{{ c.instead }}”
                </button>
                <button
                  v-else-if="c.alias"
                  type="button"
                  class="soft"
                  @click="also(c.device, others(c.device, c.name))"
                >
                  Do not call it so
                </button>
                <span v-else class="quiet">give it another name</span>
              </td>
            </tr>
          </tbody>
        </table>
        <h3>
          As it is entered in hub, bridge and service ·
          <a :href="`/api/plans/${bench.id}/names/spoken/csv`" download>List as CSV</a>
        </h3>
        <table>
          <thead>
            <tr>
              <th>Say</th>
              <th>Also called</th>
              <th>Area</th>
              <th>Asks back first</th>
            </tr>
          </thead>
          <tbody>
            <tr
              v-for="n in spoken.names.filter((name) => !name.alias)"
              :key="n.device"
              :class="{ chosen: bench.selection === pointer('devices', n.device) }"
            >
              <td>
                <button type="button" class="plain" @click="bench.select(pointer('devices', n.device))">
                  {{ n.name }}
                </button>
              </td>
              <td>
                <EditField
                  bare
                  wide
                  optional
                  placeholder="other names, by commas"
                  :label="`Other names of ${n.name}`"
                  :value="plan.devices[n.device]?.alsoCalled.join(', ') || null"
                  :save="(v: string | null) => also(n.device, v)"
                />
              </td>
              <td>{{ n.room ?? "–" }}</td>
              <td>{{ n.askedBack ? "yes: it moves, opens or guards" : "no" }}</td>
            </tr>
          </tbody>
        </table>
        <h3>Groups</h3>
        <p class="quiet">Devices that are spoken to together; a group's name is held against all others.</p>
        <div v-for="[id, g] in groups" :key="id" class="group">
          <div class="row">
            <EditField
              label="Group"
              :value="g.name"
              :save="(v: string) => bench.put(['spokenGroups', id, 'name'], v, 'name of a group')"
            />
            <label class="field">
              Add a device
              <select value="" @change="inGroup(id, text($event), true)">
                <option value="" disabled>choose…</option>
                <option
                  v-for="n in spoken.names.filter((s) => !s.alias && !g.devices.includes(s.device))"
                  :key="n.device"
                  :value="n.device"
                >
                  {{ n.name }}
                </option>
              </select>
            </label>
            <button
              type="button"
              class="plain"
              @click="bench.edit([removed('spokenGroups', id)], `no group ${g.name}`)"
            >
              No such group
            </button>
          </div>
          <p>
            <span v-for="d in g.devices" :key="d" class="member">
              {{ plan.devices[d]?.name }}
              <button
                type="button"
                class="plain"
                :aria-label="`${plan.devices[d]?.name} out of ${g.name}`"
                @click="inGroup(id, d, false)"
              >
                ×
              </button>
            </span>
            <span v-if="!g.devices.length" class="quiet">Nothing is in it yet.</span>
          </p>
        </div>
        <form class="row" @submit.prevent="addGroup">
          <label class="field">
            A new group
            <input v-model="newGroup" type="text" maxlength="120" placeholder="all lamps upstairs" />
          </label>
          <button type="submit" class="soft" :disabled="!newGroup.trim()">Add it</button>
        </form>
        <h3>As it was entered elsewhere</h3>
        <div class="row">
          <label class="field">
            Where
            <input v-model="place" type="text" maxlength="120" list="places" />
          </label>
          <datalist id="places">
            <option value="hub"></option>
            <option value="phone bridge"></option>
            <option value="speech service"></option>
          </datalist>
          <label class="field grow">
            Its list of names, pasted
            <textarea v-model="typed" rows="3" spellcheck="false" placeholder="name,area"></textarea>
          </label>
          <button
            type="button"
            class="soft"
            :disabled="!typed.trim()"
            @click="asked = { place, table: typed }"
          >
            Compare
          </button>
        </div>
        <QueryTrouble :trouble="incomparable" />
        <template v-if="drift">
          <p>
            {{ drift.found.filter((f) => f.same).length }} are called as in the plan.
            <template v-if="drift.missing.length">
              Not entered there:
              {{
                drift.missing
                  .map((id) => plan.devices[id]?.name ?? id)
                  .slice(0, 12)
                  .join(", ")
              }}.
            </template>
            <template v-if="drift.strange.length">
              Of no device: {{ drift.strange.slice(0, 12).join(", ") }}.
            </template>
          </p>
          <table v-if="drift.found.some((f) => !f.same)">
            <thead>
              <tr>
                <th>There</th>
                <th>Here</th>
              </tr>
            </thead>
            <tbody>
              <tr v-for="f in drift.found.filter((e) => !e.same)" :key="f.device">
                <td>{{ f.there }}</td>
                <td>
                  <button type="button" class="plain" @click="bench.select(pointer('devices', f.device))">
                    {{ f.here }}
                  </button>
                </td>
              </tr>
            </tbody>
          </table>
          <button
            v-if="drift.edits.length"
            type="button"
            class="soft"
            @click="bench.edit(drift.edits as Op[], `names as entered in ${asked!.place}`)"
          >
            Keep what is entered there, so that it is watched
          </button>
        </template>
      </template>
    </template>
  </div>
</template>

<style scoped src="../panel.css"></style>
<style scoped src="./tables.css"></style>
<style scoped>
.member {
  margin-right: 12px;
}
.group p {
  margin: 4px 0 0;
}
textarea {
  width: 100%;
  font-family: var(--mono, monospace);
  font-size: 12px;
}
</style>
