<script setup lang="ts">
import { computed, onUnmounted, watch } from "vue";
import { answer, api, type Schemas } from "../../api/client";
import QueryTrouble from "../../app/QueryTrouble.vue";
import { useQuery } from "../../app/useQuery";
import StateMark from "../../drawing/StateMark.vue";
import { JOB_WORDS, STATE_WORDS } from "../../drawing/marks";
import { pointer } from "../../plan/pointers";
import { useBench } from "../../plan/store";
import OutageClock from "./OutageClock.vue";

/** Who gets out and in while the supposed outage lasts, what stands open, and who is told of what. */
const bench = useBench();
const plan = computed(() => bench.plan!);
const asked = () => (bench.id ? { id: bench.id, outage: bench.outageQuery } : null);
const { answer: doors, trouble } = useQuery(asked, ({ id, outage }, signal) =>
  answer(
    api.GET("/api/plans/{id}/outages/ways-out", {
      params: { path: { id } },
      querySerializer: () => outage,
      signal,
    }),
  ),
);
const { answer: told, trouble: toldTrouble } = useQuery(asked, ({ id, outage }, signal) =>
  answer(
    api.GET("/api/plans/{id}/outages/told", {
      params: { path: { id } },
      querySerializer: () => outage,
      signal,
    }),
  ),
);
type Door = Schemas["WaysOut"];
watch(doors, (now) => (bench.doors = now ?? []));
onUnmounted(() => (bench.doors = []));
const floors = computed(() => {
  const all = new Map<string, Door[]>();
  for (const d of doors.value ?? []) all.set(d.floor ?? "", [...(all.get(d.floor ?? "") ?? []), d]);
  return [...all].map(([floor, list]) => ({
    floor,
    name: floor ? (plan.value.floors[floor]?.name ?? floor) : "Outside",
    list,
  }));
});
const silent = computed(() => (told.value ?? []).filter((t) => t.silentFromH !== null));
const parts = (d: Door) =>
  (
    [
      ["out", d.out],
      ["in", d.in],
      ["keeps out", d.keepsOut],
      [d.kind === "VALVE" ? "works" : "sounds", d.does],
    ] as const
  ).filter(([, p]) => p);
const look = (d: Door) => {
  if (d.floor) bench.floor = d.floor;
  bench.select(pointer("devices", d.device));
};
</script>

<template>
  <div class="panel-body">
    <p class="caution">
      What is shown follows from the plan alone. Ways out must open by hand from inside without power; local
      codes and whoever inspects fire safety decide, not this page.
    </p>
    <p>
      {{ bench.shown?.sentence }}
      <span class="quiet">Suppose something gone in the strip above.</span>
    </p>
    <p class="quiet">
      The drawing says it beside each of them: out, in, shut, or <b>no way out</b>, <b>no way in</b>,
      <b>not shut</b> (it keeps nobody out), <b>OPEN</b>. Prints leave that out.
    </p>
    <OutageClock v-if="bench.without.length" />
    <QueryTrouble :trouble="trouble ?? toldTrouble" />
    <p v-if="doors && !doors.length" class="quiet">No door, lock, gate, valve or sounder is in the plan.</p>
    <section v-for="f in floors" :key="f.floor">
      <h3>{{ f.name }}</h3>
      <table>
        <caption class="unseen">
          Doors, valves and sounders,
          {{
            f.name
          }}
        </caption>
        <thead>
          <tr>
            <th scope="col">Thing</th>
            <th scope="col">What it still does</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="d in f.list" :key="d.device">
            <th scope="row">
              <svg class="mark" viewBox="-7 -7 14 14" aria-hidden="true"><StateMark :state="d.state" /></svg>
              <button type="button" class="plain" @click="look(d)">{{ d.name }}</button>
              <span class="quiet">{{
                [d.exit ? "way out" : "", d.outside ? "outside door" : ""].filter(Boolean).join(", ")
              }}</span>
              <b v-if="d.open" class="bad"> stands open</b>
            </th>
            <td>
              <div v-for="[name, p] in parts(d)" :key="name">
                <b>{{ name }}</b> {{ STATE_WORDS[p!.state] }}: <span class="quiet">{{ p!.words }}</span>
              </div>
              <span v-if="!parts(d).length" class="quiet">nothing is asked of it</span>
            </td>
          </tr>
        </tbody>
      </table>
    </section>
    <h3>Who is told</h3>
    <p v-if="told && !told.length" class="quiet">Of no device people are to be told.</p>
    <p v-else-if="told">
      {{ told.length - silent.length }} of {{ told.length }} still tell somebody{{
        silent.length ? ";" : "."
      }}
      <span v-if="silent.length" class="bad">{{ silent.length }} tell nobody.</span>
    </p>
    <table v-if="told?.length">
      <caption class="unseen">
        Paths of messages that are left
      </caption>
      <thead>
        <tr>
          <th scope="col">Of</th>
          <th scope="col">Tells</th>
          <th scope="col">Ways left</th>
          <th scope="col">Nobody is told</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="t in told" :key="t.device + t.job">
          <th scope="row">
            <button type="button" class="plain" @click="bench.select(pointer('devices', t.device))">
              {{ t.name }}
            </button>
          </th>
          <td>{{ JOB_WORDS[t.job] }}</td>
          <td>
            {{ t.left.join(", ") || "none" }}
            <span v-if="t.lost.length" class="quiet"
              >; not {{ t.lost.join(", ") }}<template v-if="t.why">: {{ t.why }}</template></span
            >
          </td>
          <td :class="{ bad: t.silent }">{{ t.silent ?? "–" }}</td>
        </tr>
      </tbody>
    </table>
  </div>
</template>

<style scoped src="../panel.css"></style>
<style scoped src="../names/tables.css"></style>
<style scoped>
th,
td {
  text-align: left;
  vertical-align: top;
}
.mark {
  width: 14px;
  height: 14px;
  vertical-align: -2px;
  margin-right: 5px;
}
.caution {
  border-left: 3px solid var(--copper);
  padding: 4px 8px;
}
</style>
