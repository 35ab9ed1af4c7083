<script setup lang="ts">
import { computed, ref } from "vue";
import { answer, api } from "../../api/client";
import QueryTrouble from "../../app/QueryTrouble.vue";
import { text } from "../../app/typed";
import { useQuery } from "../../app/useQuery";
import { useBench } from "../../plan/store";

/** A week by clock and sun: night and quiet hours behind, what rules switch before, and a moment to look at. */
const props = defineProps<{ rule: string }>();
const bench = useBench();
const plan = computed(() => bench.plan!);
const DAY = 1440;
const NAMES = ["Mon", "Tue", "Wed", "Thu", "Fri", "Sat", "Sun"];
/** A day of the week that is shown; empty means this week. */
const day = ref("");
/** All devices, or those of the chosen rule. */
const all = ref(true);
const { answer: week, trouble } = useQuery(
  () => (bench.id ? { id: bench.id, day: day.value } : null),
  (q, signal) =>
    answer(
      api.GET("/api/plans/{id}/rules/week", {
        params: { path: { id: q.id }, query: q.day ? { day: q.day } : {} },
        signal,
      }),
    ),
);
/** The moment that is looked at, in minutes from Monday 0:00. */
const moment = ref(3 * DAY + 19 * 60 + 50);
const at = computed(() => ({ day: Math.floor(moment.value / DAY), minute: moment.value % DAY }));
const bars = computed(() => (week.value?.bars ?? []).filter((b) => all.value || b.rule === props.rule));
const open = computed(() => (week.value?.open ?? []).filter((b) => b.rule === props.rule));
const called = (device: string | null | undefined) =>
  device ? (plan.value.devices[device]?.name ?? device) : "";
const clock = (minute: number) =>
  `${String(Math.floor(minute / 60)).padStart(2, "0")}:${String(minute % 60).padStart(2, "0")}`;
const share = (minute: number) => `${(100 * minute) / DAY}%`;
const stretch = (from: number, to: number) => ({ left: share(from), width: share(to - from) });
/** When the sun is down on a day, as stretches. */
const nights = (d: number): [number, number][] => {
  const sun = week.value?.days[d];
  if (!sun) return [];
  const { riseMin: rise, setMin: set } = sun;
  if (rise != null && set != null)
    return rise <= set
      ? [
          [0, rise],
          [set, DAY],
        ]
      : [[set, rise]];
  if (rise != null) return [[0, rise]];
  if (set != null) return [[set, DAY]];
  return sun.dark ? [[0, DAY]] : [];
};
const hue = (device: string | null | undefined) =>
  [...(device ?? "")].reduce((sum, letter) => sum + letter.charCodeAt(0), 0) % 4;
const said = computed(() => {
  const { day: d, minute } = at.value;
  const dark = nights(d).some(([from, to]) => minute >= from && minute < to);
  const on = (week.value?.bars ?? []).filter((b) => b.day === d && minute >= b.fromMin && minute < b.toMin);
  const modes = (week.value?.modes ?? []).filter((m) => m.day * DAY + m.minute <= moment.value).slice(-1);
  return [
    `${NAMES[d]} ${clock(minute)}`,
    dark ? "dark" : "light",
    ...modes.map((m) => `${plan.value.state.modes[m.mode]?.name ?? m.mode} ${m.value}`),
    on.length ? `on by rules: ${on.map((b) => called(b.device)).join(", ")}` : "nothing on by the clock",
  ].join(", ");
});
function look(event: PointerEvent, d: number) {
  if (event.type === "pointermove" && event.buttons === 0) return;
  const box = (event.currentTarget as HTMLElement).getBoundingClientRect();
  const minute = Math.round((DAY * (event.clientX - box.left)) / box.width / 5) * 5;
  moment.value = d * DAY + Math.max(0, Math.min(DAY - 5, minute));
}
</script>

