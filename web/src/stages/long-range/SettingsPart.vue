<script setup lang="ts">
import { computed, reactive, ref } from "vue";
import { answer, api, type Op, type Schemas } from "../../api/client";
import FigureButton from "../../app/FigureButton.vue";
import { useQuery } from "../../app/useQuery";
import { lasting, percent, shown } from "../../drawing/marks";
import { useBench } from "../../plan/store";
import { useFar } from "./far";
import PathSelect from "./PathSelect.vue";

/** Every setting of the chirp link over the chosen path, and which is best for what. */
type Setting = Schemas["Setting"];
const bench = useBench();
const far = useFar();
const ask = reactive({ codingRate: 5, payload: "", tries: "", frequency: "" });
const look = ref<"margin" | "air" | "interval" | "frames" | "years" | "delivery" | "answer">("margin");
const picked = ref<string | null>(null);
const LOOKS = {
  margin: "margin, dB",
  air: "time on air",
  interval: "least lawful interval",
  frames: "frames in an hour",
  years: "battery, years",
  delivery: "delivered with all tries",
  answer: "until it is confirmed",
};
const number = (text: string) => (text.trim() === "" ? undefined : Number(text.replace(",", ".")));

/** What is asked for, in numbers. */
function wanted() {
  const [payloadBytes, tries, frequencyMHz] = [ask.payload, ask.tries, ask.frequency].map(number);
  if ([payloadBytes, tries, frequencyMHz].some((n) => n !== undefined && !Number.isFinite(n))) {
    throw new Error("Payload, tries and frequency are numbers.");
  }
  return { codingRate: ask.codingRate, payloadBytes, tries, frequencyMHz };
}
const {
  answer: grid,
  of,
  trouble,
  working,
} = useQuery(
  () => (far.path ? { path: far.path, ...ask } : null),
  async ({ path }) =>
    answer(
      api.GET("/api/plans/{id}/long-range/paths/{path}/settings", {
        params: { path: { id: bench.id, path }, query: wanted() },
      }),
    ),
);
const bandwidths = computed(() => [...new Set(grid.value?.settings.map((s) => s.bandwidthKHz) ?? [])]);
const factors = computed(() => [...new Set(grid.value?.settings.map((s) => s.spreadingFactor) ?? [])]);
const cell = (sf: number, khz: number) =>
  grid.value!.settings.find((s) => s.spreadingFactor === sf && s.bandwidthKHz === khz)!;
const key = (s: { spreadingFactor: number; bandwidthKHz: number }) =>
  `${s.spreadingFactor}/${s.bandwidthKHz}`;
function value(s: Setting): string {
  switch (look.value) {
    case "margin":
      return shown(s.marginDb, 1);
    case "air":
      return lasting(s.airtimeMs / 1000);
    case "interval":
      return s.leastIntervalS === null ? "none stated" : lasting(s.leastIntervalS);
    case "frames":
      return shown(s.framesPerHour, s.framesPerHour < 10 ? 1 : 0);
    case "years":
      return s.years === null ? "not known" : shown(s.years, 1);
    case "delivery":
      return percent(s.delivery);
    default:
      return lasting(s.ackMs / 1000);
  }
}
const now = computed(() => grid.value?.settings.find((s) => s.now));
const chosen = computed(
  () => grid.value?.settings.find((s) => key(s) === picked.value) ?? now.value ?? grid.value?.settings[0],
);
const { answer: figures } = useQuery(
  () => (far.path && chosen.value ? { path: far.path, setting: chosen.value } : null),
  ({ path, setting }) =>
    answer(
      api.GET("/api/plans/{id}/long-range/paths/{path}/settings/{spreadingFactor}/{bandwidthKHz}", {
        params: {
          path: {
            id: bench.id,
            path,
            spreadingFactor: setting.spreadingFactor,
            bandwidthKHz: setting.bandwidthKHz,
          },
          query: wanted(),
        },
      }),
    ),
);
const pickOf = (s: Setting) => grid.value!.picks.filter((p) => key(p) === key(s)).map((p) => p.wish);
async function use(s: Setting) {
  const chirp = {
    spreadingFactor: s.spreadingFactor,
    bandwidthKHz: s.bandwidthKHz,
    codingRateDenominator: s.codingRate,
  };
  const frequency = number(ask.frequency);
  const ops = grid.value!.radios.flatMap((at): Op[] => [
    { op: "replace", path: `${at}/chirp`, value: chirp },
    ...(frequency === undefined
      ? []
      : [{ op: "replace" as const, path: `${at}/frequencyMHz`, value: frequency }]),
  ]);
  await bench.propose(
    ops,
    `SF${s.spreadingFactor} at ${s.bandwidthKHz} kHz for ${grid.value!.radios.length} radios`,
  );
}
</script>

