<script setup lang="ts">
import { computed, ref, watch } from "vue";
import { answer, api, type Schemas } from "../../api/client";
import EditField from "../../app/EditField.vue";
import FigureButton from "../../app/FigureButton.vue";
import JobProgress from "../../app/JobProgress.vue";
import QueryTrouble from "../../app/QueryTrouble.vue";
import { useJob } from "../../app/useJob";
import { usePlanQuery, useQuery } from "../../app/useQuery";
import { JOB_WORDS, words } from "../../drawing/marks";
import { added, removed } from "../../plan/patch";
import { pointer } from "../../plan/pointers";
import { useBench } from "../../plan/store";
import type { TableColumn } from "../../table/columns";
import DataTable from "../../table/DataTable.vue";
import { hoursAYear } from "./outage";

/** How many hours a year each job is lost, by what, with the least sets of failures that lose it. */
const bench = useBench();
const plan = computed(() => bench.plan!);
type Lost = Schemas["LostJob"];
const found = ref<Lost[] | null>(null);
const of = ref(0);
const {
  job,
  share,
  doing,
  trouble,
  start: begin,
  stop,
} = useJob<{ jobs: Lost[] }>((result) => {
  if (result) found.value = result.jobs;
});
async function start() {
  of.value = bench.revision;
  await begin(() =>
    answer(api.POST("/api/plans/{id}/outages/hours", { params: { path: { id: bench.id } } })),
  );
}
watch(
  () => bench.id,
  (id) => {
    if (id) void start();
  },
  { immediate: true },
);
const stale = computed(() => found.value !== null && of.value !== bench.revision);
/** Lost with everything working: nothing that fails changes it. */
const always = (l: Lost) => l.low > 8765;
const keyOf = (l: Lost) => `${l.device} ${l.job}`;
const rows = computed(() => (found.value ?? []).filter((l) => plan.value.devices[l.device]));
const chosenKey = ref<string | null>(null);
const chosen = computed(
  () => rows.value.find((l) => keyOf(l) === chosenKey.value) ?? rows.value.find((l) => !always(l)) ?? null,
);
const columns: TableColumn<Lost>[] = [
  { id: "device", head: "Device", wide: true, value: (l) => plan.value.devices[l.device]?.name ?? l.device },
  { id: "job", head: "Job", value: (l) => JOB_WORDS[l.job] },
  {
    id: "hours",
    head: "Lost, h",
    numeric: true,
    value: (l) => l.hours,
    shown: (l) => (always(l) ? "always" : hoursAYear(l.hours)),
  },
  {
    id: "band",
    head: "Band",
    value: (l) => l.high,
    shown: (l) => (always(l) ? "–" : `${hoursAYear(l.low)} to ${hoursAYear(l.high)}`),
  },
  {
    id: "hand",
    head: "By hand only, h",
    numeric: true,
    value: (l) => l.byHandH,
    shown: (l) => hoursAYear(l.byHandH),
  },
  {
    id: "chance",
    head: "Once a year",
    numeric: true,
    value: (l) => l.chance,
    shown: (l) => (always(l) ? "–" : `${Math.round(l.chance * 100)} %`),
  },
];
const { answer: least, trouble: leastTrouble } = useQuery(
  () =>
    chosen.value && bench.id ? { id: bench.id, device: chosen.value.device, job: chosen.value.job } : null,
  ({ id, device, job }, signal) =>
    answer(
      api.GET("/api/plans/{id}/outages/least", { params: { path: { id }, query: { device, job } }, signal }),
    ),
);
const saved = ref<{ key: string; revision: number; changes: Schemas["HoursSaved"][] } | null>(null);
const saving = useJob<{ changes: Schemas["HoursSaved"][] }>((result) => {
  if (result && chosen.value)
    saved.value = { key: keyOf(chosen.value), revision: bench.revision, changes: result.changes };
});
const seek = () =>
  saving.start(() =>
    answer(
      api.POST("/api/plans/{id}/outages/saved-hours", {
        params: { path: { id: bench.id }, query: { device: chosen.value!.device, job: chosen.value!.job } },
      }),
    ),
  );
