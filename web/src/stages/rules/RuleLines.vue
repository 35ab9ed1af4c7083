<script setup lang="ts">
import { computed } from "vue";
import type { Op, Schemas } from "../../api/client";
import EditField from "../../app/EditField.vue";
import { choice, text } from "../../app/typed";
import { removed } from "../../plan/patch";
import { pointer } from "../../plan/pointers";
import { useBench } from "../../plan/store";
import { words as lower } from "../../drawing/marks";
import PartTyping from "./PartTyping.vue";

/** The triggers, terms or actions of a rule, a line each; a changed line is given back with all others. */
type Trigger = Schemas["Trigger"];
type Term = Schemas["Term"];
type Action = Schemas["Action"];
type Line = Trigger | Term | Action;
const props = defineProps<{
  title: string;
  what: "trigger" | "term" | "action";
  lines: Line[];
  words: Record<string, Schemas["KindWords"] | undefined>;
  /** Id of the rule, and the list of it that these lines are. */
  rule: string;
  field: "when" | "onlyIf" | "then" | "unless";
}>();
const bench = useBench();
const plan = computed(() => bench.plan!);
const KINDS: Record<typeof props.what, Record<string, string>> = {
  trigger: {
    BECOMES: "a device becomes",
    VALUE: "a value crosses",
    PRESSED: "a button is pressed",
    CODE: "a code is read",
    CLOCK: "at a time of day",
    SUN: "by the sun",
    SILENT: "nothing is heard of",
    POWER_RETURNS: "the mains is back",
    MODE: "a mode becomes",
    ARRIVES: "the first comes home",
    LEAVES: "the last one leaves",
  },
  term: {
    IS: "a device is",
    VALUE: "a value is",
    BETWEEN: "the clock and the day",
    DARK: "it is dark",
    MODE: "a mode is",
    HOME: "somebody is at home",
    HOLDS: "a rule still holds",
  },
  action: {
    SET: "set a device",
    LEVEL: "dim or open so far",
    PULSE: "pulse a device",
    TELL: "tell a person",
    WAIT: "wait",
    MODE: "set a mode",
    RULE: "do what a rule does",
  },
};
const WITH_DEVICE = new Set(["BECOMES", "VALUE", "PRESSED", "CODE", "SILENT", "IS", "SET", "LEVEL", "PULSE"]);
const MEASURED = new Set(["TEMPERATURE", "HUMIDITY", "LIGHT_LEVEL", "LEVEL", "METER"]);
const LOADS = new Set([
  "LAMP",
  "DIMMED_LAMP",
  "LIGHT_STRIP",
  "SOCKET",
  "FAN",
  "HEATER",
  "PUMP",
  "BLIND",
  "DISPLAY",
  "LOCK",
  "GATE",
  "POWERED_DOOR",
  "VALVE",
  "SIREN",
  "CHIME",
]);
const DAYS = ["MONDAY", "TUESDAY", "WEDNESDAY", "THURSDAY", "FRIDAY", "SATURDAY", "SUNDAY"] as const;
const empty = (kind: string): Line =>
  props.what === "trigger"
    ? {
        kind: kind as Trigger["kind"],
        device: null,
        reading: kind === "BECOMES" ? "ACTIVE" : null,
        above: null,
        below: null,
        hysteresis: null,
        forS: null,
        press: null,
        clock: null,
        sun: kind === "SUN" ? "SETS" : null,
        offsetMin: null,
        mode: null,
        value: null,
      }
    : props.what === "term"
      ? {
          kind: kind as Term["kind"],
          not: false,
          device: null,
          reading: kind === "IS" ? "ACTIVE" : null,
          above: null,
          below: null,
          from: null,
          to: null,
          days: [],
          mode: null,
          value: null,
          rule: null,
        }
      : {
          kind: kind as Action["kind"],
          device: null,
          reading: kind === "SET" ? "ACTIVE" : null,
          percent: null,
          times: null,
          forS: null,
          until: null,
          service: null,
          text: null,
          all: null,
          room: null,
          floor: null,
          around: null,
          mode: null,
          value: null,
          rule: null,
          person: null,
        };
