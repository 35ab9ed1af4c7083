<script setup lang="ts">
import type { ValueOf } from "../../plan/patch";
import { computed, ref } from "vue";
import QueryTrouble from "../../app/QueryTrouble.vue";
import { answer, api, type Schemas } from "../../api/client";
import CurvePlot from "../../app/CurvePlot.vue";
import EditField from "../../app/EditField.vue";
import FigureButton from "../../app/FigureButton.vue";
import { usePlanQuery } from "../../app/useQuery";
import { text } from "../../app/typed";
import { lasting, shown } from "../../drawing/marks";
import { pointer } from "../../plan/pointers";
import { useBench } from "../../plan/store";
import { useGo } from "../../plan/useGo";
import { putUnit } from "./far";

/** Where the energy of a unit on a battery goes, month by month with a panel, and what other radios would take. */
const bench = useBench();
const go = useGo();
const { answer: all, trouble: unanswered } = usePlanQuery((id, signal) =>
  answer(api.GET("/api/plans/{id}/long-range/energy", { params: { path: { id } }, signal })),
);
const chosen = ref("");
const list = computed(() => Object.values(all.value ?? {}).sort((a, b) => a.name.localeCompare(b.name)));
const energy = computed(
  () =>
    all.value?.[chosen.value] ??
    list.value.find((e) =>
      Object.values(bench.plan!.units[e.unit]!.radios).some((r) => r.medium === "CHIRP"),
    ) ??
    list.value[0],
);
const unit = computed(() => (energy.value ? bench.plan!.units[energy.value.unit] : undefined));
const duty = computed(() => unit.value?.duty);
const put = <F extends "duty" | "solar">(field: F, value: ValueOf<"units", F>, what: string) =>
  putUnit(energy.value!.unit, field, value, `${what} of ${unit.value!.name}`);
const setDuty = (field: "coldestC" | "regulation" | "cycleS" | "sleepUa", value: unknown) =>
  put("duty", { ...duty.value!, [field]: value }, "duty");
const NO_SUN: Schemas["Solar"] = {
  panelW: 2,
  tiltDeg: 60,
  openShare: 0.7,
  sunShareSummer: 0.4,
  sunShareWinter: 0.2,
};
const setSun = (field: keyof Schemas["Solar"], value: number) =>
  put("solar", { ...(unit.value!.solar ?? NO_SUN), [field]: value }, "panel");
function setRegulation(kind: string) {
  void setDuty(
    "regulation",
    kind === ""
      ? null
      : { kind, outV: 3.3, quiescentUa: kind === "LINEAR" ? 2 : 8, efficiency: kind === "LINEAR" ? 1 : 0.88 },
  );
}
const most = computed(() =>
  Math.max(0.001, ...(energy.value?.months ?? []).flatMap((m) => [m.sunWh, m.usedWh])),
);
/** How full the battery is at the end of each day of the year, and where its months begin. */
const throughYear = computed(() => {
  const months = energy.value?.months ?? [];
  const full = months.flatMap((m) => m.dayShares.map((share) => share * 100));
  let begun = 1;
  const marks = months.map((m) => {
    const mark = { at: begun, name: m.month.slice(0, 3) };
    begun += m.dayShares.length;
    return mark;
  });
  return { x: full.map((_, i) => i + 1), full, marks };
});
const SUN = {
  panelW: "Panel, W at full sun",
  tiltDeg: "Tilt, °",
  openShare: "Sky that it sees, 0 to 1",
  sunShareSummer: "Sunny share, summer",
  sunShareWinter: "Sunny share, winter",
} as const;
</script>

