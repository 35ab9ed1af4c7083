<script setup lang="ts">
import type { Schemas } from "../../api/client";
import EditField from "../../app/EditField.vue";

/** One radio of a unit, as it can be changed by hand. */
const props = defineProps<{
  radio: Schemas["Radio"];
  medium: string;
  /** Stores a value below the radio. */
  save: (field: string, value: unknown) => Promise<boolean>;
}>();
defineEmits<{ remove: [] }>();
const PLAIN = {
  frequencyMHz: "Frequency, MHz",
  txPowerDbm: "Power, dBm",
  antennaGainDbi: "Antenna, dBi",
  feederLossDb: "Feeder, dB",
} as const;
const chosen = (event: Event) => (event.target as HTMLSelectElement).value;
const ticked = (event: Event) => (event.target as HTMLInputElement).checked;
const BANDWIDTHS = [62.5, 125, 250, 500];
const bandwidths = () => {
  const own = props.radio.chirp?.bandwidthKHz;
  return own === undefined || BANDWIDTHS.includes(own) ? BANDWIDTHS : [...BANDWIDTHS, own];
};
/** Radios over which units may pass on what they hear. */
const repeatable = () => ["MESH_802154", "MESH_G9959", "CHIRP"].includes(props.radio.medium);
type Air = Schemas["AirSettings"];
const NO_AIR: Air = {
  mastM: null,
  networkId: null,
  keyChanged: null,
  knownOnly: null,
  hopChannels: null,
  noiseFigureDb: null,
};
/** Radios that have settings of the air: long range and below 1 GHz. */
const far = () => props.radio.medium === "CHIRP" || props.radio.medium === "SUB_GHZ";
const setAir = (field: keyof Air, value: unknown) =>
  props.save("air", { ...(props.radio.air ?? NO_AIR), [field]: value });
type Beam = Schemas["Beam"];
/** Turns the antenna, or lets it send all round again. */
const face = (facingDeg: number | null) =>
  props.save(
    "beam",
    facingDeg === null ? null : { ...(props.radio.beam ?? { widthDeg: null, backDb: null }), facingDeg },
  );
const setBeam = (field: keyof Beam, value: number | null) => props.save(`beam/${field}`, value);
const families = (text: string | null) =>
  (text ?? "")
    .split(",")
    .map((f) => f.trim())
    .filter(Boolean);
</script>

