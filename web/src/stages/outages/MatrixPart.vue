<script setup lang="ts">
import { computed, nextTick, ref, watch } from "vue";
import { answer, api, type Schemas } from "../../api/client";
import QueryTrouble from "../../app/QueryTrouble.vue";
import { useQuery } from "../../app/useQuery";
import { JOB_WORDS, STATE_COLOURS, STATE_WORDS, words } from "../../drawing/marks";
import { pointer } from "../../plan/pointers";
import { useBench } from "../../plan/store";
import { clockOf, queryOf, STATES } from "./outage";

/** Every device against every outage that matters; a cell opens to its reason. */
const bench = useBench();
const plan = computed(() => bench.plan!);
type Grouping = "ROOM" | "CRITICALITY" | "KIND" | "NONE";
const by = ref<Grouping>("ROOM");
const since = ref<string | null>(null);
const {
  answer: matrix,
  trouble,
  working,
} = useQuery(
  () => (bench.id ? { id: bench.id, by: by.value, since: since.value } : null),
  ({ id, by, since }, signal) =>
    answer(
      api.GET("/api/plans/{id}/outages/matrix", {
        params: { path: { id }, query: { by, ...(since ? { since } : {}) } },
        signal,
      }),
    ),
);
const { answer: days } = useQuery(
  () => bench.id || null,
  (id, signal) => answer(api.GET("/api/plans/{id}/days", { params: { path: { id } }, signal })),
);
type Row = Schemas["OutageMatrix"]["rows"][number];
const GLYPHS = ["●", "◐", "▣", "⊘", "▲"];
const chosen = ref<{ row: number; column: number } | null>(null);
watch(matrix, () => (chosen.value = null));
const rows = computed(() => matrix.value?.rows ?? []);
const columns = computed(() => matrix.value?.columns ?? []);
/** What one device alone feels stands apart: most wires and sensors are such. */
const own = ref(false);
const seen = computed(() =>
  columns.value
    .map((_, i) => i)
    .filter(
      (i) => own.value || columns.value[i]!.kind !== "ALONE" || columns.value[i]!.felt > 1 || since.value,
    ),
);
const single = computed(() => columns.value.filter((c) => c.kind === "ALONE" && c.felt <= 1).length);
const rowName = (row: Row) => {
  const names = row.devices.map((id) => plan.value.devices[id]?.name ?? id);
  return names.length <= 2 ? names.join(", ") : `${names[0]} and ${names.length - 1} more`;
};
const allNames = (row: Row) => row.devices.map((id) => plan.value.devices[id]?.name ?? id).join(", ");
const groupName = (name: string) =>
  by.value === "ROOM" || by.value === "NONE" ? name : words(name as never);
const columnTitle = (c: (typeof columns.value)[number]) =>
  c.same.length ? `${c.name}; the same for ${c.same.join(", ")}` : c.name;
const at = computed(() => {
  const here = chosen.value;
  const row = here && rows.value[here.row];
  const column = here && columns.value[here.column];
  return row && column ? { row, column, state: STATES[Number(row.states[here.column])]! } : null;
});
const { answer: reason } = useQuery(
  () =>
    at.value && bench.id
      ? {
          id: bench.id,
          device: at.value.row.devices[0]!,
          outage: queryOf(at.value.column.without, at.value.column.lastsH),
        }
      : null,
  ({ id, device, outage }, signal) =>
    answer(
      api.GET("/api/plans/{id}/outages/state", {
        params: { path: { id }, query: { device } },
        querySerializer: () => `device=${encodeURIComponent(device)}&${outage}`,
        signal,
      }),
    ),
);
const suppose = () => {
  const here = at.value!;
  bench.select(pointer("devices", here.row.devices[0]!));
  void bench.suppose(here.column.without, clockOf(here.column.lastsH));
};
const changed = (row: Row, column: number) =>
  row.before != null && row.before !== "" && row.before[column] !== row.states[column];
