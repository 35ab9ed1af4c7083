<script setup lang="ts">
import { computed } from "vue";
import { answer, api } from "../../api/client";
import EditField from "../../app/EditField.vue";
import QueryTrouble from "../../app/QueryTrouble.vue";
import { text } from "../../app/typed";
import { usePlanQuery } from "../../app/useQuery";
import { shown } from "../../drawing/marks";
import { replaced } from "../../plan/patch";
import { pointer } from "../../plan/pointers";
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
      </template>
    </template>
  </div>
</template>

<style scoped src="../panel.css"></style>
<style scoped src="./tables.css"></style>