/** Each edit touches only what was changed, so that one that is still under way is not undone by the next. */
const path = (...rest: string[]) => ["rules", props.rule, props.field, ...rest] as const;
const store = (ops: Op[]) => bench.edit(ops, `rule ${plan.value.rules[props.rule]?.name ?? ""}`);
const put = (line: Line) => store([{ op: "add", path: pointer(...path("-")), value: line }]);
const add = (kind: string) => put(empty(kind));
const SLOTS = { trigger: "TRIGGER", term: "TERM", action: "ACTION" } as const;
const EXAMPLES = {
  trigger: "or type: hall motion sees",
  term: "or type: 22:00 06:30",
  action: "or type: hall lamp on 6 min",
};
const take = (part: Schemas["RulePart"]) => {
  const line = part.trigger ?? part.term ?? part.action;
  if (line) void put(line);
};
const change = (at: number, said: Record<string, unknown>) =>
  store(
    Object.entries(said).map(([key, value]) => ({
      op: "replace",
      path: pointer(...path(String(at), key)),
      value,
    })),
  );
const drop = (at: number) => store([removed(...path(String(at)))]);
/** What a line of a kind can be about: buttons are pressed, loads are set, values are measured. */
const devices = (kind: string) =>
  Object.entries(plan.value.devices)
    .filter(([, d]) =>
      kind === "PRESSED"
        ? d.kind === "PUSH_BUTTON"
        : kind === "CODE"
          ? ["PUSH_BUTTON", "LOCK"].includes(d.kind)
          : kind === "VALUE"
            ? MEASURED.has(d.kind)
            : props.what === "action"
              ? LOADS.has(d.kind)
              : true,
    )
    .sort(([, a], [, b]) => a.name.localeCompare(b.name, undefined, { numeric: true }));
const readings = (line: Line) => {
  const every = "all" in line ? line.all : null;
  const kind = every ?? (line.device ? plan.value.devices[line.device]?.kind : undefined);
  const all = kind ? props.words[kind] : undefined;
  const said = props.what === "trigger" ? all?.becomes : props.what === "term" ? all?.is : all?.set;
  return said ?? ["active", "idle"];
};
/** An action is about one device, or about every device of a kind, in a room, on a floor or in the house. */
const every = (line: Line) => ("all" in line && line.all ? `every ${line.all}` : (line.device ?? ""));
const where = (line: Line) =>
  "all" in line ? (line.room ? `rooms ${line.room}` : line.floor ? `floors ${line.floor}` : "") : "";
const aim = (i: number, said: string | null) => {
  const kind = said?.startsWith("every ") ? said.slice("every ".length) : null;
  return change(i, kind ? { device: null, all: kind } : { device: said, all: null, room: null, floor: null });
};
const within = (i: number, said: string | null) => {
  const [map, id] = said?.split(" ") ?? [];
  return change(i, {
    room: map === "rooms" ? id! : null,
    floor: map === "floors" ? id! : null,
    around: null,
  });
};
/** A circle begins around what is selected, or in the middle of the floor's first room. */
function circle(i: number, line: Action) {
  const at = bench.shown?.positions[bench.selection ?? ""];
  const floor = plan.value.floors[line.floor!]!;
  const building = plan.value.buildings[floor.building]!;
  const corners = Object.values(plan.value.rooms).find((r) => r.floor === line.floor)?.corners ?? [];
  const middle = (of: (c: Schemas["Corner"]) => number) =>
    corners.length ? corners.reduce((sum, c) => sum + of(c), 0) / corners.length : 0;
  const round = (m: number) => Math.round(m * 10) / 10;
  return change(i, {
    around:
      at && at.floor === line.floor
        ? { xM: round(at.xM - building.xM), yM: round(at.yM - building.yM), radiusM: 3 }
        : { xM: round(middle((c) => c.xM)), yM: round(middle((c) => c.yM)), radiusM: 3 },
  });
}
const loads = computed(() =>
  [...LOADS].filter((kind) => Object.values(plan.value.devices).some((d) => d.kind === kind)),
);
const values = (line: Line) =>
  ("mode" in line && line.mode ? plan.value.state.modes[line.mode]?.values : undefined) ?? [];
const label = (i: number, field: string) => `${props.title} ${i + 1}, ${field}`;
const has = <K extends string>(line: Line, field: K): line is Line & Record<K, unknown> => field in line;
const day = (line: Line, name: (typeof DAYS)[number], on: boolean) =>
  has(line, "days") ? DAYS.filter((d) => (d === name ? on : (line as Term).days.includes(d))) : [];
</script>

