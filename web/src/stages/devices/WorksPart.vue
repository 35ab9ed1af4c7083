<script setup lang="ts">
import { computed, onMounted } from "vue";
import type { Device, Schemas } from "../../api/client";
import EditField from "../../app/EditField.vue";
import { choice, text } from "../../app/typed";
import { words } from "../../drawing/marks";
import { useBench } from "../../plan/store";
import { useParts } from "../controllers/parts";

/** What a device takes and how it is worked. */
type Works = Partial<Schemas["ActuationSpec"]>;
const props = defineProps<{ id: string; device: Device; family: string }>();
const bench = useBench();
const parts = useParts();
onMounted(() => void parts.load());
const works = computed<Works>(() => props.device.works ?? {});
const ticked = (event: Event) => (event.target as HTMLInputElement).checked;
const LABELS: Partial<Record<keyof Works, string>> = {
  afterPower: "state after power returns",
  endSensors: "end sensors",
  inrushA: "inrush",
  travelS: "travel time",
  staggerS: "stagger",
  control: "switch by hand",
  winner: "which state wins",
  holdS: "hold time",
  warmUpS: "warm-up time",
  contact: "contact at rest",
  safeguards: "safeguards",
};
const set = <K extends keyof Works>(field: K, value: Works[K]) =>
  bench.put(
    ["devices", props.id, "works"],
    { ...works.value, [field]: value },
    `${LABELS[field] ?? field} of ${props.device.name}`,
  );
const setGesture = (field: "longMs" | "doubleMs", value: number) =>
  set("gestures", { longMs: 600, doubleMs: 350, ...works.value.gestures, [field]: value });
const setLock = (field: "gapMm" | "offsetMm" | "doorContact" | "key", value: unknown) =>
  set("lock", {
    gapMm: null,
    offsetMm: null,
    doorContact: false,
    key: null,
    ...works.value.lock,
    [field]: value,
  });

type Safeguard = NonNullable<Works["safeguards"]>[number];
/** What may stand beside a device of a kind, in the words of its box. */
const SAFEGUARDS: Partial<Record<Device["kind"], [Safeguard, string][]>> = {
  HEATER: [["LIMITER", "a limiter of its own ends it"]],
  PUMP: [["LIMITER", "a limiter of its own ends it"]],
  LOCK: [
    ["WIRED_RELEASE", "a button at the door releases it by wire"],
    ["FIRE_RELEASE", "the fire alarm releases it by wire"],
  ],
  GATE: [["WARNING", "warns before and while it moves"]],
  POWERED_DOOR: [["WARNING", "warns before and while it moves"]],
  SIREN: [["CUT_OFF", "ends its sound by itself"]],
  VALVE: [["NO_SPRINKLER", "no sprinkler hangs behind it"]],
};
const safeguards = computed(() => SAFEGUARDS[props.device.kind] ?? []);
const setSafeguard = (safeguard: Safeguard, has: boolean) => {
  const others = (works.value.safeguards ?? []).filter((s) => s !== safeguard);
  return set("safeguards", has ? [...others, safeguard] : others.length ? others : null);
};

const LOADS = [
  "RESISTIVE",
  "FILAMENT",
  "LED",
  "MAGNETIC_TRANSFORMER",
  "ELECTRONIC_TRANSFORMER",
  "MOTOR",
  "COIL",
  "ELECTRONIC",
] as const;
const sensor = computed(() => props.family === "SENSOR" || props.family === "CAMERA");
const moves = computed(
  () => ["BLIND", "GATE", "POWERED_DOOR", "VALVE", "LOCK"].includes(props.device.kind) && !sensor.value,
);
const PART_KINDS: Record<string, string[]> = {
  LOCK: ["STRIKE"],
  GATE: ["DRIVE"],
  POWERED_DOOR: ["DRIVE"],
  BLIND: ["DRIVE"],
  VALVE: ["VALVE"],
};
const choices = computed(() => {
  const kinds = PART_KINDS[props.device.kind] ?? (sensor.value ? ["SENSOR"] : ["LOAD"]);
  return parts.all.filter((p) => kinds.includes(p.kind) || p.id === works.value.part);
});
const supplies = computed(() =>
  Object.entries(bench.plan!.units).filter(([, u]) => u.kind === "SUPPLY" || u.kind === "PANEL"),
);
/** A part brings its travel time and drive where they are not said yet. */
function setPart(id: string) {
  const part = parts.byId.get(id);
  const next: Works = { ...works.value, part: id || null };
  if (part) {
    next.travelS ??= part.figures.TRAVEL_S ?? null;
    if (part.traits.includes("SINGLE_PULSE")) next.drive ??= "SINGLE_PULSE";
    if (part.traits.includes("TWO_WAY")) next.drive ??= "TWO_WAY";
  }
  return bench.put(["devices", props.id, "works"], next, `part of ${props.device.name}`);
}
</script>

