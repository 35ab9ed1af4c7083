<script setup lang="ts">
import type { At, Keys } from "../../plan/patch";
import { computed, onMounted } from "vue";
import type { Schemas, Unit } from "../../api/client";
import EditField from "../../app/EditField.vue";
import { choice, text } from "../../app/typed";
import { command } from "../../plan/commands";
import { useBench } from "../../plan/store";
import { is } from "../../plan/units";
import { useParts } from "./parts";

/** Where a unit's power comes from, through what, over which cable, and how it spends it. */
type Power = Schemas["Power"];
type Duty = Schemas["Duty"];
const props = defineProps<{ id: string; unit: Unit }>();
const bench = useBench();
const parts = useParts();
onMounted(() => void parts.load());
const plan = computed(() => bench.plan!);
const power = computed(() => props.unit.power);
const put = <const F extends Keys>(field: F, value: At<["units", string, ...F]>, what: string) =>
  bench.put<["units", string, ...F]>(["units", props.id, ...field], value, `${what} of ${props.unit.name}`);

const setSource = (source: string) =>
  command("set-power-source", { unit: props.id, source: source as Power["source"] });
const feeders = computed(() =>
  Object.entries(plan.value.units).filter(
    ([id, u]) =>
      id !== props.id &&
      (power.value.source === "ETHERNET" ? is(u, "SWITCH") || is(u, "ROUTER") : u.kind === "SUPPLY"),
  ),
);
/** A second source, any one of which is enough: a circuit or a supply. */
const elseFrom = computed(() => {
  const second = power.value.more[0];
  return second ? (second.circuit ? `circuit ${second.circuit}` : `supply ${second.from}`) : "";
});
const supplies = computed(() =>
  Object.entries(plan.value.units).filter(([id, u]) => u.kind === "SUPPLY" && id !== props.id),
);
function setElse(chosen: string) {
  const [what, id] = [chosen.slice(0, chosen.indexOf(" ")), chosen.slice(chosen.indexOf(" ") + 1)];
  const second: Power["more"][number] =
    what === "circuit"
      ? { source: "MAINS", circuit: id, from: null }
      : { source: "SUPPLY", circuit: null, from: id };
  void put(["power", "more"], [...(chosen ? [second] : []), ...power.value.more.slice(1)], "second source");
}
const PART_KINDS: Record<Power["source"], string[]> = {
  MAINS: ["SUPPLY", "BACKUP"],
  BATTERY: ["BATTERY"],
  ETHERNET: ["SPLITTER"],
  SUPPLY: ["CONVERTER", "REGULATOR", "SUPPLY"],
};
const between = computed(() => parts.all.filter((p) => PART_KINDS[power.value.source].includes(p.kind)));
const BETWEEN: Record<Power["source"], string> = {
  MAINS: "Supply of its own",
  BATTERY: "Cells",
  ETHERNET: "Splitter",
  SUPPLY: "Converter before it",
};
const cables = computed(() => parts.all.filter((p) => p.kind === "CABLE"));
const feed = computed(() => power.value.feed ?? { cable: null, lengthM: null, fuseA: null });
const lowVoltage = computed(
  () => power.value.source === "SUPPLY" || (power.value.part !== null && power.value.source !== "ETHERNET"),
);
const setFeed = (field: "cable" | "lengthM" | "fuseA", value: string | number | null) =>
  put(["power", "feed"], { ...feed.value, [field]: value }, "feed");