<template>
  <fieldset class="lines">
    <legend>{{ title }}</legend>
    <div v-for="(line, i) in lines" :key="i" class="row line">
      <b>{{ KINDS[what][line.kind] }}</b>
      <label v-if="'not' in line" class="check">
        <input
          type="checkbox"
          :checked="line.not"
          @change="change(i, { not: ($event.target as HTMLInputElement).checked })"
        />
        not
      </label>
      <select
        v-if="WITH_DEVICE.has(line.kind)"
        :value="every(line)"
        :aria-label="label(i, 'device')"
        @change="what === 'action' ? aim(i, choice($event)) : change(i, { device: choice($event) })"
      >
        <option value="">choose…</option>
        <template v-if="what === 'action'">
          <option v-for="kind in loads" :key="kind" :value="`every ${kind}`">every {{ lower(kind) }}</option>
        </template>
        <option v-for="[id, d] in devices(line.kind)" :key="id" :value="id">{{ d.name }}</option>
        <option v-if="line.device && !(line.device in plan.devices)" :value="line.device">
          {{ line.device }}, which is gone
        </option>
      </select>
      <select
        v-if="'all' in line && line.all"
        :value="where(line)"
        :aria-label="label(i, 'where')"
        @change="within(i, choice($event))"
      >
        <option value="">in the house</option>
        <option v-for="(f, id) in plan.floors" :key="id" :value="`floors ${id}`">on {{ f.name }}</option>
        <option v-for="(r, id) in plan.rooms" :key="id" :value="`rooms ${id}`">in {{ r.name }}</option>
      </select>
      <template v-if="'all' in line && line.all && line.floor">
        <button v-if="!line.around" type="button" class="plain" @click="circle(i, line)">
          only within a circle
        </button>
        <template v-else>
          <EditField
            v-for="(called, key) in { xM: 'from the west, m', yM: 'from the south, m', radiusM: 'radius, m' }"
            :key="key"
            :label="label(i, called)"
            numeric
            :value="line.around[key]"
            :save="(v: number) => change(i, { around: { ...line.around!, [key]: v } })"
          />
          <button type="button" class="plain" @click="change(i, { around: null })">the whole floor</button>
        </template>
      </template>
      <input
        v-if="line.kind === 'CODE' && 'value' in line"
        type="text"
        maxlength="120"
        placeholder="name of the code, or empty for any"
        :value="line.value ?? ''"
        :aria-label="label(i, 'name of the code')"
        @change="change(i, { value: choice($event) })"
      />
      <template v-if="line.kind === 'MODE' && 'mode' in line">
        <select
          :value="line.mode ?? ''"
          :aria-label="label(i, 'mode')"
          @change="change(i, { mode: choice($event), value: null })"
        >
          <option value="">choose…</option>
          <option v-for="(m, id) in plan.state.modes" :key="id" :value="id">{{ m.name }}</option>
        </select>
        <select
          :value="line.value ?? ''"
          :aria-label="label(i, 'value')"
          @change="change(i, { value: choice($event) })"
        >
          <option value="">choose…</option>
          <option v-for="v in values(line)" :key="v" :value="v">{{ v }}</option>
        </select>
      </template>
      <select
        v-if="['HOLDS', 'RULE'].includes(line.kind) && 'rule' in line"
        :value="line.rule ?? ''"
        :aria-label="label(i, 'rule')"
        @change="change(i, { rule: choice($event) })"
      >
        <option value="">choose…</option>
        <option v-for="(r, id) in plan.rules" :key="id" :value="id">{{ r.name }}</option>
      </select>
      <select
        v-if="['BECOMES', 'IS', 'SET'].includes(line.kind)"
        :value="'reading' in line ? (line.reading ?? '') : ''"
        :aria-label="label(i, 'reading')"
        @change="change(i, { reading: choice($event) })"
      >
        <option value="ACTIVE">{{ readings(line)[0] }}</option>
        <option value="IDLE">{{ readings(line)[1] }}</option>
      </select>
      <template v-if="line.kind === 'VALUE' && 'above' in line">
        <EditField
          :label="label(i, 'above')"
          numeric
          optional
          :value="line.above"
          :save="(v: number | null) => change(i, { above: v })"
        />
        <EditField
          :label="label(i, 'below')"
          numeric
          optional
          :value="line.below"
          :save="(v: number | null) => change(i, { below: v })"
        />
        <EditField
          v-if="'hysteresis' in line"
          :label="label(i, 'comes back by')"
          numeric
          optional
          :value="line.hysteresis"
          :save="(v: number | null) => change(i, { hysteresis: v })"
        />
      </template>
      <select
        v-if="line.kind === 'PRESSED' && 'press' in line"
        :value="line.press ?? ''"
        :aria-label="label(i, 'press')"
        @change="change(i, { press: choice($event) })"
      >
        <option value="">however</option>
        <option value="SHORT">short</option>
        <option value="DOUBLE">double</option>
        <option value="LONG">long</option>
        <option value="HELD">held down</option>
      </select>
      <input
        v-if="line.kind === 'CLOCK' && 'clock' in line"
        type="time"
        :value="line.clock ?? ''"
        :aria-label="label(i, 'time')"
        @change="change(i, { clock: choice($event) })"
      />
      <template v-if="line.kind === 'SUN' && 'sun' in line">
        <select
          :value="line.sun ?? 'SETS'"
          :aria-label="label(i, 'sun')"
          @change="change(i, { sun: text($event) })"
        >
          <option value="RISES">the sun rises</option>
          <option value="SETS">the sun sets</option>
        </select>
        <EditField
          :label="label(i, 'minutes after')"
          numeric
          optional
          placeholder="0"
          :value="line.offsetMin"
          :save="(v: number | null) => change(i, { offsetMin: v })"
        />
      </template>
      <template v-if="line.kind === 'BETWEEN' && 'from' in line">
        <input
          type="time"
          :value="line.from ?? ''"
          :aria-label="label(i, 'from')"
          @change="change(i, { from: choice($event) })"
        />
        to
        <input
          type="time"
          :value="line.to ?? ''"
          :aria-label="label(i, 'to')"
          @change="change(i, { to: choice($event) })"
        />
        <label v-for="d in DAYS" :key="d" class="check">
          <input
            type="checkbox"
            :checked="line.days.includes(d)"
            @change="change(i, { days: day(line, d, ($event.target as HTMLInputElement).checked) })"
          />
          {{ d[0] + d.slice(1, 3).toLowerCase() }}
        </label>
      </template>
      <EditField
        v-if="line.kind === 'LEVEL' && 'percent' in line"
        :label="label(i, 'percent')"
        numeric
        optional
        :value="line.percent"
        :save="(v: number | null) => change(i, { percent: v })"
      />
      <EditField
        v-if="line.kind === 'PULSE' && 'times' in line"
        :label="label(i, 'times')"
        numeric
        optional
        placeholder="1"
        :value="line.times"
        :save="(v: number | null) => change(i, { times: v })"
      />
      <template v-if="line.kind === 'TELL' && 'service' in line">
        <select
          :value="line.person ?? ''"
          :aria-label="label(i, 'person')"
          @change="change(i, { person: choice($event) })"
        >
          <option value="">no person named</option>
          <option v-for="(p, id) in plan.state.people" :key="id" :value="id">{{ p.name }}</option>
        </select>
        <select
          :value="line.service ?? ''"
          :aria-label="label(i, 'service')"
          @change="change(i, { service: choice($event) })"
        >
          <option value="">choose…</option>
          <option v-for="(s, id) in plan.services" :key="id" :value="id">{{ s.name }}</option>
        </select>
        <EditField
          :label="label(i, 'what is told')"
          wide
          optional
          :value="line.text"
          :save="(v: string | null) => change(i, { text: v })"
        />
      </template>
      <EditField
        v-if="'forS' in line && ['BECOMES', 'VALUE', 'SILENT', 'SET', 'LEVEL', 'WAIT'].includes(line.kind)"
        :label="label(i, 'for, s')"
        numeric
        optional
        :value="line.forS"
        :save="(v: number | null) => change(i, { forS: v })"
      />
      <label v-if="'until' in line && ['SET', 'LEVEL'].includes(line.kind)" class="field until">
        {{ label(i, "or until") }}
        <input
          type="time"
          :value="line.until ?? ''"
          @change="change(i, { until: choice($event), forS: choice($event) ? null : line.forS })"
        />
      </label>
      <button type="button" class="plain" :aria-label="label(i, 'take out')" @click="drop(i)">
        take out
      </button>
    </div>
    <div class="more">
      <label>
        {{ lines.length ? "One more" : `${title}…` }}
        <select value="" @change="add(text($event))">
          <option value="" disabled>choose…</option>
          <option v-for="(called, kind) in KINDS[what]" :key="kind" :value="kind">{{ called }}</option>
        </select>
      </label>
      <PartTyping :what="SLOTS[what]" :label="`${title}, typed`" :example="EXAMPLES[what]" @take="take" />
    </div>
  </fieldset>
</template>

<style scoped>
.lines {
  border: 0;
  border-top: 1px solid var(--hair);
  margin: 0;
  padding: 6px 0 0;
  display: flex;
  flex-direction: column;
  gap: 6px;
}
legend {
  font-weight: 600;
  padding: 0 8px 0 0;
}
.line {
  align-items: end;
}
.check {
  display: flex;
  gap: 4px;
  align-items: center;
}
.more {
  display: flex;
  gap: 8px;
  align-items: center;
  font-size: 13px;
}
.more select {
  max-width: 220px;
}
</style>