<template>
  <div class="panel-body">
    <div class="row">
      <PathSelect />
      <label class="field">
        Show
        <select v-model="look">
          <option v-for="(text, id) in LOOKS" :key="id" :value="id">{{ text }}</option>
        </select>
      </label>
      <label class="field">
        Coding rate
        <select v-model.number="ask.codingRate">
          <option v-for="c in [5, 6, 7, 8]" :key="c" :value="c">4/{{ c }}</option>
        </select>
      </label>
      <label class="field"
        >Payload, bytes<input v-model.lazy="ask.payload" class="short" placeholder="plan’s"
      /></label>
      <label class="field">Tries<input v-model.lazy="ask.tries" class="short" placeholder="plan’s" /></label>
      <label class="field"
        >Frequency, MHz<input v-model.lazy="ask.frequency" class="short" placeholder="plan’s"
      /></label>
    </div>
    <p v-if="working" class="quiet" role="status">weighing every setting…</p>
    <p v-if="trouble" class="bad" role="alert">{{ trouble }}</p>
    <p v-if="!far.path" class="quiet">Take the terrain profile of a far link first: see Paths.</p>
    <template v-if="grid && of?.path === far.path">
      <p class="quiet">
        {{ grid.payloadBytes }} bytes, {{ grid.tries }} {{ grid.tries === 1 ? "try" : "tries" }}; the target
        of {{ percent(grid.target) }} needs {{ shown(grid.neededDb, 1) }} dB. Striped: not lawful by the
        table. Slanted: ruled out as a choice; press it to read why. Underlined: meets the target. Framed: as
        planned.
      </p>
      <table class="grid">
        <caption class="unseen">
          Settings by spreading factor and bandwidth
        </caption>
        <thead>
          <tr>
            <th>kHz</th>
            <th v-for="b in bandwidths" :key="b" class="number">{{ b }}</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="sf in factors" :key="sf">
            <th scope="row">SF{{ sf }}</th>
            <td v-for="b in bandwidths" :key="b" class="number">
              <button
                type="button"
                class="cell"
                :class="{
                  meets: cell(sf, b).meets,
                  unlawful: cell(sf, b).broken.length > 0,
                  now: cell(sf, b).now,
                  out: cell(sf, b).ruledOut !== null,
                }"
                :aria-pressed="chosen === cell(sf, b)"
                @click="picked = key(cell(sf, b))"
              >
                <span class="unseen">SF{{ sf }}, {{ b }} kHz: </span>{{ value(cell(sf, b)) }}
                <span class="unseen"
                  >{{ cell(sf, b).meets ? ", meets the target" : ""
                  }}{{ cell(sf, b).broken.length ? ", not lawful" : "" }}</span
                >
                <span v-for="w in pickOf(cell(sf, b))" :key="w" class="pick">{{ w }}</span>
              </button>
            </td>
          </tr>
        </tbody>
      </table>
      <ul class="picks">
        <li v-for="p in grid.picks" :key="p.wish">
          <button type="button" class="plain" @click="picked = key(p)">
            Best for {{ p.wish }}: SF{{ p.spreadingFactor }} at {{ p.bandwidthKHz }} kHz</button
          >, {{ p.why }}.
        </li>
        <li v-if="!grid.picks.some((p) => p.wish === 'battery')" class="bad">
          No setting that nothing rules out meets the target on this ground: see Ways to gain margin.
        </li>
      </ul>
      <section v-if="chosen" class="inspect">
        <h3>
          SF{{ chosen.spreadingFactor }}, {{ chosen.bandwidthKHz }} kHz, 4/{{ chosen.codingRate
          }}{{ chosen.now ? ", as planned" : "" }}
        </h3>
        <p v-if="chosen.ruledOut" class="bad">Ruled out as a choice: {{ chosen.ruledOut }}.</p>
        <dl>
          <dt>Margin</dt>
          <dd>
            <FigureButton :figure="figures?.margin ?? null" name="the margin of this setting"
              >{{ shown(chosen.marginDb, 1) }} dB</FigureButton
            >, holds with
            <FigureButton :figure="figures?.chance ?? null" name="the chance that it holds">{{
              percent(chosen.chance)
            }}</FigureButton>; receiver floor {{ shown(chosen.sensitivityDbm, 1) }} dBm
          </dd>
          <dt>Time on air</dt>
          <dd>
            <FigureButton :figure="figures?.airtime ?? null" name="the time on air">{{
              lasting(chosen.airtimeMs / 1000)
            }}</FigureButton>
          </dd>
          <dt>By law at most every</dt>
          <dd>
            <FigureButton :figure="figures?.interval ?? null" name="the least lawful interval">{{
              chosen.leastIntervalS === null ? "no limit in the table" : lasting(chosen.leastIntervalS)
            }}</FigureButton>, {{ shown(chosen.framesPerHour, chosen.framesPerHour < 10 ? 1 : 0) }} messages
            in an hour
          </dd>
          <dt>Battery</dt>
          <dd>
            <FigureButton :figure="figures?.battery ?? null" name="the life of the battery">{{
              chosen.years === null ? "cells or duty not known" : `${shown(chosen.years, 1)} years`
            }}</FigureButton>
          </dd>
          <dt>Delivered</dt>
          <dd>
            <FigureButton :figure="figures?.delivery ?? null" name="the chance of delivery">{{
              percent(chosen.delivery)
            }}</FigureButton>
            with all tries: tries help against collisions, not against a hill
          </dd>
          <dt>Confirmed after</dt>
          <dd>
            <FigureButton :figure="figures?.answer ?? null" name="the time until it is confirmed">{{
              lasting(chosen.ackMs / 1000)
            }}</FigureButton>
          </dd>
        </dl>
        <p v-for="b in chosen.broken" :key="b" class="bad">Not lawful: {{ b }}.</p>
        <p v-for="n in chosen.notes" :key="n" class="quiet">{{ n }}.</p>
        <div class="row">
          <button type="button" class="act" :disabled="chosen.now" @click="use(chosen)">
            Set {{ grid.radios.length }} radios so
          </button>
          <span class="quiet"
            >Both ends and all that talk with either go along. Check with your regulator.</span
          >
        </div>
      </section>
    </template>
  </div>
