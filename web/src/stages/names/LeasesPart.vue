<script setup lang="ts">
import { computed, ref } from "vue";
import { answer, api, type Op, type Schemas } from "../../api/client";
import QueryTrouble from "../../app/QueryTrouble.vue";
import { useQuery } from "../../app/useQuery";
import { pointer } from "../../plan/pointers";
import { useBench } from "../../plan/store";

/** A list of what is on the network already, held against the plan; its lines are adopted one by one or all. */
const bench = useBench();
const typed = ref("");
const asked = ref<string | null>(null);
const { answer: list, trouble } = useQuery(
  () => asked.value,
  (table, signal) =>
    answer(
      api.POST("/api/plans/{id}/names/leases", {
        params: { path: { id: bench.id } },
        headers: { "Content-Type": "text/csv" },
        body: table,
        bodySerializer: (body: unknown) => body as string,
        signal,
      }),
    ),
);
async function take(event: Event) {
  const file = (event.target as HTMLInputElement).files?.[0];
  if (!file) return;
  typed.value = await file.text();
  asked.value = typed.value;
}
const nameOf = (id: string) => bench.plan?.units[id]?.name ?? id;
type Leased = Schemas["Leased"];
const others = computed(() => (list.value?.found ?? []).filter((f) => f.verdict !== "SAME"));
const same = computed(() => (list.value?.found.length ?? 0) - others.value.length);
const different = computed(() => others.value.filter((f) => f.verdict === "DIFFERENT"));
const edits = (all: Leased[]): Op[] => all.flatMap((f) => f.adopt) as Op[];
const adopt = (all: Leased[]) =>
  bench.edit(
    edits(all),
    all.length === 1 ? `adopt ${nameOf(all[0]!.unit!)}` : `adopt ${all.length} addresses`,
  );
</script>

<template>
  <div class="panel-body">
    <p class="quiet">
      A table with a header and a column of addresses, hardware addresses or both, such as a router's list of
      leases. Nothing changes before a line is adopted.
    </p>
    <label class="field">
      List, pasted
      <textarea v-model="typed" rows="4" spellcheck="false" placeholder="address,mac,host"></textarea>
    </label>
    <div class="row">
      <button type="button" class="soft" :disabled="!typed.trim()" @click="asked = typed">Compare</button>
      <label class="soft file">
        From a file
        <input type="file" accept=".csv,.txt,text/csv" class="unseen" @change="take" />
      </label>
    </div>
    <QueryTrouble :trouble="trouble" />
    <template v-if="list">
      <p>
        {{ same }} {{ same === 1 ? "is" : "are" }} as in the plan.
        <template v-if="list.gone.length">
          Not in the list: {{ list.gone.slice(0, 12).map(nameOf).join(", ")
          }}<template v-if="list.gone.length > 12"> and {{ list.gone.length - 12 }} more</template>.
        </template>
        <button v-if="different.length > 1" type="button" class="soft" @click="adopt(different)">
          Adopt all {{ different.length }}
        </button>
      </p>
      <table v-if="others.length">
        <thead>
          <tr>
            <th>Address</th>
            <th>Hardware address</th>
            <th>Host</th>
            <th>Unit</th>
            <th>What differs</th>
            <th></th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="f in others.slice(0, 500)" :key="f.line">
            <td>{{ f.address ?? "–" }}</td>
            <td>{{ f.hardwareAddress ?? "–" }}</td>
            <td>{{ f.host ?? "–" }}</td>
            <td>
              <button
                v-if="f.unit"
                type="button"
                class="plain"
                @click="bench.select(pointer('units', f.unit))"
              >
                {{ nameOf(f.unit) }}
              </button>
              <template v-else>–</template>
            </td>
            <td>{{ f.words }}</td>
            <td>
              <button v-if="f.adopt.length" type="button" class="soft" @click="adopt([f])">Adopt</button>
            </td>
          </tr>
        </tbody>
      </table>
      <ul v-if="list.troubles.length" class="bad">
        <li v-for="t in list.troubles" :key="t.line">Line {{ t.line }}: {{ t.message }}.</li>
      </ul>
    </template>
  </div>
</template>

<style scoped src="../panel.css"></style>
<style scoped src="./tables.css"></style>
<style scoped>
textarea {
  width: 100%;
  font-family: var(--mono, monospace);
  font-size: 12px;
}
.file {
  cursor: pointer;
}
</style>
