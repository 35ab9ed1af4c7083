<script setup lang="ts">
import { computed, onMounted } from "vue";
import QueryTrouble from "../../app/QueryTrouble.vue";
import { answer, api, type Schemas } from "../../api/client";
import EditField from "../../app/EditField.vue";
import FigureButton from "../../app/FigureButton.vue";
import { usePlanQuery } from "../../app/useQuery";
import { choice, text } from "../../app/typed";
import { shown } from "../../drawing/marks";
import { useBench } from "../../plan/store";
import { useParts } from "./parts";

/** The lines that boards are chained on: addresses, electrical limits and timing. */
type Report = Schemas["ChainReport"];
type Chain = Schemas["Chain"];
const bench = useBench();
const parts = useParts();
onMounted(() => void parts.load());
const { answer: chains, trouble: unanswered } = usePlanQuery((id, signal) =>
  answer(api.GET("/api/plans/{id}/chains", { params: { path: { id } }, signal })),
);
const cables = computed(() => parts.all.filter((p) => p.kind === "CABLE"));
const KIND: Record<Report["kind"], string> = {
  TWO_WIRE: "two-wire board bus",
  RS485: "RS-485",
  PANEL_BUS: "zones and outputs",
  POWER_LINE: "codes on the power line",
};
const name = (c: Report) =>
  c.kind === "POWER_LINE" ? "The house" : (bench.plan!.units[c.unit]?.name ?? c.unit);
const ticked = (event: Event) => (event.target as HTMLInputElement).checked;
const settable = (c: Report) => c.kind === "TWO_WIRE" || c.kind === "RS485";
const field = (c: Report) => (c.kind === "TWO_WIRE" ? "bus" : "line");
const USUAL: Record<"bus" | "line", Chain> = {
  bus: { cable: null, lengthM: 0.3, rateK: 100, periodMs: null, pullUpOhm: null, ends: 0, reference: false },
  line: { cable: null, lengthM: 1, rateK: 19.2, periodMs: null, pullUpOhm: null, ends: 0, reference: false },
};
const chain = (c: Report) => bench.plan!.units[c.unit]?.boards?.[field(c)] ?? USUAL[field(c)];
const set = (c: Report, key: keyof Chain, value: unknown) =>
  bench.put(
    ["units", c.unit, "boards", field(c)],
    { ...chain(c), [key]: value },
    `${KIND[c.kind]} of ${name(c)}`,
  );
/** Where the pull-ups lie between the least and the greatest, on a logarithmic ruler. */
function ruler(c: Report) {
  const all = [c.leastOhm!, c.mostOhm!, c.pullUpOhm ?? c.mostOhm!].filter((v) => v > 0);
  const low = Math.min(...all) / 1.6;
  const high = Math.max(...all) * 1.6;
  const at = (ohm: number) => (Math.log(ohm / low) / Math.log(high / low)) * 260;
  return {
    least: at(c.leastOhm!),
    most: at(c.mostOhm!),
    pull: c.pullUpOhm === null ? null : at(c.pullUpOhm),
    open: c.leastOhm! <= c.mostOhm!,
  };
}
</script>