const changes = computed(() =>
  rows.value.reduce(
    (sum, r) => sum + columns.value.filter((_, c) => changed(r, c)).length * r.devices.length,
    0,
  ),
);
const grid = ref<HTMLElement | null>(null);
async function move(event: KeyboardEvent) {
  const steps: Record<string, [number, number]> = {
    ArrowUp: [-1, 0],
    ArrowDown: [1, 0],
    ArrowLeft: [0, -1],
    ArrowRight: [0, 1],
  };
  const step = steps[event.key];
  if (!step) return;
  event.preventDefault();
  const now = chosen.value ?? { row: 0, column: seen.value[0]! };
  const place = seen.value.indexOf(now.column) + step[1];
  chosen.value = {
    row: Math.min(rows.value.length - 1, Math.max(0, now.row + step[0])),
    column: seen.value[Math.min(seen.value.length - 1, Math.max(0, place))]!,
  };
  await nextTick();
  grid.value?.querySelector<HTMLElement>("[aria-selected=true]")?.focus();
}
const cellWords = (row: Row, column: number) =>
  `${rowName(row)} without ${columns.value[column]!.name}: ${STATE_WORDS[STATES[Number(row.states[column])]!]}`;
const firstOfGroup = (index: number) =>
  index === 0 || rows.value[index - 1]!.group !== rows.value[index]!.group;
</script>

<template>
  <div class="panel-body">
    <div class="row">
      <label class="field row-field">
        Rows by
        <select v-model="by">
          <option value="ROOM">room</option>
          <option value="CRITICALITY">criticality</option>
          <option value="KIND">kind</option>
          <option value="NONE">nothing, worst first</option>
        </select>
      </label>
      <label v-if="days?.length" class="field row-field">
        Changed since
        <select v-model="since">
          <option :value="null">do not compare</option>
          <option v-for="d in days" :key="d.day" :value="d.day">{{ d.day }}</option>
        </select>
      </label>
      <a :href="`/api/plans/${bench.id}/outages/csv`" download>CSV</a>
      <label v-if="single && !since" class="tick">
        <input v-model="own" type="checkbox" /> also the {{ single }} that one device alone feels
      </label>
      <span v-if="since && matrix" class="quiet">{{ changes }} cells differ; they are framed.</span>
      <span v-for="(g, i) in GLYPHS" :key="g" class="legend">
        <i :style="{ color: STATE_COLOURS[STATES[i]!] }" aria-hidden="true">{{ g }}</i>
        {{ STATE_WORDS[STATES[i]!] }}
      </span>
    </div>
    <QueryTrouble :trouble="trouble" />
    <p v-if="working && !matrix" class="quiet">Working it out …</p>
    <p v-else-if="matrix && !columns.length" class="quiet">
      Nothing in this plan fails that a device would feel. Draw devices and what they hang on first.
    </p>
    <div v-else-if="matrix" class="two">
      <div class="scroll">
        <table ref="grid" role="grid" aria-label="Devices against outages" @keydown="move">
          <thead>
            <tr>
              <th scope="col" class="corner">
                {{ matrix.devices }} devices, {{ seen.length }} outages
                <span v-if="matrix.unfelt" class="quiet">({{ matrix.unfelt }} more that nothing feels)</span>
              </th>
              <th
                v-for="(j, i) in seen"
                :key="j"
                scope="col"
                class="slant"
                :class="{ begins: i > 0 && columns[seen[i - 1]!]!.kind !== columns[j]!.kind }"
                :title="columnTitle(columns[j]!)"
              >
                <span
                  >{{ columns[j]!.name
                  }}{{ columns[j]!.same.length ? ` +${columns[j]!.same.length}` : "" }}</span
                >
              </th>
            </tr>
          </thead>
          <tbody>
            <template v-for="(r, i) in rows" :key="i">
              <tr v-if="firstOfGroup(i) && by !== 'NONE'" class="group">
                <th :colspan="seen.length + 1" scope="colgroup">{{ groupName(r.group) }}</th>
              </tr>
              <tr>
                <th scope="row" :title="allNames(r)">{{ rowName(r) }}</th>
                <td
                  v-for="(j, n) in seen"
                  :key="j"
                  role="gridcell"
                  :tabindex="(chosen?.row ?? 0) === i && (chosen?.column ?? seen[0]) === j ? 0 : -1"
                  :aria-selected="chosen?.row === i && chosen?.column === j"
                  :aria-label="cellWords(r, j)"
                  :class="[
                    `s${r.states[j]}`,
                    {
                      begins: n > 0 && columns[seen[n - 1]!]!.kind !== columns[j]!.kind,
                      changed: changed(r, j),
                    },
                  ]"
                  @click="chosen = { row: i, column: j }"
                  @focus="chosen = { row: i, column: j }"
                >
                  {{ GLYPHS[Number(r.states[j])] }}
                </td>
              </tr>
            </template>
          </tbody>
        </table>
      </div>
      <section v-if="at" class="inspect why" aria-label="Reason of the chosen cell" aria-live="polite">
        <h3>
          {{ rowName(at.row) }} without {{ at.column.name }}:
          <span :style="{ color: STATE_COLOURS[at.state] }">{{ STATE_WORDS[at.state] }}</span>
        </h3>
        <p v-if="at.column.same.length" class="quiet">The same for {{ at.column.same.join(", ") }}.</p>
        <p v-if="reason">
          {{ plan.devices[at.row.devices[0]!]?.name
          }}<template v-if="reason.job">, {{ JOB_WORDS[reason.job] }}</template
          >:
          {{ reason.sentence }}
        </p>
        <ul v-if="reason" class="jobs">
          <li v-for="job in reason.jobs" :key="job.job">
            <b>{{ JOB_WORDS[job.job] }}</b> {{ STATE_WORDS[job.state] }}
            <span v-for="way in job.ways" :key="way.way" class="quiet"
              >· {{ way.way }}: {{ way.works ? "works" : way.brokenBy }}</span
            >
          </li>
        </ul>
        <p v-if="at.row.devices.length > 1" class="quiet">
          So it is for
          <template v-for="(id, n) in at.row.devices" :key="id"
            ><template v-if="n">, </template
            ><button type="button" class="plain" @click="bench.select(pointer('devices', id))">
              {{ plan.devices[id]?.name ?? id }}
            </button></template
          >.
        </p>
        <button type="button" class="soft" @click="suppose">Suppose it on the drawing</button>
      </section>
      <p v-else class="quiet why">Choose a cell to see why.</p>
    </div>
  </div>