const draws = computed(() => props.unit.draws);
function setDraws(field: "volts" | "leastV" | "typicalA" | "worstA", value: number | null) {
  if (value === null && field !== "leastV") return put(["draws"], null, "what is taken");
  const next = { volts: 5, leastV: null, typicalA: 0, worstA: 0, ...draws.value, [field]: value };
  next.worstA = field === "typicalA" ? Math.max(next.worstA, next.typicalA) : next.worstA;
  return put(["draws"], next, "what is taken");
}
const duty = computed(() => props.unit.duty);
/** A report now and then: a place to begin with, to be replaced by what is measured. */
const USUAL: Duty = {
  sleepUa: 10,
  cycleS: 900,
  pulses: [
    { name: "sense", currentMa: 8, durationMs: 50, kind: "SENSE" },
    { name: "send", currentMa: 40, durationMs: 60, kind: "SEND" },
  ],
  wishYears: 2,
  coldestC: null,
  regulation: null,
};
const setDuty = (field: keyof Duty, value: unknown) =>
  put(["duty"], { ...(duty.value ?? USUAL), [field]: value }, "duty");
const setPulse = (at: number, field: "name" | "currentMa" | "durationMs", value: unknown) =>
  setDuty(
    "pulses",
    duty.value!.pulses.map((p, i) => (i === at ? { ...p, [field]: value } : p)),
  );
const dropPulse = (at: number) =>
  setDuty(
    "pulses",
    duty.value!.pulses.filter((_, i) => i !== at),
  );
</script>

