<script setup lang="ts">
import { answer, api, type Schemas } from "../../api/client";
import FigureButton from "../../app/FigureButton.vue";
import QueryTrouble from "../../app/QueryTrouble.vue";
import { useQuery } from "../../app/useQuery";
import { typed } from "../../plan/patch";
import { useBench } from "../../plan/store";

/** Where a rule can run: what each place hangs on and how long it takes; the best first, each one choice. */
const props = defineProps<{ rule: string }>();
const bench = useBench();
const { answer: hosts, trouble } = useQuery(
  () => (bench.id ? { id: bench.id, rule: props.rule } : null),
  (q, signal) =>
    answer(
      api.GET("/api/plans/{id}/rules/{rule}/hosts", {
        params: { path: { id: q.id, rule: q.rule } },
        signal,
      }),
    ),
);
const KIND: Record<Schemas["RuleHost"]["kind"], string> = {
  OWN_CONTROLLER: "own controller",
  BOUND: "bound",
  PANEL: "panel",
  HUB: "hub",
  OUTSIDE_SERVICE: "outside service",
};
const ms = (value: number) => (value >= 1000 ? `${(value / 1000).toFixed(1)} s` : `${Math.round(value)} ms`);
const chosen = (host: string) => bench.plan?.rules[props.rule]?.host === host;
const move = (host: Schemas["RuleHost"]) =>
  bench.edit([typed(["rules", props.rule, "host"], host.host)], `runs in ${host.name}`);
</script>

<template>
  <QueryTrouble :trouble="trouble" />
  <table v-if="hosts?.length">
    <caption class="unseen">
      Where it can run
    </caption>
    <thead>
      <tr>
        <th>Can run in</th>
        <th>As</th>
        <th>Stops without any one of</th>
        <th>Takes</th>
        <th></th>
      </tr>
    </thead>
    <tbody>
      <tr v-for="(h, i) in hosts" :key="h.host" :class="{ chosen: chosen(h.host) }">
        <td>{{ h.name }}<span v-if="i === 0 && h.runs" class="quiet">, best</span></td>
        <td>{{ KIND[h.kind] }}</td>
        <td v-if="h.runs">
          {{ h.hangsOn.map((c) => c.name).join(", ") || "nothing alone" }}
          <span v-if="h.forgetsTime" class="bad">, forgets the time at a restart</span>
        </td>
        <td v-else class="bad">{{ h.broken }}</td>
        <td>
          <FigureButton v-if="h.runs" :figure="h.latency" name="the time that it takes">{{
            ms(h.typicalMs)
          }}</FigureButton>
          <template v-else>–</template>
        </td>
        <td>
          <span v-if="chosen(h.host)">runs here</span>
          <button v-else-if="h.runs" type="button" class="plain" @click="move(h)">Move it here</button>
        </td>
      </tr>
    </tbody>
  </table>
</template>

<style scoped src="../panel.css"></style>
<style scoped src="../names/tables.css"></style>
