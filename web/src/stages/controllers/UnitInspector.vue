<script setup lang="ts">
import { added, removed, type FieldOf, type ValueOf } from "../../plan/patch";
import { computed } from "vue";
import { answer, api, type Unit } from "../../api/client";
import EditField from "../../app/EditField.vue";
import { choice, text, yesNo } from "../../app/typed";
import { UNIT_WORDS, words } from "../../drawing/marks";
import { pointer } from "../../plan/pointers";
import { command } from "../../plan/commands";
import { useBench } from "../../plan/store";
import { alone, carries as ofDevices, drives as ofTerminals, is } from "../../plan/units";
import ChoiceBox from "../../table/ChoiceBox.vue";
import PlaceFields from "../PlaceFields.vue";
import BoardPart from "./BoardPart.vue";
import HearingPart from "./HearingPart.vue";
import PowerFields from "./PowerFields.vue";
import { RADIO_IDS, RADIOS, type RadioMedium } from "./media";
import RadioFields from "./RadioFields.vue";

/** Everything that can be said of one unit. */
const props = defineProps<{ id: string; unit: Unit }>();
const bench = useBench();
const plan = computed(() => bench.plan!);
const ticked = (event: Event) => (event.target as HTMLInputElement).checked;
const mediumName = (id: string) => bench.catalog!.media.find((m) => m.id === id)?.name ?? words(id);
const hubs = computed(() => Object.entries(plan.value.units).filter(([, u]) => is(u, "HUB")));
const drives = computed(() => ofTerminals(props.unit));
const carries = computed(() => ofDevices(props.unit));
const ends = computed(() => carries.value || alone(props.unit));
const ROLES = [
  "CONTROLLER",
  "ROUTER",
  "SWITCH",
  "ACCESS_POINT",
  "GATEWAY",
  "HUB",
  "PANEL",
  "WALL_TABLET",
  "ASSISTANT",
  "RECORDER",
] as const;
const setRole = (role: Unit["kind"], on: boolean) => {
  const roles = (props.unit.roles ?? []).filter((r) => r !== role);
  return set("roles", on ? [...roles, role] : roles.length ? roles : null);
};
const far = computed(() =>
  Object.values(props.unit.radios).some((r) => ["CHIRP", "SUB_GHZ"].includes(r.medium)),
);
/** Kinds of parts that a unit can be made of. */
const MADE_OF: Partial<Record<Unit["kind"], string[]>> = {
  CONTROLLER: ["BOARD", "POWER_LINE"],
  PANEL: ["PANEL"],
  HUB: ["HUB_COMPUTER", "BOARD"],
  ROUTER: ["NETWORK_BOX"],
  ACCESS_POINT: ["NETWORK_BOX"],
  GATEWAY: ["NETWORK_BOX"],
  RECORDER: ["NETWORK_BOX"],
  KEYPAD: ["CONTROL_POINT"],
  HANDSET: ["CONTROL_POINT"],
  WALL_TABLET: ["CONTROL_POINT"],
  ASSISTANT: ["CONTROL_POINT"],
  CAMERA: ["CONTROL_POINT"],
  INFRARED_SENDER: ["CONTROL_POINT"],
  COUPLER: ["NETWORK_BOX"],
  SWITCH: ["SWITCH"],
  SUPPLY: ["SUPPLY", "CONVERTER", "REGULATOR", "BACKUP"],
};
const madeOf = computed(() => MADE_OF[props.unit.kind] ?? []);
const trouble = computed(() => bench.shown?.troubles[props.id]);

const label = (what: string) => `${what} of ${props.unit.name}`;
const setWireless = (field: "name" | "segment" | "joins", value: string | null) =>
  set("wireless", { name: null, segment: null, joins: null, ...props.unit.wireless, [field]: value });
const wifi = computed(() => Object.values(props.unit.radios).some((r) => r.medium.startsWith("WIFI")));
const offers = computed(() => is(props.unit, "ACCESS_POINT") || (is(props.unit, "ROUTER") && wifi.value));
const networks = computed(() => [
  ...new Set(Object.values(plan.value.units).flatMap((u) => (u.wireless?.name ? [u.wireless.name] : []))),
]);
const set = <F extends FieldOf<"units">>(field: F, value: ValueOf<"units", F>) =>
  bench.put<["units", string, F]>(["units", props.id, field], value, label(words(field)));
