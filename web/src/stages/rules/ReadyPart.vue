<script setup lang="ts">
import { answer, api, type Schemas } from "../../api/client";
import QueryTrouble from "../../app/QueryTrouble.vue";
import { usePlanQuery } from "../../app/useQuery";
import { added } from "../../plan/patch";
import { pointer } from "../../plan/pointers";
import { useBench } from "../../plan/store";

/** Rules that many houses have, made of this house's things; read before they are added. */
const bench = useBench();
const { answer: offers, trouble } = usePlanQuery((id, signal) =>
  answer(api.GET("/api/plans/{id}/rules/ready", { params: { path: { id } }, signal })),
);
async function take(ready: Schemas["ReadyRule"]) {
  const made = Object.entries(ready.rules);
  const ops = made.map(([id, rule]) => added(["rules", id], rule));
  if (await bench.edit(ops, ready.name)) bench.select(pointer("rules", made[0]![0]));
}
</script>

<template>
  <div class="panel-body">
    <QueryTrouble :trouble="trouble" />
    <p class="quiet">Times and values are a beginning; change them to what the house wants.</p>
    <section v-for="o in offers ?? []" :key="o.ready.key" class="offer">
      <h3>{{ o.ready.name }}</h3>
      <p>{{ o.ready.why }}</p>
      <template v-if="o.ready.missing === null">
        <p v-for="(text, i) in o.sentences" :key="i" class="sentence">{{ text }}</p>
        <button type="button" class="act" :aria-label="`Add ${o.ready.name}`" @click="take(o.ready)">
          Add
        </button>
      </template>
      <p v-else class="quiet">The plan has not yet: {{ o.ready.missing }}.</p>
    </section>
  </div>
</template>

<style scoped src="../panel.css"></style>
<style scoped>
.offer {
  border-top: 1px solid var(--hair);
  padding: 6px 0;
}
h3,
.offer p {
  margin: 0 0 4px;
}
.sentence {
  background: var(--sheet);
  border-left: 3px solid var(--copper);
  padding: 4px 10px;
}
</style>