<template>
  <section class="week" aria-label="A week by clock and sun">
    <QueryTrouble :trouble="trouble" />
    <div class="row head">
      <b>A week by clock and sun</b>
      <label class="field">
        Week of
        <input
          type="date"
          min="1990-01-01"
          max="2100-12-31"
          :value="day || week?.days[0]?.date"
          @change="day = text($event)"
        />
      </label>
      <label class="check"><input v-model="all" type="checkbox" /> all rules</label>
      <span v-if="week" class="quiet">
        {{ week.zone }}<template v-if="!week.sunKnown">, sun taken from 6:00 to 18:00</template>
        <template v-for="(d, i) in week.days" :key="i">
          <template v-if="d.hours !== 24">, {{ NAMES[i] }} has {{ d.hours }} h</template>
        </template>
      </span>
    </div>
    <label class="field wide">
      Moment: {{ said }}
      <input
        v-model.number="moment"
        type="range"
        min="0"
        :max="7 * DAY - 5"
        step="5"
        :aria-valuetext="said"
      />
    </label>
    <div v-for="(name, d) in NAMES" :key="name" class="day">
      <span class="name">{{ name }}</span>
      <div class="line" @pointerdown="look($event, d)" @pointermove="look($event, d)">
        <i v-for="([from, to], i) in nights(d)" :key="`n${i}`" class="night" :style="stretch(from, to)" />
        <i
          v-for="(q, i) in week?.days[d]?.quiet ?? []"
          :key="`q${i}`"
          class="quiet-hours"
          :style="stretch(q[0]!, q[1]!)"
        />
        <i
          v-for="(b, i) in open.filter((o) => o.day === d)"
          :key="`o${i}`"
          class="open"
          :style="stretch(b.fromMin, b.toMin)"
          :title="`may act ${clock(b.fromMin)} to ${clock(b.toMin)}`"
        />
        <span
          v-for="(b, i) in bars.filter((o) => o.day === d)"
          :key="`b${i}`"
          :class="['bar', `hue${hue(b.device)}`, { mine: b.rule === rule }]"
          :style="stretch(b.fromMin, b.toMin)"
          :title="`${called(b.device)} ${clock(b.fromMin)} to ${clock(b.toMin)}, ${plan.rules[b.rule]?.name ?? b.rule}`"
          >{{ called(b.device) }}</span
        >
        <i
          v-for="(m, i) in (week?.fired ?? []).filter((o) => o.day === d && (all || o.rule === rule))"
          :key="`f${i}`"
          :class="['fired', { mine: m.rule === rule }]"
          :style="{ left: share(m.minute) }"
          :title="`${plan.rules[m.rule]?.name ?? m.rule} fires at ${clock(m.minute)}`"
        />
        <i v-if="at.day === d" class="now" :style="{ left: share(at.minute) }" />
      </div>
    </div>
    <p class="quiet legend">
      Shaded: the sun is down. Dotted: quiet hours. Filled: on because of a rule. Dots: a rule fires by clock
      or sun. Underlined: when the chosen rule may act, if what it waits for happens.
    </p>
  </section>
</template>

<style scoped src="../panel.css"></style>
<style scoped>
.week {
  display: flex;
  flex-direction: column;
  gap: 4px;
}
.head {
  align-items: center;
  gap: 14px;
}
.check {
  display: flex;
  gap: 4px;
  align-items: center;
}
.wide input {
  width: 100%;
  accent-color: var(--copper);
}
.day {
  display: flex;
  gap: 8px;
  align-items: center;
}
.name {
  width: 34px;
}
.line {
  position: relative;
  flex: 1;
  height: 22px;
  background: var(--sheet);
  border: 1px solid var(--hair);
  overflow: hidden;
  touch-action: none;
  cursor: crosshair;
}
.line > * {
  position: absolute;
  top: 0;
  bottom: 0;
}
.night {
  background: color-mix(in srgb, var(--ink) 14%, transparent);
}
.quiet-hours {
  border: 1px dotted var(--ink);
  opacity: 0.6;
}
.open {
  top: auto;
  height: 4px;
  background: var(--copper);
}
.bar {
  top: 2px;
  bottom: 5px;
  overflow: hidden;
  white-space: nowrap;
  font-size: 11px;
  line-height: 14px;
  padding-left: 3px;
  color: #1c1c1c;
}
.hue0 {
  background: #e3a273;
}
.hue1 {
  background: #9fb8c4;
}
.hue2 {
  background: #c9b76b;
}
.hue3 {
  background: #b5c49a;
}
.mine {
  outline: 2px solid var(--ink);
}
.line > .fired {
  width: 7px;
  height: 7px;
  top: 7px;
  bottom: auto;
  margin-left: -3px;
  border-radius: 50%;
  background: var(--ink);
}
.fired.mine {
  background: var(--copper);
}
.now {
  width: 2px;
  background: var(--stop);
}
.legend {
  margin: 0;
}
</style>