const savedNow = computed(() =>
  saved.value &&
  chosen.value &&
  saved.value.key === keyOf(chosen.value) &&
  saved.value.revision === bench.revision
    ? saved.value.changes
    : null,
);
const money = (cost: number) => `${cost.toFixed(2)} ${plan.value.money.currency}`;
const SHOWN = 12;
const longest = computed(() =>
  Math.max(1e-9, ...(chosen.value?.shares ?? []).slice(0, SHOWN).map((s) => s.high)),
);
const SIZES = ["", "alone", "pair", "three"];
const sets = computed(() => least.value?.sets ?? []);
const { answer: times, trouble: timesTrouble } = usePlanQuery((id, signal) =>
  answer(api.GET("/api/plans/{id}/outages/mean-times", { params: { path: { id } }, signal })),
);
type Times = Schemas["MeanTimes"];
const rate = (t: Times, said: { perYear?: number; repairH?: number; testDays?: number | null }) =>
  bench.edit(
    [
      added(["failureRates", t.kind], {
        perYear: t.perYear.typical,
        repairH: t.repairH.typical,
        testDays: t.kind === "BACKUP" ? t.testDays.typical : null,
        ...said,
      }),
    ],
    `how often ${words(t.kind)} fails`,
  );
const usual = (t: Times) =>
  bench.edit([removed("failureRates", t.kind)], `usual figures of ${words(t.kind)}`);
const range = (r: Times["perYear"]) => (r.low === r.high ? "" : `${r.low} to ${r.high}`);
</script>

