<script setup lang="ts">
import { computed } from "vue";
import { answer, api } from "../../api/client";
import EditField from "../../app/EditField.vue";
import FigureButton from "../../app/FigureButton.vue";
import QueryTrouble from "../../app/QueryTrouble.vue";
import { usePlanQuery } from "../../app/useQuery";
import { shown } from "../../drawing/marks";
import { replaced } from "../../plan/patch";
import { pointer } from "../../plan/pointers";
import { useBench } from "../../plan/store";

/** How many messages rules send to people in a month, by rule, service and person. */
const bench = useBench();
const plan = computed(() => bench.plan!);
const { answer: messages, trouble } = usePlanQuery((id, signal) =>
  answer(api.GET("/api/plans/{id}/rules/messages", { params: { path: { id } }, signal })),
);
const { answer: traffic } = usePlanQuery((id, signal) =>
  answer(api.GET("/api/plans/{id}/names/traffic", { params: { path: { id } }, signal })),
);
const accounts = computed(() =>
  (traffic.value?.accounts ?? []).filter((a) => plan.value.services[a.service]?.kind === "PUSH"),
);
const share = (value: number | null) => (value === null ? "no limit said" : `${shown(100 * value, 0)} %`);
const fee = (service: string) => {
  const said = plan.value.services[service]?.feePerMonth;
  return said ? `${shown(said, 2)} ${plan.value.money.currency}` : "–";
};
const whom = (service: string) =>
  Object.values(plan.value.state.people)
    .filter((p) => p.services.includes(service))
    .map((p) => p.name)
    .join(", ");
const times = (rule: string, value: number | null) =>
  bench.edit(
    [replaced(["rules", rule, "timesMonth"], value)],
    `how often ${plan.value.rules[rule]?.name} fires`,
  );
</script>

<template>
  <h3>Messages a month</h3>
  <QueryTrouble :trouble="trouble" />
  <p v-if="messages && !messages.rules.length" class="quiet">No rule tells anybody yet.</p>
  <table v-if="messages?.rules.length">
    <caption class="unseen">
      Messages a month by rule
    </caption>
    <thead>
      <tr>
        <th>Rule</th>
        <th>Fires a month</th>
        <th class="number">Messages</th>
      </tr>
    </thead>
    <tbody>
      <tr v-for="r in messages.rules" :key="r.rule">
        <th scope="row">
          <button type="button" class="plain" @click="bench.select(pointer('rules', r.rule))">
            {{ r.name }}
          </button>
        </th>
        <td>
          <EditField
            bare
            :label="`How often ${r.name} fires in a month`"
            numeric
            optional
            :placeholder="`about ${shown(r.timesMonth, r.timesMonth < 10 ? 1 : 0)}`"
            :value="plan.rules[r.rule]?.timesMonth ?? null"
            :save="(v: number | null) => times(r.rule, v)"
          />
        </td>
        <td class="number">
          <FigureButton :figure="r.figure" :name="`messages of ${r.name}`">{{
            shown(r.messages, r.messages < 10 ? 1 : 0)
          }}</FigureButton>
        </td>
      </tr>
    </tbody>
  </table>
  <table v-if="accounts.length">
    <caption>
      By service
    </caption>
    <thead>
      <tr>
        <th>Service</th>
        <th>Reaches</th>
        <th class="number">Messages</th>
        <th class="number">Of what it carries</th>
        <th class="number">Costs a month</th>
      </tr>
    </thead>
    <tbody>
      <tr v-for="a in accounts" :key="a.service">
        <th scope="row">{{ a.name }}</th>
        <td>{{ whom(a.service) || "nobody yet" }}</td>
        <td class="number">{{ shown(a.messages, 0) }}</td>
        <td class="number" :class="{ bad: (a.messageShare ?? 0) > 1 }">{{ share(a.messageShare) }}</td>
        <td class="number">{{ fee(a.service) }}</td>
      </tr>
    </tbody>
  </table>
  <table v-if="messages && Object.keys(messages.people).length">
    <caption>
      By person
    </caption>
    <thead>
      <tr>
        <th>Person</th>
        <th class="number">Messages</th>
      </tr>
    </thead>
    <tbody>
      <tr v-for="(count, id) in messages.people" :key="id">
        <th scope="row">{{ plan.state.people[id]?.name ?? id }}</th>
        <td class="number">{{ shown(count, 0) }}</td>
      </tr>
    </tbody>
  </table>
</template>

<style scoped src="../panel.css"></style>
<style scoped src="../names/tables.css"></style>
<style scoped>
h3 {
  margin: 8px 0 0;
}
caption,
th:not(.number) {
  text-align: left;
}
caption {
  font-weight: 600;
}
td :deep(input) {
  width: 90px;
}
</style>
