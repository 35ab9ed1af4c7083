<script setup lang="ts">
import { computed, ref } from "vue";
import { answer, api, type Schemas } from "../../api/client";
import FigureButton from "../../app/FigureButton.vue";
import { useReport } from "../../app/useReport";
import { shown } from "../../drawing/marks";
import { useBench } from "../../plan/store";

/** Every cable with its two ends and what each core carries. */
type Line = Schemas["CableLine"];
const bench = useBench();
const cables = useReport((id) =>
  answer(api.GET("/api/plans/{id}/cable-schedule", { params: { path: { id } } })),
);
const text = ref("");
const rows = computed(() =>
  (cables.value ?? []).filter((c) =>
    `${c.id} ${c.fromName} ${c.toName} ${c.kind}`.toLowerCase().includes(text.value.toLowerCase()),
  ),
);
const total = computed(() => {
  const metres = new Map<string, number>();
  for (const c of cables.value ?? []) {
    if (c.part && c.lengthM !== null) metres.set(c.kind, (metres.get(c.kind) ?? 0) + c.lengthM);
  }
  return [...metres].map(([kind, m]) => `${shown(m, 0)} m of ${kind}`).join(" · ");
});
const LAYER: Record<Line["layer"], string> = {
  MAINS: "mains",
  LOW_VOLTAGE: "low voltage",
  BUS: "data",
  CONTACTS: "contacts",
};
</script>

<template>
  <div class="panel-body">
    <div class="row">
      <label class="field"
        >Find<input v-model="text" type="search" placeholder="label, thing or kind"
      /></label>
      <a class="plain" :href="`/api/plans/${bench.id}/cable-schedule/csv`" download>Schedule as CSV</a>
      <a class="plain" :href="`/api/plans/${bench.id}/cable-schedule/labels`" download
        >Labels for both ends (PDF)</a
      >
    </div>
    <p v-if="total" class="quiet">New: {{ total }}</p>
    <p v-if="cables && !cables.length" class="quiet">
      No cable yet. Link units by Ethernet, feed them from a supply, or attach devices that stand elsewhere
      than their controller.
    </p>
    <table v-else>
      <caption class="unseen">
        Cables
      </caption>
      <thead>
        <tr>
          <th>Label</th>
          <th>From</th>
          <th>To</th>
          <th>Kind</th>
          <th class="number">Length</th>
          <th>Cores carry</th>
          <th class="number">Drop</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="c in rows" :key="c.id">
          <td class="label">{{ c.id }}</td>
          <td>
            <button type="button" class="plain" @click="bench.select(c.from)">{{ c.fromName }}</button>
          </td>
          <td>
            <button type="button" class="plain" @click="bench.select(c.to)">{{ c.toName }}</button>
          </td>
          <td>
            {{ c.kind }} <span class="quiet">{{ LAYER[c.layer] }}</span>
          </td>
          <td class="number">
            <template v-if="c.lengthM === null">no place</template>
            <template v-else>{{ c.typed ? "" : "about " }}{{ shown(c.lengthM, 0) }} m</template>
          </td>
          <td class="cores">
            <span v-for="k in c.cores" :key="k.colour + k.carries"
              ><i>{{ k.colour }}</i> {{ k.carries }}<b v-if="k.at">&ensp;{{ k.at }}</b></span
            >
          </td>
          <td class="number">
            <FigureButton v-if="c.dropV !== null" :figure="c.drop" :name="`Drop on ${c.id}`"
              >{{ shown(c.dropV, 2) }} V</FigureButton
            >
          </td>
        </tr>
      </tbody>
    </table>
  </div>
</template>

<style scoped src="../panel.css"></style>
<style scoped>
a.plain {
  align-self: center;
}
.label {
  font-weight: 600;
  letter-spacing: 0.04em;
}
.cores span {
  display: inline-block;
  margin-right: 10px;
  font-size: 13px;
}
.cores i {
  font-style: normal;
  color: var(--ink2);
}
.cores b {
  font-weight: 500;
  color: var(--signal);
}
</style>