</template>

<style scoped src="../panel.css"></style>
<style scoped>
.grid td {
  padding: 1px 2px;
}
.cell {
  position: relative;
  width: 100%;
  min-width: 54px;
  border: 1px solid transparent;
  background: none;
  padding: 2px 4px;
  text-align: right;
  cursor: pointer;
  font-size: 13px;
  color: var(--ink2);
}
.cell.meets {
  color: var(--ink);
  font-weight: 500;
  box-shadow: inset 0 -2px 0 var(--holds);
}
.cell.unlawful {
  background: repeating-linear-gradient(
    135deg,
    color-mix(in srgb, var(--unsafe) 22%, transparent) 0 2px,
    transparent 2px 7px
  );
}
.cell.out {
  font-style: italic;
}
.cell.now {
  border-color: var(--ink);
}
.cell[aria-pressed="true"] {
  outline: 2px solid var(--copper);
}
.pick {
  display: block;
  font-size: 11px;
  font-weight: 500;
  color: var(--link);
}
.picks {
  margin: 0;
  padding-left: 18px;
}
dl {
  display: grid;
  grid-template-columns: max-content 1fr;
  gap: 2px 12px;
  margin: 0;
}
dt {
  color: var(--ink2);
  line-height: 26px;
}
dd {
  margin: 0;
  line-height: 26px;
}
</style>
