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
    <label class="tick">
      <input type="checkbox" :checked="radio.receives" @change="save('receives', ticked($event))" />
      receives
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
