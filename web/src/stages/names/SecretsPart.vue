<script setup lang="ts">
import { computed } from "vue";
import { answer, api, type Schemas } from "../../api/client";
import EditField from "../../app/EditField.vue";
import FigureButton from "../../app/FigureButton.vue";
import QueryTrouble from "../../app/QueryTrouble.vue";
import { choice, yesNo } from "../../app/typed";
import { usePlanQuery } from "../../app/useQuery";
import { shown } from "../../drawing/marks";
import { added } from "../../plan/patch";
import { pointer } from "../../plan/pointers";
import { useBench } from "../../plan/store";
import OpenedPorts from "./OpenedPorts.vue";
import PassphraseStrength from "./PassphraseStrength.vue";

/** The secrets of the house: which there are, where they are, what is known of them; never what they are. */
const bench = useBench();
const plan = computed(() => bench.plan!);
const { answer: secrets, trouble: unanswered } = usePlanQuery((id, signal) =>
  answer(api.GET("/api/plans/{id}/names/credentials", { params: { path: { id } }, signal })),
);
type Secret = Schemas["Secret"];
type Said = Schemas["Credential"];
const today = () => new Date().toISOString().slice(0, 10);
const say = (s: Secret, said: Partial<Said>) =>
  bench.edit([added(["credentials", s.key], { ...s.said, ...said })], `what is known of the ${s.name}`);
const setState = (s: Secret, state: Said["state"]) =>
  say(s, { state, changedOn: state === "CHANGED" ? (s.said.changedOn ?? today()) : null });
/** Those of which nothing is known, as one statement: after a round of changing all of them. */
const unknown = computed(() => (secrets.value ?? []).filter((s) => s.said.state === null));
const confirmAll = () =>
  bench.edit(
    unknown.value.map((s) =>
      added(["credentials", s.key], { ...s.said, state: "CHANGED", changedOn: today() }),
    ),
    `${unknown.value.length} secrets were changed`,
  );
const strongs: Schemas["Secret"]["kind"][] = ["WIRELESS", "BROKER", "NETWORK_KEY", "TUNNEL"];
const ACCESS = {
  OPEN: "whoever is on the network",
  SHARED: "whoever knows one name and secret, the same for all",
  EACH: "each unit by a secret of its own, and only what the access list says",
} as const;
const unconfirmed = computed(() => (secrets.value ?? []).filter((s) => s.said.state !== "CHANGED").length);
const nameOf = (id: string) => plan.value.units[id]?.name ?? id;
const chosen = (s: Secret) => s.units.some((id) => bench.selection === pointer("units", id));
</script>

<template>
  <div class="panel-body">
    <QueryTrouble :trouble="unanswered" />
    <div class="row">
      <label class="field">
        At the broker may write and read
        <select
          :value="plan.network.access ?? ''"
          @change="bench.put(['network', 'access'], choice($event), 'who may write at the broker')"
        >
          <option value="">nobody said yet</option>
          <option v-for="(words, id) in ACCESS" :key="id" :value="id">{{ words }}</option>
        </select>
      </label>
    </div>
    <PassphraseStrength />
    <OpenedPorts />
    <template v-if="secrets">
      <p>
        {{ secrets.length }} secrets, {{ unconfirmed }} of them not confirmed changed.
        <span class="quiet">What they are is never typed here: say where they are written down.</span>
        <button v-if="unknown.length > 1" type="button" class="soft" @click="confirmAll">
          All {{ unknown.length }} not known were changed today
        </button>
      </p>
      <table v-if="secrets.length">
        <caption class="unseen">
          Register of credentials
        </caption>
        <thead>
          <tr>
            <th>Secret</th>
            <th class="number">Units</th>
            <th>It is, changed on</th>
            <th>Strong</th>
            <th>Written down</th>
            <th class="number">To change, h</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="s in secrets" :key="s.key" :class="{ chosen: chosen(s) }">
            <td>
              <button
                v-if="s.units.length === 1"
                type="button"
                class="plain"
                @click="bench.select(pointer('units', s.units[0]!))"
              >
                {{ s.name }}
              </button>
              <template v-else>{{ s.name }}</template>
            </td>
            <td class="number" :title="s.units.map(nameOf).join(', ')">{{ s.units.length || "–" }}</td>
            <td>
              <select
                :value="s.said.state ?? ''"
                :aria-label="`State of the ${s.name}`"
                :class="{ bad: s.said.state === 'FACTORY' }"
                @change="setState(s, choice($event))"
              >
                <option value="">not known</option>
                <option value="FACTORY">the factory's</option>
                <option value="CHANGED">changed</option>
              </select>
              <input
                v-if="s.said.state === 'CHANGED'"
                type="date"
                :value="s.said.changedOn ?? ''"
                :aria-label="`Day on which the ${s.name} was changed`"
                @change="say(s, { changedOn: choice($event) })"
              />
            </td>
            <td>
              <select
                v-if="strongs.includes(s.kind)"
                :value="s.said.strong === null ? '' : s.said.strong ? 'yes' : 'no'"
                :aria-label="`Strength of the ${s.name}`"
                @change="say(s, { strong: yesNo(choice($event)) })"
              >
                <option value="">not judged</option>
                <option value="yes">strong</option>
                <option value="no">weak</option>
              </select>
            </td>
            <td>
              <EditField
                bare
                optional
                :label="`Where the ${s.name} is written down`"
                :value="s.said.kept"
                :save="(v: string | null) => say(s, { kept: v })"
              />
            </td>
            <td class="number">
              <FigureButton :figure="s.figure" :name="`the time to change the ${s.name}`">{{
                shown(s.hours, 1)
              }}</FigureButton>
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
td:first-child {
  max-width: 230px;
  white-space: normal;
}
td select,
td input[type="date"] {
  font-size: 12px;
  padding: 3px 4px;
}
</style>
