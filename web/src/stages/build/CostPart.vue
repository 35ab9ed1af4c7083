<script setup lang="ts">
import { computed, ref } from "vue";
import QueryTrouble from "../../app/QueryTrouble.vue";
import { answer, api, type Schemas } from "../../api/client";
import CurvePlot from "../../app/CurvePlot.vue";
import EditField from "../../app/EditField.vue";
import FigureButton from "../../app/FigureButton.vue";
import { sendTable } from "../../app/upload";
import { usePlanQuery } from "../../app/useQuery";
import { shown } from "../../drawing/marks";
import { useBench } from "../../plan/store";
import type { TableColumn } from "../../table/columns";
import DataTable from "../../table/DataTable.vue";
import { useParts } from "../controllers/parts";

/** What has to be bought, what it costs, how that compares, and what each further step unlocks. */
const bench = useBench();
const parts = useParts();
const {
  answer: list,
  trouble: unanswered,
  again,
} = usePlanQuery((id, signal) =>
  answer(api.GET("/api/plans/{id}/parts-list", { params: { path: { id } }, signal })),
);
const money = computed(() => bench.plan!.money);
const set = (field: string, value: unknown, what: string) =>
  bench.put(["money"], { ...money.value, [field]: value }, what);
const cost = (value: number) => `${shown(value, value >= 1000 ? 0 : 2)} ${list.value?.currency ?? ""}`;
const share = computed(() =>
  list.value?.budget ? Math.min(1.25, list.value.total / list.value.budget) : null,
);
const suppliers = computed(() => [
  ...new Set((list.value?.lines ?? []).map((l) => l.supplier ?? "no supplier")),
]);
const of = (supplier: string) =>
  (list.value?.lines ?? []).filter((l) => (l.supplier ?? "no supplier") === supplier);
const sum = (supplier: string) => of(supplier).reduce((s, l) => s + (l.cost ?? 0), 0);
const most = computed(() => Math.max(1, ...(list.value?.schools ?? []).map((s) => s.parts + s.work)));
const likely = computed(() => (list.value?.missing ?? []).filter((m) => m.likely !== null));
const takeAll = () =>
  bench.propose(
    likely.value.flatMap((m) => m.edits),
    `${likely.value.length} likely parts`,
  );
const trouble = ref<string | null>(null);
const told = ref<string | null>(null);
async function prices(event: Event) {
  trouble.value = told.value = null;
  const sent = await sendTable<{ parts: number }>("/api/parts/prices", event.target as HTMLInputElement);
  if (sent?.trouble) trouble.value = sent.trouble;
  if (!sent?.body) return;
  told.value = `Prices of ${sent.body.parts} parts taken in from ${sent.name}.`;
  await parts.load(true);
  await bench.guarded(async () => {
    await bench.assess();
    await again();
  });
}
type Line = Schemas["BuyLine"];
const pieces = (value: number, l: Line) => `${shown(value, 0)}${l.metres ? " m" : ""}`;
const columns: TableColumn<Line>[] = [
  { id: "name", head: "Part", wide: true, value: (l) => l.name },
  { id: "supplier", head: "Shop", value: (l) => l.supplier ?? "no supplier" },
  { id: "second", head: "Or from", hidden: true, value: (l) => l.secondSupplier ?? "" },
  { id: "needed", head: "Needed", numeric: true, value: (l) => l.needed, shown: (l) => pieces(l.needed, l) },
  { id: "spare", head: "Spare", numeric: true, hidden: true, value: (l) => l.spare },
  {
    id: "owned",
    head: "Owned",
    numeric: true,
    value: (l) => l.owned,
    shown: (l) => (l.owned ? shown(l.owned, 0) : ""),
  },
  {
    id: "buy",
    head: "Buy",
    numeric: true,
    value: (l) => l.buy,
    shown: (l) => pieces(l.buy, l) + (l.pack !== null && l.pack > 1 ? ` in ${shown(l.pack, 0)}s` : ""),
  },
  {
    id: "price",
    head: "Each",
    numeric: true,
    value: (l) => l.price,
    shown: (l) => (l.price === null ? "" : shown(l.price, 2)),
  },
  { id: "cheaper", head: "Cheaper", hidden: true, value: (l) => l.cheaper ?? "" },
  {
    id: "cost",
    head: "Cost",
    numeric: true,
    value: (l) => l.cost,
    shown: (l) => (l.cost === null ? "no price" : shown(l.cost, 2)),
  },
  { id: "order", head: "Order by", value: (l) => l.orderBy ?? "" },
  {
    id: "uses",
    head: "For",
    wide: true,
    value: (l) => (l.metres ? `${l.uses.length} cables` : l.uses.join(", ")),
  },
];
</script>

