<script setup lang="ts">
import { computed } from "vue";
import { answer, api, type Schemas } from "../../api/client";
import QueryTrouble from "../../app/QueryTrouble.vue";
import { usePlanQuery } from "../../app/useQuery";
import { pointer } from "../../plan/pointers";
import { useBench } from "../../plan/store";

/** What each push-button does, by gesture: which rules, how long it takes to tell, and whether it works without the hub. */
const bench = useBench();
const plan = computed(() => bench.plan!);
const { answer: buttons, trouble } = usePlanQuery((id, signal) =>
  answer(api.GET("/api/plans/{id}/rules/buttons", { params: { path: { id } }, signal })),
);
/** What lamps and sounds say back, as it was said of each unit. */
const indicators = computed(() =>
  Object.entries(plan.value.units).flatMap(([id, u]) =>
    Object.entries(u.indicators).map(([what, means]) => ({ id, name: u.name, what, means })),
  ),
);
const GESTURE: Record<Schemas["Gesture"]["press"], string> = {
  SHORT: "short",
  DOUBLE: "double",
  LONG: "long",
  HELD: "held down",
};
</script>

<template>
  <div class="panel-body">
    <QueryTrouble :trouble="trouble" />
    <p v-if="buttons && !buttons.length" class="quiet">There is no push-button in the plan yet.</p>
    <table v-if="buttons?.length">
      <caption class="unseen">
        Push-buttons and their gestures
      </caption>
      <thead>
        <tr>
          <th>Button</th>
          <th>Gesture</th>
          <th>Sets off</th>
          <th>Known after</th>
          <th>Without the hub</th>
        </tr>
      </thead>
      <tbody>
        <template v-for="b in buttons" :key="b.device">
          <tr v-for="(g, i) in b.gestures" :key="`${b.device} ${g.press}`">
            <th v-if="i === 0" scope="rowgroup" :rowspan="b.gestures.length">
              <button type="button" class="plain" @click="bench.select(pointer('devices', b.device))">
                {{ b.name }}
              </button>
              <div v-if="b.wallOf.length" class="quiet">works {{ b.wallOf.join(", ") }}</div>
            </th>
            <td>{{ GESTURE[g.press] }}</td>
            <td>
              <template v-for="(r, k) in g.rules" :key="r">
                <template v-if="k">, </template>
                <button type="button" class="plain" @click="bench.select(pointer('rules', r))">
                  {{ plan.rules[r]?.name ?? r }}
                </button>
              </template>
              <span v-if="!g.rules.length" class="quiet">unused</span>
            </td>
            <td>{{ g.rules.length ? `${g.decisionMs} ms` : "–" }}</td>
            <td>{{ g.rules.length ? (g.withoutHub ? "works" : "stops") : "–" }}</td>
          </tr>
        </template>
      </tbody>
    </table>
    <table v-if="indicators.length">
      <caption class="unseen">
        What lamps and sounds on units mean
      </caption>
      <thead>
        <tr>
          <th>On</th>
          <th>Lamp or sound</th>
          <th>Means</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="l in indicators" :key="`${l.id} ${l.what}`">
          <th scope="row">
            <button type="button" class="plain" @click="bench.select(pointer('units', l.id))">
              {{ l.name }}
            </button>
          </th>
          <td>{{ l.what }}</td>
          <td>{{ l.means }}</td>
        </tr>
      </tbody>
    </table>
    <p v-if="buttons?.length" class="quiet">
      A short press is known only when a long one (700 ms) and a second one (350 ms) can no longer follow,
      where these are used.
    </p>
  </div>
</template>

<style scoped src="../panel.css"></style>
<style scoped src="../names/tables.css"></style>