<template>
  <fieldset class="row">
    <legend>Power</legend>
    <label class="field">
      Power
      <select :value="power.source" @change="setSource(text($event))">
        <option value="MAINS">mains</option>
        <option value="BATTERY">battery</option>
        <option value="ETHERNET">over Ethernet</option>
        <option value="SUPPLY">low voltage from a supply</option>
      </select>
    </label>
    <label v-if="power.source === 'MAINS'" class="field">
      Circuit
      <select :value="power.circuit ?? ''" @change="put(['power', 'circuit'], choice($event), 'circuit')">
        <option v-if="!power.circuit" value="">no circuit yet</option>
        <option v-for="(c, circuit) in plan.circuits" :key="circuit" :value="circuit">{{ c.name }}</option>
      </select>
    </label>
    <label v-if="power.source === 'ETHERNET' || power.source === 'SUPPLY'" class="field">
      Fed by
      <select :value="power.from ?? ''" @change="put(['power', 'from'], choice($event), 'what feeds')">
        <option value="">nothing yet</option>
        <option v-for="[other, u] in feeders" :key="other" :value="other">{{ u.name }}</option>
      </select>
    </label>
    <label class="field">
      Or else
      <select :value="elseFrom" @change="setElse(text($event))">
        <option value="">nothing else</option>
        <option v-for="(c, circuit) in plan.circuits" :key="circuit" :value="`circuit ${circuit}`">
          {{ c.name }}
        </option>
        <option v-for="[other, u] in supplies" :key="other" :value="`supply ${other}`">{{ u.name }}</option>
      </select>
    </label>
    <label v-if="unit.kind !== 'SUPPLY' || power.source === 'BATTERY'" class="field">
      {{ BETWEEN[power.source] }}
      <select :value="power.part ?? ''" @change="put(['power', 'part'], choice($event), 'supply')">
        <option value="">{{ power.source === "ETHERNET" ? "none" : "not chosen" }}</option>
        <option v-for="p in between" :key="p.id" :value="p.id">{{ p.name }}</option>
      </select>
    </label>
    <EditField
      v-if="power.part"
      label="How many"
      numeric
      optional
      :value="power.count ?? 1"
      :save="(v: number | null) => put(['power', 'count'], v, 'number of supplies')"
    />
    <EditField
      v-if="power.part && power.source === 'BATTERY'"
      label="Cells in a row"
      numeric
      optional
      placeholder="one"
      :value="power.series"
      :save="(v: number | null) => put(['power', 'series'], v, 'cells in a row')"
    />
    <EditField
      label="Own backup, h"
      numeric
      :value="power.backupH"
      :save="(v: number) => put(['power', 'backupH'], v, 'backup')"
    />
    <EditField
      label="Should go on without mains, h"
      numeric
      optional
      placeholder="not said"
      :value="power.wishH"
      :save="(v: number | null) => put(['power', 'wishH'], v, 'wished hours')"
    />
    <template v-if="lowVoltage">
      <label class="field">
        Cable
        <select :value="feed.cable ?? ''" @change="setFeed('cable', choice($event))">
          <option value="">not chosen</option>
          <option v-for="p in cables" :key="p.id" :value="p.id">
            {{ p.name }}
          </option>
        </select>
      </label>
      <EditField
        v-if="feed.cable"
        label="Length, m"
        numeric
        optional
        placeholder="estimated"
        :value="feed.lengthM"
        :save="(v: number | null) => setFeed('lengthM', v)"
      />
      <EditField
        label="Fuse, A"
        numeric
        optional
        placeholder="none"
        :value="feed.fuseA"
        :save="(v: number | null) => setFeed('fuseA', v)"
      />
    </template>
    <span v-if="unit.kind !== 'SUPPLY'" class="row measured">
      <EditField
        label="Measured, V"
        numeric
        optional
        placeholder="by parts"
        :value="draws?.volts"
        :save="(v: number | null) => setDraws('volts', v)"
      />
      <template v-if="draws">
        <EditField
          label="least V"
          numeric
          optional
          :value="draws.leastV"
          :save="(v: number | null) => setDraws('leastV', v)"
        />
        <EditField
          label="typical A"
          numeric
          :value="draws.typicalA"
          :save="(v: number | null) => setDraws('typicalA', v)"
        />
        <EditField
          label="at worst A"
          numeric
          :value="draws.worstA"
          :save="(v: number | null) => setDraws('worstA', v)"
        />
      </template>
    </span>
    <label v-if="Object.keys(plan.housings).length" class="field">
      Mounted in
      <select :value="unit.housing ?? ''" @change="put(['housing'], choice($event), 'box')">
        <option value="">no box</option>
        <option v-for="(h, housing) in plan.housings" :key="housing" :value="housing">{{ h.name }}</option>
      </select>
    </label>
  </fieldset>
  <fieldset v-if="power.source === 'BATTERY'" class="row">
    <legend>How it spends its battery</legend>
    <button v-if="!duty" type="button" class="soft" @click="put(['duty'], USUAL, 'duty')">
      Begin with a report every 15 minutes
    </button>
    <template v-else>
      <EditField
        label="Asleep, µA"
        numeric
        :value="duty.sleepUa"
        :save="(v: number) => setDuty('sleepUa', v)"
      />
      <EditField
        label="Wakes every, s"
        numeric
        :value="duty.cycleS"
        :save="(v: number) => setDuty('cycleS', v)"
      />
      <span v-for="(p, i) in duty.pulses" :key="i" class="row pulse">
        <EditField
          label="Then"
          optional
          :value="p.name"
          :save="(v: string | null) => setPulse(i, 'name', v)"
        />
        <EditField
          label="mA"
          numeric
          :value="p.currentMa"
          :save="(v: number) => setPulse(i, 'currentMa', v)"
        />
        <EditField
          label="for ms"
          numeric
          :value="p.durationMs"
          :save="(v: number) => setPulse(i, 'durationMs', v)"
        />
        <button type="button" class="plain" :aria-label="`Remove state ${i + 1}`" @click="dropPulse(i)">
          Remove
        </button>
      </span>
      <button
        type="button"
        class="soft"
        @click="setDuty('pulses', [...duty.pulses, { name: null, currentMa: 10, durationMs: 100 }])"
      >
        Add a state
      </button>
      <EditField
        label="Wished, years"
        numeric
        optional
        :value="duty.wishYears"
        :save="(v: number | null) => setDuty('wishYears', v)"
      />
    </template>
  </fieldset>
</template>

<style scoped src="../fieldset.css"></style>
<style scoped>
.pulse,
.measured {
  flex-wrap: nowrap;
}
</style>
