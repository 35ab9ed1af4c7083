<script setup lang="ts">
import { computed } from "vue";
import { answer, api, type Schemas, type State } from "../../api/client";
import QueryTrouble from "../../app/QueryTrouble.vue";
import { usePlanQuery } from "../../app/useQuery";
import SmallHouse from "../../drawing/SmallHouse.vue";
import StateMark from "../../drawing/StateMark.vue";
import { shown, STATE_WORDS } from "../../drawing/marks";
import { useBench } from "../../plan/store";
import { useGo } from "../../plan/useGo";
import { stageId, stageName } from "../../plan/stages";
import { SEVERITY_WORDS, subjectOf } from "../../snags/folding";

/** The first sheet of a plan: how far it is, what is worst, what three outages would do, money, dates, last edits. */
const bench = useBench();
const go = useGo();
const { answer: found, trouble } = usePlanQuery((id, signal) =>
  answer(api.GET("/api/plans/{id}/overview", { params: { path: { id } }, signal })),
);
const { answer: edits } = usePlanQuery((id, signal) =>
  answer(api.GET("/api/plans/{id}/revisions", { params: { path: { id } }, signal })),
);
const ORDER: State[] = ["HOLDS", "REDUCED", "BY_HAND", "LOST", "UNSAFE"];
function open(snag: Schemas["Snag"]) {
  const subject = subjectOf(snag);
  go(stageId(snag.stage), { select: subject });
}
function suppose(line: Schemas["OutageLine"]) {
  void bench.suppose(line.without);
  go("outages");
}
const CLOCK = new Intl.DateTimeFormat("en-GB", {
  day: "numeric",
  month: "short",
  hour: "2-digit",
  minute: "2-digit",
});
const DAY = new Intl.DateTimeFormat("en-GB", { day: "numeric", month: "long", year: "numeric" });
const day = (iso: string) => DAY.format(new Date(`${iso}T12:00:00`));
const last = computed(() => (edits.value ?? []).slice(0, 6));
const money = computed(() => found.value?.money ?? null);
const cost = (value: number) => `${shown(value, value >= 1000 ? 0 : 2)} ${money.value?.currency ?? ""}`;
const empty = computed(() => Object.keys(bench.plan?.rooms ?? {}).length === 0);
</script>