<template>
  <fieldset class="row">
    <legend>{{ medium }}</legend>
    <EditField
      v-for="(head, field) in PLAIN"
      :key="field"
      numeric
      :label="head"
      :value="radio[field]"
      :save="(v: number) => save(field, v)"
    />
    <EditField
      v-if="!radio.chirp"
      label="Sensitivity, dBm"
      numeric
      :value="radio.sensitivityDbm"
      :save="(v: number) => save('sensitivityDbm', v)"
    />
    <template v-else>
      <label class="field">
        Spreading factor
        <select
          :value="radio.chirp.spreadingFactor"
          @change="save('chirp/spreadingFactor', Number(chosen($event)))"
        >
          <option v-for="sf in [6, 7, 8, 9, 10, 11, 12]" :key="sf" :value="sf">{{ sf }}</option>
        </select>
      </label>
      <label class="field">
        Bandwidth, kHz
        <select
          :value="radio.chirp.bandwidthKHz"
          @change="save('chirp/bandwidthKHz', Number(chosen($event)))"
        >
          <option v-for="b in bandwidths()" :key="b" :value="b">{{ b }}</option>
        </select>
      </label>
      <label class="field">
        Coding rate
        <select
          :value="radio.chirp.codingRateDenominator"
          @change="save('chirp/codingRateDenominator', Number(chosen($event)))"
        >
          <option v-for="c in [5, 6, 7, 8]" :key="c" :value="c">4/{{ c }}</option>
        </select>
      </label>
    </template>
    <EditField
      label="Antenna faces, ° from north"
      numeric
      optional
      placeholder="all round"
      :value="radio.beam?.facingDeg"
      :save="(v: number | null) => face(v)"
    />
    <template v-if="radio.beam">
      <EditField
        label="Beam width, °"
        numeric
        optional
        placeholder="by its gain"
        :value="radio.beam.widthDeg"
        :save="(v: number | null) => setBeam('widthDeg', v)"
      />
      <EditField
        label="Front to back, dB"
        numeric
        optional
        placeholder="20"
        :value="radio.beam.backDb"
        :save="(v: number | null) => setBeam('backDb', v)"
      />
    </template>
    <EditField
      label="Sends in family"
      optional
      placeholder="any decodes it"
      :value="radio.family"
      :save="(v: string | null) => save('family', v)"
    />
    <EditField
      v-if="radio.receives"
      label="Decodes families, with commas"
      optional
      placeholder="all"
      :value="radio.decodes.join(', ')"
      :save="(v: string | null) => save('decodes', families(v))"
    />
    <template v-if="far()">
      <EditField
        v-if="radio.chirp"
        label="Network id"
        numeric
        optional
        placeholder="of the factory"
        :value="radio.air?.networkId"
        :save="(v: number | null) => setAir('networkId', v)"
      />
      <EditField
        label="Antenna on a mast, m"
        numeric
        optional
        placeholder="at the unit"
        :value="radio.air?.mastM"
        :save="(v: number | null) => setAir('mastM', v)"
      />
      <EditField
        v-if="radio.chirp"
        label="Noise figure, dB"
        numeric
        optional
        placeholder="6"
        :value="radio.air?.noiseFigureDb"
        :save="(v: number | null) => setAir('noiseFigureDb', v)"
      />
      <EditField
        label="Hops over channels"
        numeric
        optional
        placeholder="one"
        :value="radio.air?.hopChannels"
        :save="(v: number | null) => setAir('hopChannels', v)"
      />
      <label v-if="radio.chirp" class="tick">
        <input
          type="checkbox"
          :checked="radio.air?.keyChanged === true"
          @change="setAir('keyChanged', ticked($event))"
        />
        key of our own is set
      </label>
      <label v-if="radio.receives" class="tick">
        <input
          type="checkbox"
          :checked="radio.air?.knownOnly === true"
          @change="setAir('knownOnly', ticked($event))"
        />
        takes in only what it was taught
      </label>
    </template>
    <label v-if="radio.medium === 'SUB_GHZ'" class="field">
      Modulation
      <select :value="radio.modulation ?? ''" @change="save('modulation', chosen($event) || null)">
        <option value="">not said</option>
        <option value="OOK">on-off keying</option>
        <option value="FSK">frequency-shift keying</option>
      </select>
    </label>
    <EditField
      v-if="radio.medium.startsWith('MESH')"
      label="Mesh network id"
      numeric
      optional
      placeholder="not chosen"
      :value="radio.air?.networkId"
      :save="(v: number | null) => setAir('networkId', v)"
    />
    <label class="tick">
      <input type="checkbox" :checked="radio.receives" @change="save('receives', ticked($event))" />
      receives
    </label>
    <label v-if="repeatable()" class="field">
      Passes on
      <select
        :value="radio.repeats === null ? '' : String(radio.repeats)"
        @change="save('repeats', chosen($event) === '' ? null : chosen($event) === 'true')"
      >
        <option value="">
          {{ radio.medium === "CHIRP" ? "not said: no" : "not said: where its power is steady" }}
        </option>
        <option value="true">yes</option>
        <option value="false">no</option>
      </select>
    </label>
    <label class="tick">
      <input type="checkbox" :checked="radio.metalBox" @change="save('metalBox', ticked($event))" />
      in a metal box
    </label>
    <button type="button" class="plain" :aria-label="`Remove the ${medium} radio`" @click="$emit('remove')">
      Remove
    </button>
  </fieldset>
</template>

<style scoped>
fieldset {
  border: 1px solid var(--hair);
  padding: 2px 8px 6px;
  margin: 0;
}
legend {
  font-size: 12px;
  font-weight: 500;
}
.tick,
.plain {
  min-height: 28px;
}
</style>