<template>
  <div class="panel-body">
    <div class="row">
      <button v-if="!job" type="button" class="soft" @click="start">
        {{ stale ? "The plan has changed: work it out anew" : "Work it out anew" }}
      </button>
      <button v-else type="button" class="soft" @click="stop">Cancel</button>
      <JobProgress v-if="job" :share="share" :doing="doing" />
      <span class="quiet">Exact arithmetic on estimates; the band is what the ranges below give.</span>
    </div>
    <QueryTrouble :trouble="trouble" />
    <p v-if="found && !rows.length" class="quiet">No device has a job yet that could be lost.</p>
    <div v-if="rows.length">
      <DataTable
        id="lost-hours"
        class="left"
        label="Hours a year that each job is lost"
        :rows="rows"
        :key-of="keyOf"
        :name-of="(l: Lost) => plan.devices[l.device]?.name ?? l.device"
        :columns="columns"
        :current="chosen ? keyOf(chosen) : undefined"
        @open="(key: string) => (chosenKey = key)"
      />
      <section v-if="chosen" class="right" aria-label="What loses the chosen job">
        <h3>
          {{ plan.devices[chosen.device]?.name }}, {{ JOB_WORDS[chosen.job] }}: lost
          <FigureButton :figure="chosen.figure" name="the hours lost">{{
            hoursAYear(chosen.hours)
          }}</FigureButton>
          h a year
          <span class="quiet"
            >({{ hoursAYear(chosen.low) }} to {{ hoursAYear(chosen.high) }}: estimates)</span
          >
        </h3>
        <p v-if="chosen.missing > 0" class="bad">
          Not exact: states with more than three failures could add {{ hoursAYear(chosen.missing) }} h.
        </p>
        <p v-if="!chosen.shares.length" class="quiet">Nothing that fails takes it.</p>
        <table v-else>
          <caption>
            Hours that would be saved if it never failed
          </caption>
          <tbody>
            <tr v-for="s in chosen.shares.slice(0, SHOWN)" :key="s.component">
              <th scope="row">{{ s.name }}</th>
              <td class="bar" aria-hidden="true">
                <i :style="{ width: `${(100 * s.high) / longest}%` }" class="most" />
                <i :style="{ width: `${(100 * s.hours) / longest}%` }" />
              </td>
              <td class="num">
                <FigureButton :figure="chosen.figure" :name="`the share of ${s.name}`">{{
                  hoursAYear(s.hours)
                }}</FigureButton>
                h
                <span class="quiet">({{ hoursAYear(s.low) }} to {{ hoursAYear(s.high) }})</span>
              </td>
            </tr>
          </tbody>
        </table>
        <p v-if="chosen.shares.length > SHOWN" class="quiet">
          and {{ chosen.shares.length - SHOWN }} smaller ones
        </p>
        <div class="row">
          <button v-if="!saving.job.value" type="button" class="soft" @click="seek">
            What would save most for the money
          </button>
          <button v-else type="button" class="soft" @click="saving.stop">Cancel</button>
          <JobProgress v-if="saving.job.value" :share="saving.share.value" :doing="saving.doing.value" />
        </div>
        <QueryTrouble :trouble="saving.trouble.value" />
        <p v-if="savedNow && !savedNow.length" class="quiet">No change that is known saves a minute of it.</p>
        <table v-if="savedNow?.length">
          <caption>
            Changes by hours saved for 10
            {{
              plan.money.currency
            }}
          </caption>
          <thead>
            <tr>
              <th scope="col">Change</th>
              <th scope="col">Cost</th>
              <th scope="col">Saves</th>
              <th scope="col">For 10</th>
              <td></td>
            </tr>
          </thead>
          <tbody>
            <tr v-for="s in savedNow" :key="s.change.id">
              <th scope="row">{{ s.change.label }}</th>
              <td class="num">
                <FigureButton :figure="s.change.figure" :name="`the cost of ${s.change.label}`">{{
                  money(s.change.cost)
                }}</FigureButton>
              </td>
              <td class="num">{{ hoursAYear(s.beforeH - s.afterH) }} h</td>
              <td class="num">{{ s.change.cost ? hoursAYear(s.perTen) + " h" : "free" }}</td>
              <td>
                <button
                  type="button"
                  class="plain"
                  :aria-label="`Make it: ${s.change.label}`"
                  @click="bench.propose(s.change.edits, s.change.label.slice(0, 110))"
                >
                  Make it
                </button>
              </td>
            </tr>
          </tbody>
        </table>
        <QueryTrouble :trouble="leastTrouble" />
        <table v-if="sets.length">
          <caption>
            Least sets that lose it
          </caption>
          <tbody>
            <tr v-for="s in sets.slice(0, 24)" :key="s.components.join()">
              <th scope="row">
                <button type="button" class="plain" @click="bench.suppose(s.components)">
                  {{ s.names.join(" + ") }}
                </button>
              </th>
              <td class="quiet">
                {{ SIZES[s.components.length]
                }}{{ s.worksAgain ? "; works again when more fails: its position gives it then" : "" }}
              </td>
            </tr>
          </tbody>
        </table>
        <p v-if="sets.length > 24" class="quiet">and {{ sets.length - 24 }} more of up to three</p>
        <p v-if="least && !sets.length" class="quiet">
          No three failures lose it, or it is lost with everything working.
        </p>
        <p v-if="least && least.confidence !== null" class="quiet">
          Confidence that its links hold: {{ Math.floor((least.confidence ?? 0) * 100) }} %, not counted in
          the hours.
        </p>
        <button type="button" class="soft" @click="bench.select(pointer('devices', chosen.device))">
          Show the device
        </button>
      </section>
    </div>
    <h3>How often things fail</h3>
    <QueryTrouble :trouble="timesTrouble" />
    <table v-if="times" class="times">
      <caption class="unseen">
        Failures a year and hours until repaired, by kind
      </caption>
      <thead>
        <tr>
          <th scope="col">Kind</th>
          <th scope="col">Failures a year</th>
          <th scope="col">Range</th>
          <th scope="col">Hours until it works again</th>
          <th scope="col">Range</th>
          <th scope="col">Source</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="t in times" :key="t.kind">
          <th scope="row">{{ words(t.kind) }}</th>
          <td>
            <EditField
              bare
              numeric
              :label="`Failures a year of ${words(t.kind)}`"
              :value="t.perYear.typical"
              :save="(v: number) => rate(t, { perYear: v })"
            />
          </td>
          <td class="quiet">{{ range(t.perYear) }}</td>
          <td>
            <EditField
              v-if="t.kind !== 'BACKUP'"
              bare
              numeric
              :label="`Hours until ${words(t.kind)} works again`"
              :value="t.repairH.typical"
              :save="(v: number) => rate(t, { repairH: v })"
            />
            <EditField
              v-else
              bare
              numeric
              label="Days from one test of backups to the next"
              :value="t.testDays.typical"
              :save="(v: number) => rate(t, { testDays: v })"
            />
          </td>
          <td class="quiet">
            {{ t.kind === "BACKUP" ? `days between tests; ${range(t.testDays)}` : range(t.repairH) }}
          </td>
          <td class="quiet">
            {{ t.source }}
            <button
              v-if="t.own"
              type="button"
              class="plain"
              :aria-label="`usual figures of ${words(t.kind)}`"
              @click="usual(t)"
            >
              usual figures
            </button>
          </td>
        </tr>
      </tbody>
    </table>
    <p class="quiet">
      Counted: one failure of anything at any time, independent of others. What hangs on one circuit, box or
      line fails with it. Outages of the mains last longer than B hours with the share e^(−B/M), M being their
      mean length; a backup may be dead unseen, for half the time between tests. Not counted: that an area
      outage takes lines and mobile cells along after some hours; links of radios, whose confidence stands
      beside.
    </p>
  </div>
</template>

<style scoped src="../panel.css"></style>
<style scoped src="../names/tables.css"></style>
<style scoped>
.left {
  max-height: 320px;
  min-width: 0;
}
.right {
  min-width: 0;
}
caption,
th,
td,
th button {
  text-align: left;
}
caption {
  font-weight: 600;
}
.num {
  white-space: nowrap;
}
.bar {
  width: 180px;
  position: relative;
}
.bar i {
  position: absolute;
  left: 0;
  top: 5px;
  height: 16px;
  background: var(--signal);
}
.bar .most {
  top: 9px;
  height: 8px;
  opacity: 0.35;
}
.times :deep(input) {
  width: 84px;
}
</style>