<template>
  <QueryTrouble :trouble="unanswered" />
  <div class="panel-body">
    <p v-if="chains && !chains.length" class="quiet">
      No board is chained yet. Add a dimmer, relay or input board of the two-wire bus or of RS-485 to a
      controller, or an expander to a panel.
    </p>
    <section
      v-for="c in chains ?? []"
      :key="c.unit + c.kind"
      class="inspect"
      :aria-label="`${KIND[c.kind]} of ${name(c)}`"
    >
      <h3>
        {{ name(c) }} <span class="quiet">{{ KIND[c.kind] }}</span>
      </h3>
      <div v-if="settable(c)" class="row">
        <label class="field">
          Cable
          <select :value="chain(c).cable ?? ''" @change="set(c, 'cable', choice($event))">
            <option value="">in the box</option>
            <option v-for="p in cables" :key="p.id" :value="p.id">
              {{ p.name }}
            </option>
          </select>
        </label>
        <EditField
          label="Length, m"
          numeric
          :value="chain(c).lengthM"
          :save="(v: number) => set(c, 'lengthM', v)"
        />
        <EditField
          :label="c.kind === 'TWO_WIRE' ? 'Clock, kHz' : 'Rate, kbit/s'"
          numeric
          :value="chain(c).rateK"
          :save="(v: number) => set(c, 'rateK', v)"
        />
        <EditField
          label="All asked within, ms"
          numeric
          optional
          :value="chain(c).periodMs"
          :save="(v: number | null) => set(c, 'periodMs', v)"
        />
        <EditField
          v-if="c.kind === 'TWO_WIRE'"
          label="Own pull-up, Ω"
          numeric
          optional
          placeholder="none"
          :value="chain(c).pullUpOhm"
          :save="(v: number | null) => set(c, 'pullUpOhm', v)"
        />
        <template v-else>
          <label class="field">
            Ends with 120 Ω
            <select :value="chain(c).ends" @change="set(c, 'ends', Number(text($event)))">
              <option v-for="n in [0, 1, 2]" :key="n" :value="n">{{ n }}</option>
            </select>
          </label>
          <label class="tick">
            <input
              type="checkbox"
              :checked="chain(c).reference"
              @change="set(c, 'reference', ticked($event))"
            />
            common reference along
          </label>
        </template>
      </div>
      <p v-for="f in c.faults" :key="f.text" class="bad">{{ f.code }} {{ f.text }}: {{ f.figures }}</p>
      <div v-if="c.kind === 'TWO_WIRE'" class="row limits">
        <svg viewBox="-4 0 268 46" width="268" height="46" role="img" :aria-label="`Pull-ups of ${name(c)}`">
          <path d="M0 26H260" class="rule" />
          <rect
            v-if="ruler(c).open"
            :x="ruler(c).least"
            y="21"
            :width="ruler(c).most - ruler(c).least"
            height="10"
            class="window"
          />
          <text :x="ruler(c).least" y="44" text-anchor="middle">{{ shown(c.leastOhm!, 0) }} Ω</text>
          <text :x="ruler(c).most" y="44" text-anchor="middle">{{ shown(c.mostOhm!, 0) }} Ω</text>
          <template v-if="ruler(c).pull !== null">
            <path :d="`M${ruler(c).pull} 26l-5 -9h10z`" class="now" />
            <text :x="ruler(c).pull!" y="12" text-anchor="middle">{{ shown(c.pullUpOhm!, 0) }} Ω</text>
          </template>
        </svg>
        <FigureButton :figure="c.window" :name="`Pull-ups of ${name(c)}`">pull-ups in parallel</FigureButton>
        <FigureButton :figure="c.capacitance" :name="`Capacitance of ${name(c)}`"
          >{{ shown(c.capacitancePf!, 0) }} of 400 pF</FigureButton
        >
      </div>
      <p>
        <FigureButton v-if="c.cycleMs !== null" :figure="c.cycle" :name="`Cycle of ${name(c)}`"
          >All are asked in {{ shown(c.cycleMs, 2) }} ms</FigureButton
        >
        <span v-if="c.periodMs !== null"> of {{ shown(c.periodMs, 1) }} ms. </span>
        <span v-if="c.cycleMs !== null && c.periodMs === null">. </span>
        <span class="quiet">{{ c.oneMore }}.</span>
      </p>
      <table>
        <caption class="unseen">
          Boards on it
        </caption>
        <thead>
          <tr>
            <th>Board</th>
            <th>{{ c.kind === "POWER_LINE" ? "Code" : "Address" }}</th>
            <th>Carries</th>
            <th v-if="c.cycleMs !== null" class="number">Asked in</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="m in c.members" :key="m.name">
            <td>
              {{ c.kind === "POWER_LINE" ? m.carries : m.name }} <span class="quiet">{{ m.part }}</span>
            </td>
            <td>{{ m.code }}</td>
            <td>{{ c.kind === "POWER_LINE" ? "" : m.carries }}</td>
            <td v-if="c.cycleMs !== null" class="number">{{ shown(m.ms ?? 0, 2) }} ms</td>
          </tr>
        </tbody>
      </table>
    </section>
  </div>
</template>

<style scoped src="../panel.css"></style>
<style scoped>
.limits {
  align-items: center;
  gap: 16px;
}
.rule {
  stroke: var(--hair-strong);
  stroke-width: 1.5;
}
.window {
  fill: color-mix(in srgb, var(--holds) 30%, transparent);
  stroke: var(--holds);
}
.now {
  fill: var(--copper);
}
text {
  font-size: 11px;
  fill: var(--ink);
}
</style>