/** A value below a radio of the unit, by its field. */
const setRadio = (radio: string, field: string, value: unknown) =>
  bench.edit(
    [{ op: "replace", path: `${pointer("units", props.id, "radios", radio)}/${field}`, value }],
    label(words(field.split("/").pop()!).replace(/(m|db|dbm|dbi)?(hz|m)?$/, "")),
  );

async function addRadio(event: Event) {
  const medium = text(event) as RadioMedium | "";
  (event.target as HTMLSelectElement).value = "";
  if (!medium) return;
  await bench.guarded(async () => {
    const query = { medium, region: plan.value.region, kind: props.unit.kind };
    const value = await answer(api.GET("/api/catalog/radio", { params: { query } }));
    await bench.edit([added(["units", props.id, "radios", RADIO_IDS[medium]], value)], label("radio"));
  });
}
const removeRadio = (radio: string) =>
  bench.edit([removed("units", props.id, "radios", radio)], label("remove radio"));
const missing = computed(() =>
  RADIOS.filter((m) => !Object.values(props.unit.radios).some((r) => r.medium === m)),
);

const devices = computed(() => Object.entries(plan.value.devices).filter(([, d]) => d.unit === props.id));
const loose = computed<[string, string][]>(() =>
  Object.entries(plan.value.devices)
    .filter(([, d]) => d.unit === null)
    .map(([device, d]) => [device, d.name]),
);
const attach = (id: string) =>
  command("attach", { devices: [id], unit: props.id }, `attach ${plan.value.devices[id]!.name}`);
const detach = (id: string) =>
  command("attach", { devices: [id], unit: null }, `detach ${plan.value.devices[id]!.name}`);

const remove = () => command("remove", { units: [props.id], devices: [] });
</script>