<template>
  <QueryTrouble :trouble="unanswered" />
  <div class="panel-body">
    <p v-if="all && !list.length" class="quiet">
      No unit on a battery has a duty yet. Open a unit at
      <button type="button" class="plain" @click="go('controllers')">Controllers</button> and say what feeds
      it and how it spends its time.
    </p>
    <template v-if="energy && unit && duty">
      <div class="row">
        <label class="field">
          Unit on a battery
          <select :value="energy.unit" @change="chosen = text($event)">
            <option v-for="e in list" :key="e.unit" :value="e.unit">{{ e.name }}</option>
          </select>
        </label>
        <button type="button" class="plain" @click="bench.select(pointer('units', energy.unit))">
          Its snags
        </button>
      </div>
      <p>
        <FigureButton :figure="energy.averageFigure" :name="`Average current of ${energy.name}`"
          ><b>{{ shown(energy.averageUa, 1) }} µA</b></FigureButton
        >
        on average from
        {{ energy.cell ?? "cells that are not chosen" }};
        <FigureButton
          v-if="energy.years !== null"
          :figure="energy.figure"
          :name="`Life of the battery of ${energy.name}`"
          ><b>{{ shown(energy.years, energy.years < 1 ? 2 : 1) }} years</b></FigureButton
        >
        <template v-if="energy.years !== null">
          by the cells alone{{ duty.wishYears ? `, wished ${shown(duty.wishYears, 1)}` : "" }}.
        </template>
        <span v-if="energy.diesIn" class="bad">With its panel it dies in {{ energy.diesIn }}.</span>
        <span v-else-if="energy.months.length">With its panel it lasts through the year.</span>
      </p>
      <p v-if="energy.deaf" class="bad">{{ energy.name }} is {{ energy.deaf }}.</p>
      <table>
        <caption class="unseen">
          States of a cycle
        </caption>
        <thead>
          <tr>
            <th>In each {{ shown(duty.cycleS, 0) }} s</th>
            <th class="number">Current</th>
            <th class="number">For</th>
            <th>Share of the charge</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="(s, i) in energy.states" :key="i">
            <td>
              {{ s.name }}<span v-if="s.fixed && i" class="quiet"> (as long as the message takes)</span>
            </td>
            <td class="number">
              {{ s.currentMa < 1 ? `${shown(s.currentMa * 1000, 0)} µA` : `${shown(s.currentMa, 0)} mA` }}
            </td>
            <td class="number">{{ lasting(s.durationMs / 1000) }}</td>
            <td>
              <span class="bar" aria-hidden="true"><i :style="{ width: `${s.share * 100}%` }"></i></span>
              {{ shown(s.share * 100, 0) }} %
            </td>
          </tr>
        </tbody>
      </table>
      <div class="row">
        <EditField
          label="Cycle, s"
          numeric
          :value="duty.cycleS"
          :save="(v: number) => setDuty('cycleS', v)"
        />
        <EditField
          label="Asleep, µA"
          numeric
          :value="duty.sleepUa"
          :save="(v: number) => setDuty('sleepUa', v)"
        />
        <EditField
          label="Coldest, °C"
          numeric
          optional
          placeholder="by its place"
          :value="duty.coldestC"
          :save="(v: number | null) => setDuty('coldestC', v)"
        />
        <label class="field">
          Between cells and board
          <select :value="duty.regulation?.kind ?? ''" @change="setRegulation(text($event))">
            <option value="">nothing, or already counted</option>
            <option value="LINEAR">linear regulator</option>
            <option value="CONVERTER">converter</option>
          </select>
        </label>
        <template v-if="duty.regulation">
          <EditField
            label="Makes, V"
            numeric
            :value="duty.regulation.outV"
            :save="(v: number) => setDuty('regulation', { ...duty!.regulation!, outV: v })"
          />
          <EditField
            label="Takes itself, µA"
            numeric
            :value="duty.regulation.quiescentUa"
            :save="(v: number) => setDuty('regulation', { ...duty!.regulation!, quiescentUa: v })"
          />
        </template>
      </div>
      <div class="two">
        <section>
          <h3>Regulators</h3>
          <table>
            <caption class="unseen">
              The same duty through other regulators
            </caption>
            <thead>
              <tr>
                <th>Between</th>
                <th class="number">Average</th>
                <th class="number">Years</th>
              </tr>
            </thead>
            <tbody>
              <tr v-for="r in energy.regulators" :key="r.what" :class="{ chosen: r.now }">
                <td>{{ r.what }}{{ r.now ? ", as planned" : "" }}</td>
                <td class="number">{{ shown(r.averageUa, 1) }} µA</td>
                <td class="number">
                  <FigureButton :figure="r.figure" :name="`years with ${r.what}`">{{
                    r.years === null ? "" : shown(r.years, 1)
                  }}</FigureButton>
                </td>
              </tr>
            </tbody>
          </table>
        </section>
        <section>
          <h3>The same report by other radios</h3>
          <table>
            <caption class="unseen">
              What a report takes over each radio
            </caption>
            <thead>
              <tr>
                <th>Radio</th>
                <th class="number">Awake</th>
                <th class="number">Charge</th>
                <th class="number">Years</th>
              </tr>
            </thead>
            <tbody>
              <tr v-for="r in energy.radios" :key="r.radio" :class="{ chosen: r.now }">
                <td>
                  {{ r.radio }}<span class="quiet block">{{ r.how }}</span>
                </td>
                <td class="number">{{ lasting(r.awakeMs / 1000) }}</td>
                <td class="number">{{ shown(r.chargeUah, r.chargeUah < 1 ? 2 : 1) }} µAh</td>
                <td class="number">
                  <FigureButton :figure="r.figure" :name="`years over ${r.radio}`">{{
                    r.years === null ? "" : shown(r.years, 1)
                  }}</FigureButton>
                </td>
              </tr>
            </tbody>
          </table>
          <p class="quiet">Currents and times of other radios are typical, not measured.</p>
        </section>
      </div>
      <section class="inspect">
        <h3>Panel</h3>
        <div class="row">
          <template v-if="unit.solar">
            <EditField
              v-for="(label, field) in SUN"
              :key="field"
              numeric
              :label="label"
              :value="unit.solar[field]"
              :save="(v: number) => setSun(field, v)"
            />
            <button type="button" class="plain" @click="put('solar', null, 'panel')">No panel</button>
          </template>
          <button v-else type="button" class="soft" @click="put('solar', NO_SUN, 'panel')">
            Add a panel
          </button>
        </div>
        <p v-if="unit.solar && !energy.months.length" class="bad">
          The months need the site's latitude (at Site), and cells that are chosen.
        </p>
        <CurvePlot
          v-if="energy.months.length"
          label="Battery through the year"
          :x="throughYear.x"
          x-label="day of the year that begins with the best of the sun"
          :marks="throughYear.marks"
          :curves="[{ name: 'full, %', y: throughYear.full }]"
          y-label="full, %"
          :levels="[{ name: 'flat', y: 0 }]"
          :height="180"
        />
        <div v-if="energy.months.length" class="months">
          <div v-for="m in energy.months" :key="m.month" class="month">
            <span class="bars" aria-hidden="true"
              ><i class="sun" :style="{ height: `${(m.sunWh / most) * 100}%` }"></i
              ><i class="used" :style="{ height: `${(m.usedWh / most) * 100}%` }"></i
            ></span>
            <b>{{ m.month.slice(0, 3) }}</b>
            <FigureButton :figure="m.figure" :name="`the sun of ${m.month}`"
              >{{ shown(m.sunWh, 2)
              }}<span class="unseen"> Wh a day into the battery, {{ shown(m.usedWh, 2) }} Wh used</span>
            </FigureButton>
            <span :class="{ bad: m.endShare <= 0 }">{{
              m.endShare <= 0 ? "dead" : `${shown(m.endShare * 100, 0)} %`
            }}</span>
          </div>
        </div>
        <p v-if="energy.months.length" class="quiet">
          Solid: sun into the battery a day, Wh; outlined: used a day; below: how full the battery is at the
          month's end. Sun by latitude and day (FAO Irrigation and Drainage Paper 56), diffuse part after
          Page, tilt after Liu and Jordan, 70 % of it into the battery; an average, never a forecast.
        </p>
      </section>
    </template>
  </div>
</template>

<style scoped src="../panel.css"></style>
<style scoped>
.bar {
  display: inline-block;
  width: 160px;
  height: 9px;
  border: 1px solid var(--hair-strong);
  vertical-align: -1px;
}
.bar i {
  display: block;
  height: 100%;
  background: var(--signal);
}
.two {
  display: grid;
  grid-template-columns: minmax(0, 2fr) minmax(0, 3fr);
  gap: 14px;
}
.block {
  display: block;
  font-size: 12px;
}
.months {
  display: flex;
  gap: 4px;
  font-size: 12px;
  text-align: center;
}
.month {
  flex: 1;
  display: flex;
  flex-direction: column;
}
.bars {
  height: 90px;
  display: flex;
  align-items: flex-end;
  justify-content: center;
  gap: 2px;
  border-bottom: 1px solid var(--hair-strong);
}
.bars i {
  width: 12px;
}
.sun {
  background: var(--reduced);
}
.used {
  border: 1.5px solid var(--ink);
  border-bottom: 0;
}
</style>