<template>
  <QueryTrouble :trouble="unanswered" />
  <div v-if="list" class="panel-body">
    <div class="row">
      <EditField
        label="Budget"
        numeric
        optional
        placeholder="none"
        :value="money.budget"
        :save="(v: number | null) => set('budget', v, 'budget')"
      />
      <EditField
        label="Currency"
        :value="money.currency"
        :save="(v: string) => set('currency', v.toUpperCase(), 'currency')"
      />
      <EditField
        label="Spares of small parts, %"
        numeric
        :value="Math.round(money.spareShare * 1000) / 10"
        :save="(v: number) => set('spareShare', v / 100, 'spares')"
      />
      <EditField
        label="Price of a kWh"
        numeric
        :value="money.energyPrice"
        :save="(v: number) => set('energyPrice', v, 'price of energy')"
      />
      <EditField
        label="An hour of work"
        numeric
        :value="money.hourPrice"
        :save="(v: number) => set('hourPrice', v, 'price of an hour')"
      />
      <a class="plain" :href="`/api/plans/${bench.id}/parts-list/csv`" download>List as CSV</a>
      <label class="import soft">
        Take in prices (CSV)
        <input type="file" accept=".csv,text/csv" class="unseen" @change="prices" />
      </label>
    </div>
    <p v-if="trouble" class="bad" role="alert">{{ trouble }}</p>
    <p v-if="told" role="status">{{ told }}</p>
    <div class="totals">
      <p>
        <b class="big">{{ cost(list.total) }}</b>
        <template v-if="list.budget !== null">
          of {{ cost(list.budget) }}
          <span class="meter" :class="{ over: list.total > list.budget }" aria-hidden="true"
            ><i :style="{ width: `${(share! / 1.25) * 100}%` }"></i><b></b
          ></span>
          <span :class="{ bad: list.total > list.budget }">{{
            list.total > list.budget
              ? `${cost(list.total - list.budget)} over`
              : `${cost(list.budget - list.total)} left`
          }}</span>
        </template>
      </p>
      <p>
        <span v-if="list.perOutput !== null">{{ cost(list.perOutput) }} for each controlled output · </span>
        fees {{ cost(list.feesPerMonth) }} a month ·
        <FigureButton :figure="list.energy" name="Energy of a year"
          >{{ shown(list.energyKwh, 0) }} kWh a year, {{ cost(list.energyCost) }}</FigureButton
        >
      </p>
      <p v-if="list.closesOn">
        Walls close on {{ list.closesOn }};
        {{ list.firstOrder ? `the first order is due by ${list.firstOrder}` : "nothing is left to order" }}.
      </p>
      <details v-if="list.missing.length">
        <summary class="bad">
          Not in the total: {{ list.missing.length }}
          {{ list.missing.length === 1 ? "thing whose part is" : "things whose parts are" }} not chosen
        </summary>
        <button v-if="likely.length > 1" type="button" class="soft" @click="takeAll">
          Take the {{ likely.length }} likely parts
        </button>
        <ul class="unchosen">
          <li v-for="m in list.missing" :key="m.at">
            {{ m.name }}
            <button
              v-if="m.likely"
              type="button"
              class="plain"
              :aria-label="`Take for ${m.name}: ${m.likely}`"
              @click="bench.propose(m.edits, `part of ${m.name}`)"
            >
              Take: {{ m.likely }}
            </button>
            <span v-else class="quiet">{{
              m.at.startsWith("/units")
                ? "a board follows from its devices: see Which board"
                : "choose it at Devices"
            }}</span>
          </li>
        </ul>
      </details>
      <p class="quiet">
        Lamps, sockets and other loads of the house are in it only where their part is chosen. Prices are
        typical ones of {{ list.pricesOf
        }}{{
          list.ownPrices ? `, but for ${list.ownPrices} that were taken in` : "; take in those of your shops"
        }}.
      </p>
      <p v-if="list.unpriced.length" class="bad">Without a price: {{ list.unpriced.join(", ") }}.</p>
    </div>
    <section>
      <h3>Other ways to do the same</h3>
      <table>
        <caption class="unseen">
          Ways to build it
        </caption>
        <thead>
          <tr>
            <th>Way</th>
            <th class="number">Parts</th>
            <th class="number">Work</th>
            <th class="together">Together</th>
            <th class="number">Standing load</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="s in list.schools" :key="s.id" :class="{ chosen: s.id === 'made' }">
            <td>
              {{ s.name }} <span class="quiet">{{ s.about }}</span>
            </td>
            <td class="number">{{ cost(s.parts) }}</td>
            <td class="number">{{ shown(s.hours, 0) }} h{{ s.work ? `, ${cost(s.work)}` : "" }}</td>
            <td>
              <span class="bar" aria-hidden="true"
                ><i :style="{ width: `${((s.parts + s.work) / most) * 100}%` }"></i
              ></span>
              {{ cost(s.parts + s.work) }}
            </td>
            <td class="number">{{ shown(s.standbyW, 0) }} W</td>
          </tr>
        </tbody>
      </table>
    </section>
    <section>
      <h3>What each further step unlocks</h3>
      <table>
        <caption class="unseen">
          Steps of spending
        </caption>
        <thead>
          <tr>
            <th>Step</th>
            <th class="number">Costs</th>
            <th class="number">Together</th>
            <th>Unlocks</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="s in list.steps" :key="s.name">
            <td>{{ s.name }}</td>
            <td class="number">{{ cost(s.cost) }}</td>
            <td class="number" :class="{ bad: !s.affordable }">
              {{ cost(s.sum) }}<span v-if="!s.affordable"> over</span>
            </td>
            <td>{{ s.unlocks.join(", ") || "what all others need" }}</td>
          </tr>
        </tbody>
      </table>
      <CurvePlot
        v-if="list.steps.length > 1"
        label="Cost by step"
        :x="list.steps.map((_, i) => i + 1)"
        x-label="step, in the order of the table"
        :curves="[{ name: 'together', y: list.steps.map((s) => s.sum), steps: true }]"
        :y-label="`together, ${list.currency}`"
        :levels="list.budget === null ? [] : [{ name: 'budget', y: list.budget }]"
        :height="200"
      />
    </section>
    <section>
      <h3>Parts by shop</h3>
      <p v-if="!list.lines.length" class="quiet">
        Nothing to buy yet. Choose boards and supplies at Controllers and parts of devices at Devices.
      </p>
      <template v-else>
        <p class="quiet">
          <template v-for="(supplier, i) in suppliers" :key="supplier"
            >{{ i ? " · " : "" }}{{ supplier }} {{ cost(sum(supplier)) }}</template
          >
        </p>
        <DataTable
          id="parts-to-buy"
          label="Parts to buy"
          :rows="list.lines"
          :key-of="(l: Line) => l.part"
          :name-of="(l: Line) => l.name"
          :columns="columns"
        >
          <template #order="{ row: l }">
            <span :class="{ bad: l.late }">{{ l.orderBy ?? "" }}{{ l.late ? " passed" : "" }}</span>
          </template>
        </DataTable>
      </template>
    </section>
  </div>
</template>

<style scoped src="../panel.css"></style>
<style scoped src="../meter.css"></style>
<style scoped>
.big {
  font-size: 20px;
}
.unchosen .plain {
  text-align: left;
}
.unchosen {
  columns: 2;
  column-gap: 28px;
  margin: 4px 0;
}
.import {
  padding: 6px 12px;
  align-self: end;
}
.import:focus-within {
  outline: 2px solid var(--copper);
}
a.plain {
  align-self: center;
}
.totals {
  display: flex;
  flex-direction: column;
  gap: 3px;
}
h3 {
  margin: 8px 0 2px;
}
.together {
  min-width: 210px;
}
.meter,
.bar {
  display: inline-block;
  position: relative;
  width: 160px;
  height: 10px;
  border: 1px solid var(--hair-strong);
  margin: 0 6px;
  vertical-align: -1px;
}
.bar {
  border: 0;
  width: 110px;
  margin-left: 0;
}
.bar i {
  display: block;
  height: 100%;
  background: var(--signal);
}
</style>