<template>
  <section class="inspect" aria-label="Selected unit">
    <h3>
      {{ unit.name }} <span class="quiet">{{ UNIT_WORDS[unit.kind] }}</span>
    </h3>
    <p v-if="trouble" class="bad">{{ trouble.dark ? "Dark" : "Cut off" }}: {{ trouble.why }}</p>
    <div class="row">
      <EditField label="Name" :value="unit.name" :save="(v: string) => set('name', v)" />
      <PlaceFields :path="pointer('units', id)" :holder="pointer('units', id, 'place')" />
    </div>
    <div class="row">
      <EditField
        v-if="carries && !unit.boards"
        label="Channels"
        numeric
        :value="unit.channels"
        :save="(v: number) => set('channels', v)"
      />
      <EditField
        v-if="offers"
        label="Clients at most"
        numeric
        :value="unit.maxClients"
        :save="(v: number) => set('maxClients', v)"
      />
      <label class="field">
        Made for
        <select :value="unit.rating ?? ''" @change="set('rating', choice($event))">
          <option value="">not known</option>
          <option v-for="r in ['DRY', 'DAMP', 'OUTDOOR', 'FREEZING']" :key="r" :value="r">
            {{ words(r) }} places
          </option>
        </select>
      </label>
      <label v-if="wifi && !offers" class="field">
        Joins the network
        <select :value="unit.wireless?.joins ?? ''" @change="setWireless('joins', choice($event))">
          <option value="">of the access points it is linked to</option>
          <option v-for="name in networks" :key="name">{{ name }}</option>
          <option v-if="unit.wireless?.joins && !networks.includes(unit.wireless.joins)">
            {{ unit.wireless.joins }}
          </option>
        </select>
      </label>
      <template v-if="offers">
        <EditField
          label="Wireless name"
          optional
          :value="unit.wireless?.name"
          :save="(v: string | null) => setWireless('name', v)"
        />
        <EditField
          label="Network segment"
          optional
          placeholder="the house's own"
          :value="unit.wireless?.segment"
          :save="(v: string | null) => setWireless('segment', v)"
        />
      </template>
      <label v-if="ends" class="field">
        Served by
        <select :value="unit.hub ?? ''" @change="set('hub', choice($event))">
          <option value="">no hub</option>
          <option v-for="[hub, h] in hubs" :key="hub" :value="hub">{{ h.name }}</option>
        </select>
      </label>
      <label v-if="is(unit, 'HUB')" class="tick">
        <input type="checkbox" :checked="unit.broker" @change="set('broker', ticked($event))" />
        carries the broker
      </label>
      <label v-if="is(unit, 'ROUTER') || is(unit, 'HUB')" class="tick">
        <input type="checkbox" :checked="unit.internetEntry" @change="set('internetEntry', ticked($event))" />
        internet entry
      </label>
      <label v-if="is(unit, 'HUB')" class="tick">
        <input type="checkbox" :checked="unit.bridges ?? false" @change="set('bridges', ticked($event))" />
        passes on what comes over Ethernet
      </label>
      <label v-if="is(unit, 'ROUTER') || is(unit, 'HUB')" class="tick">
        <input type="checkbox" :checked="unit.tunnel ?? false" @change="set('tunnel', ticked($event))" />
        a tunnel from outside ends on it
      </label>
      <label v-if="ends && unit.hub" class="tick">
        <input
          type="checkbox"
          :checked="unit.talks === 'REQUEST'"
          @change="set('talks', ticked($event) ? 'REQUEST' : null)"
        />
        asked directly, without the broker
      </label>
      <label v-if="far" class="tick">
        <input type="checkbox" :checked="unit.relays ?? false" @change="set('relays', ticked($event))" />
        relays what it hears over long range
      </label>
      <EditField
        v-if="!is(unit, 'ROUTER') && unit.kind !== 'SUPPLY' && unit.kind !== 'COUPLER'"
        label="Address lent for, h"
        numeric
        optional
        placeholder="fixed"
        :value="unit.leaseH"
        :save="(v: number | null) => set('leaseH', v)"
      />
      <EditField
        v-if="unit.kind !== 'COUPLER'"
        label="Starts in, s"
        numeric
        optional
        placeholder="typical"
        :value="unit.startS"
        :save="(v: number | null) => set('startS', v)"
      />
      <label v-if="unit.hub || is(unit, 'HUB')" class="field">
        When what it needs is not there yet
        <select
          :value="unit.asksAgain === null ? '' : unit.asksAgain ? 'yes' : 'no'"
          @change="set('asksAgain', yesNo(choice($event)))"
        >
          <option value="">nobody said</option>
          <option value="yes">it asks again</option>
          <option value="no">it gives up</option>
        </select>
      </label>
    </div>
    <details class="roles" :open="!!unit.roles?.length">
      <summary>
        Also is<template v-if="unit.roles?.length"
          >: {{ unit.roles.map((r) => UNIT_WORDS[r]).join(", ") }}</template
        >
      </summary>
      <div class="row">
        <label v-for="r in ROLES.filter((k) => k !== unit.kind)" :key="r" class="tick">
          <input
            type="checkbox"
            :checked="unit.roles?.includes(r) ?? false"
            @change="setRole(r, ticked($event))"
          />
          {{ UNIT_WORDS[r] }}
        </label>
      </div>
    </details>
    <HearingPart v-if="is(unit, 'ASSISTANT')" :id="id" />
    <PowerFields :id="id" :unit="unit" />
    <BoardPart v-if="drives || madeOf.length" :id="id" :unit="unit" :kinds="madeOf" />
    <RadioFields
      v-for="(r, radio) in unit.radios"
      :key="radio"
      :radio="r"
      :medium="mediumName(r.medium)"
      :save="(field, value) => setRadio(radio, field, value)"
      @remove="removeRadio(String(radio))"
    />
    <div class="row">
      <label class="field">
        Add a radio
        <select value="" @change="addRadio">
          <option value="">choose…</option>
          <option v-for="m in missing" :key="m" :value="m">{{ mediumName(m) }}</option>
        </select>
      </label>
      <ChoiceBox
        v-if="carries && loose.length"
        label="Attach a device"
        value=""
        :choices="loose"
        @choose="attach"
      />
      <span v-else-if="carries" class="quiet">All devices are attached.</span>
      <button type="button" class="soft" @click="remove">Remove unit</button>
    </div>
    <table v-if="carries && devices.length">
      <caption class="unseen">
        Devices on this controller
      </caption>
      <thead>
        <tr>
          <th v-if="!unit.boards">Channel</th>
          <th>Device</th>
          <th><span class="unseen">Detach</span></th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="[device, d] in devices" :key="device">
          <td v-if="!unit.boards">
            <EditField
              bare
              numeric
              optional
              :label="`Channel of ${d.name}`"
              :value="d.channel"
              :save="
                (v: number | null) => bench.put(['devices', device, 'channel'], v, `channel of ${d.name}`)
              "
            />
          </td>
          <td>
            {{ d.name }} <span class="quiet">{{ words(d.kind) }}</span>
          </td>
          <td>
            <button type="button" class="plain" :aria-label="`Detach ${d.name}`" @click="detach(device)">
              Detach
            </button>
          </td>
        </tr>
      </tbody>
    </table>
  </section>
</template>

<style scoped src="../panel.css"></style>