<template>
  <QueryTrouble :trouble="trouble" />
  <div v-if="found" class="panel-body sheet">
    <section class="house" aria-label="The house">
      <SmallHouse :floors="found.floors" :label="`Floors of ${bench.plan!.name}`" :most="4" :tall="170" />
      <p v-if="empty" class="row">
        <button type="button" class="act" @click="go('site', { part: 'files' })">
          Type or paste the rooms
        </button>
        <button type="button" class="soft" @click="go('site')">Draw a room</button>
      </p>
    </section>
    <section aria-labelledby="ov-stages">
      <h2 id="ov-stages">Where the work stands</h2>
      <table>
        <thead>
          <tr>
            <th>Stage</th>
            <th class="number">Snags</th>
            <th>There is</th>
            <th>Next</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="s in found.stages" :key="s.stage">
            <th scope="row">
              <button type="button" class="plain" @click="go(stageId(s.stage))">
                {{ stageName(s.stage) }}
              </button>
            </th>
            <td class="number">{{ s.snags || (s.judged ? "clear" : "nothing yet") }}</td>
            <td class="quiet">{{ s.done.join(", ") }}</td>
            <td>{{ s.next }}</td>
          </tr>
        </tbody>
      </table>
    </section>
    <section aria-labelledby="ov-worst">
      <h2 id="ov-worst">
        Worst snags
        <span class="quiet"
          >{{ found.stops }} stop, {{ found.fixes }} to fix, {{ found.looks }} to look at</span
        >
      </h2>
      <p v-if="!found.worst.length" class="quiet">
        {{ found.stages.some((s) => s.judged) ? "None is open." : "Nothing yet that could be judged." }}
      </p>
      <ul class="lines">
        <li v-for="s in found.worst" :key="s.key">
          <span class="severity" :class="SEVERITY_WORDS[s.severity]">{{ SEVERITY_WORDS[s.severity] }}</span>
          <span>
            <button type="button" class="plain" @click="open(s)">{{ s.title }}</button>
            <span class="quiet"> {{ s.figures }}</span>
          </span>
        </li>
      </ul>
    </section>
    <section aria-labelledby="ov-outages">
      <h2 id="ov-outages">What still works</h2>
      <p v-if="!found.outages.length" class="quiet">Outages follow once there are devices.</p>
      <table v-else>
        <thead>
          <tr>
            <th>Without</th>
            <th v-for="state in ORDER" :key="state" class="number">
              <svg class="mark" viewBox="-7 -7 14 14" aria-hidden="true"><StateMark :state="state" /></svg>
              {{ STATE_WORDS[state] }}
            </th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="o in found.outages" :key="o.name">
            <th scope="row">
              <button type="button" class="plain" :aria-label="`Suppose ${o.name} gone`" @click="suppose(o)">
                {{ o.name }}
              </button>
            </th>
            <td v-for="state in ORDER" :key="state" class="number">{{ o.counts[state] || "–" }}</td>
          </tr>
        </tbody>
      </table>
    </section>
    <section aria-labelledby="ov-money">
      <h2 id="ov-money">Money and dates</h2>
      <dl v-if="money">
        <dt>Parts to buy</dt>
        <dd>
          {{ cost(money.total)
          }}<template v-if="money.budget !== null"> of a budget of {{ cost(money.budget) }}</template>
          <span v-if="money.unchosen" class="quiet">
            , without {{ money.unchosen }} {{ money.unchosen === 1 ? "part" : "parts" }} not chosen or not
            priced</span
          >
        </dd>
        <template v-if="money.feesPerMonth > 0">
          <dt>Services</dt>
          <dd>{{ cost(money.feesPerMonth) }} a month</dd>
        </template>
        <dt>First order</dt>
        <dd>
          {{
            money.firstOrder ? `by ${day(money.firstOrder)}` : "no date: say at Build when the walls close"
          }}
        </dd>
        <dt v-if="money.closesOn">Walls close</dt>
        <dd v-if="money.closesOn">{{ day(money.closesOn) }}</dd>
      </dl>
      <p v-else class="quiet">Not known.</p>
    </section>
    <section aria-labelledby="ov-edits">
      <h2 id="ov-edits">Last edits</h2>
      <ol v-if="last.length" class="lines">
        <li v-for="e in last" :key="e.number">
          <span class="quiet when">{{ CLOCK.format(new Date(e.at)) }}</span>
          <span>{{ e.kind === "EDIT" ? "" : `${e.kind.toLowerCase()}: ` }}{{ e.label }}</span>
        </li>
      </ol>
      <p v-else class="quiet">None yet.</p>
    </section>
  </div>
</template>

<style scoped src="../panel.css"></style>
<style scoped>
.sheet {
  display: grid;
  grid-template-columns: repeat(2, minmax(0, 1fr));
  gap: 18px 28px;
  padding: 16px 20px;
}
.house,
section[aria-labelledby="ov-stages"] {
  grid-column: 1 / -1;
}
h2 {
  font-size: 15px;
  margin: 0 0 6px;
}
h2 .quiet {
  font-weight: 400;
  font-size: 13px;
  margin-left: 8px;
}
th[scope="row"] {
  font-weight: 400;
  text-align: left;
  white-space: nowrap;
  vertical-align: baseline;
}
td {
  vertical-align: baseline;
}
thead th {
  white-space: normal;
  vertical-align: bottom;
}
.lines {
  list-style: none;
  margin: 0;
  padding: 0;
}
.lines li {
  display: flex;
  gap: 10px;
  align-items: baseline;
  padding: 4px 0;
  border-bottom: 1px solid var(--hair);
  overflow-wrap: anywhere;
}
.lines .plain {
  text-align: left;
}
.severity {
  min-width: 36px;
  font-weight: 600;
  font-size: 12px;
}
.severity.stop {
  color: var(--stop);
}
.severity.fix {
  color: var(--link);
}
.mark {
  width: 13px;
  height: 13px;
  vertical-align: -2px;
}
.when {
  min-width: 92px;
  white-space: nowrap;
}
dl {
  display: grid;
  grid-template-columns: max-content 1fr;
  gap: 4px 14px;
  margin: 0;
}
dt {
  color: var(--ink2);
}
dd {
  margin: 0;
}
@media (max-width: 760px) {
  .sheet {
    grid-template-columns: minmax(0, 1fr);
    padding: 12px;
  }
}
</style>