<template>
  <fieldset class="row">
    <legend>Power and drive</legend>
    <label v-if="choices.length" class="field">
      Part
      <select :value="works.part ?? ''" @change="setPart(text($event))">
        <option value="">not chosen</option>
        <option v-for="p in choices" :key="p.id" :value="p.id">{{ p.name }}</option>
      </select>
    </label>
    <template v-if="!sensor">
      <EditField
        label="Volts"
        numeric
        optional
        :value="works.volts"
        :save="(v: number | null) => set('volts', v)"
      />
      <EditField
        label="Watts"
        numeric
        optional
        :value="works.watts"
        :save="(v: number | null) => set('watts', v)"
      />
      <label class="field">
        Kind of load
        <select :value="works.load ?? ''" @change="set('load', choice($event) as Works['load'])">
          <option value="">not known</option>
          <option v-for="l in LOADS" :key="l" :value="l">{{ l === "LED" ? "LED" : words(l) }}</option>
        </select>
      </label>
      <EditField
        label="Inrush, A"
        numeric
        optional
        :value="works.inrushA"
        :save="(v: number | null) => set('inrushA', v)"
      />
      <label v-if="!device.circuit" class="field">
        Low voltage from
        <select :value="works.supply ?? ''" @change="set('supply', choice($event))">
          <option value="">its controller</option>
          <option v-for="[supply, u] in supplies" :key="supply" :value="supply">{{ u.name }}</option>
        </select>
      </label>
    </template>
    <template v-if="moves">
      <label class="field">
        Drive
        <select :value="works.drive ?? ''" @change="set('drive', choice($event) as Works['drive'])">
          <option value="">not said</option>
          <option v-for="d in ['MAINTAINED', 'MOMENTARY', 'SINGLE_PULSE', 'TWO_WAY']" :key="d" :value="d">
            {{ words(d) }}
          </option>
        </select>
      </label>
      <EditField
        label="Travel time, s"
        numeric
        optional
        :value="works.travelS"
        :save="(v: number | null) => set('travelS', v)"
      />
      <EditField
        v-if="device.kind !== 'LOCK'"
        label="End sensors"
        numeric
        optional
        :value="works.endSensors"
        :save="(v: number | null) => set('endSensors', v)"
      />
    </template>
    <template v-if="device.kind === 'LOCK'">
      <EditField
        label="Door gap, mm"
        numeric
        optional
        :value="works.lock?.gapMm"
        :save="(v: number | null) => setLock('gapMm', v)"
      />
      <EditField
        label="Bolt off its hole, mm"
        numeric
        optional
        :value="works.lock?.offsetMm"
        :save="(v: number | null) => setLock('offsetMm', v)"
      />
      <label class="tick">
        <input
          type="checkbox"
          :checked="works.lock?.doorContact ?? false"
          @change="setLock('doorContact', ticked($event))"
        />
        door contact
      </label>
      <label class="tick">
        <input type="checkbox" :checked="works.lock?.key ?? false" @change="setLock('key', ticked($event))" />
        a key opens it from outside
      </label>
    </template>
    <label v-for="[safeguard, label] in safeguards" :key="safeguard" class="tick">
      <input
        type="checkbox"
        :checked="works.safeguards?.includes(safeguard) ?? false"
        @change="setSafeguard(safeguard, ticked($event))"
      />
      {{ label }}
    </label>
    <label v-if="!sensor" class="field">
      Contact while its board is dead
      <select :value="works.contact ?? ''" @change="set('contact', choice($event) as Works['contact'])">
        <option value="">not said: open</option>
        <option value="NORMALLY_OPEN">normally open</option>
        <option value="NORMALLY_CLOSED">normally closed</option>
        <option value="BISTABLE">bistable, stays as it was</option>
      </select>
    </label>
    <template v-if="family === 'LOAD'">
      <label class="field">
        Switch by hand
        <select :value="works.control ?? ''" @change="set('control', choice($event) as Works['control'])">
          <option value="">none or not said</option>
          <option value="PUSH">springs back</option>
          <option value="LATCH">stays as it is left</option>
        </select>
      </label>
      <label class="field">
        When power returns
        <select
          :value="works.afterPower ?? ''"
          @change="set('afterPower', choice($event) as Works['afterPower'])"
        >
          <option value="">not said</option>
          <option value="OFF">off</option>
          <option value="LAST">as it was</option>
          <option value="ON">on</option>
        </select>
      </label>
      <EditField
        label="After, s"
        numeric
        optional
        :value="works.staggerS"
        :save="(v: number | null) => set('staggerS', v)"
      />
      <label v-if="works.control === 'LATCH' && works.afterPower" class="field">
        If they disagree
        <select :value="works.winner ?? ''" @change="set('winner', choice($event) as Works['winner'])">
          <option value="">not said</option>
          <option value="SWITCH">the switch wins</option>
          <option value="RESTORED">the restored state wins</option>
        </select>
      </label>
    </template>
    <template v-if="family === 'SENSOR' && device.kind !== 'PUSH_BUTTON'">
      <EditField
        label="Hold time, s"
        numeric
        optional
        :value="works.holdS"
        :save="(v: number | null) => set('holdS', v)"
      />
      <EditField
        label="Warm-up time, s"
        numeric
        optional
        :value="works.warmUpS"
        :save="(v: number | null) => set('warmUpS', v)"
      />
    </template>
    <template v-if="device.kind === 'PUSH_BUTTON'">
      <EditField
        label="Long from, ms"
        numeric
        :value="works.gestures?.longMs ?? 600"
        :save="(v: number) => setGesture('longMs', v)"
      />
      <EditField
        label="Double within, ms"
        numeric
        :value="works.gestures?.doubleMs ?? 350"
        :save="(v: number) => setGesture('doubleMs', v)"
      />
      <span class="quiet">
        Short: released before {{ works.gestures?.longMs ?? 600 }} ms. A short press is told only after
        {{ works.gestures?.doubleMs ?? 350 }} ms, when no second one came.
      </span>
    </template>
  </fieldset>
</template>

<style scoped src="../fieldset.css"></style>