</template>

<style scoped src="../panel.css"></style>
<style scoped>
.row-field {
  flex-direction: row;
  align-items: center;
  gap: 5px;
}
.legend i {
  font-style: normal;
}
.two {
  display: flex;
  flex-direction: column;
  gap: 10px;
  min-width: 0;
}
.scroll {
  overflow: auto;
  max-height: calc(100vh - 400px);
  min-height: 260px;
  min-width: 0;
}
.why {
  max-height: 190px;
  overflow: auto;
}
.why h3 {
  margin: 0;
}
.why .soft {
  align-self: flex-start;
}
table {
  border-collapse: separate;
  border-spacing: 0;
  width: auto;
}
thead th {
  position: sticky;
  top: 0;
  background: var(--paper);
  z-index: 1;
  vertical-align: bottom;
}
.corner {
  text-align: left;
  font-weight: normal;
  font-size: 12px;
  min-width: 170px;
  left: 0;
  z-index: 2;
}
.slant {
  height: 128px;
  padding: 0;
  font-weight: normal;
  font-size: 12px;
}
.slant span {
  display: block;
  writing-mode: vertical-rl;
  transform: rotate(180deg);
  max-height: 124px;
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
  margin: 0 auto;
}
tbody th {
  text-align: left;
  font-weight: normal;
  white-space: nowrap;
  max-width: 230px;
  overflow: hidden;
  text-overflow: ellipsis;
  position: sticky;
  top: auto;
  left: 0;
  z-index: 0;
  background: var(--paper);
  padding: 1px 8px 1px 0;
}
.group th {
  font-weight: 600;
  padding-top: 6px;
}
td {
  width: 24px;
  min-width: 24px;
  height: 24px;
  text-align: center;
  padding: 0;
  cursor: pointer;
  border-bottom: 1px solid var(--hair);
}
td:focus-visible,
td[aria-selected="true"] {
  outline: 2px solid var(--ink);
  outline-offset: -2px;
}
td.changed {
  box-shadow: inset 0 0 0 2px var(--copper);
}
.begins {
  border-left: 1px solid var(--ink2);
}
.s0 {
  color: var(--holds);
}
.s1 {
  color: var(--reduced);
}
.s2 {
  color: var(--hand);
}
.s3 {
  color: var(--lost);
}
.s4 {
  color: var(--unsafe);
}
.jobs {
  margin: 0;
  padding-left: 16px;
}
</style>
