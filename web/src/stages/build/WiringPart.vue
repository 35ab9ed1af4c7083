<script setup lang="ts">
import { computed, reactive, ref } from "vue";
import QueryTrouble from "../../app/QueryTrouble.vue";
import { answer, api, type Schemas } from "../../api/client";
import { useQuery } from "../../app/useQuery";
import { useBench } from "../../plan/store";

/** How controllers are wired: what feeds them, their boards, the devices; layers can be hidden. */
type Shape = Schemas["Shape"];
type Layer = NonNullable<Shape["layer"]>;
const bench = useBench();
const plan = computed(() => bench.plan!);
const where = ref("");
const query = computed((): Partial<Record<string, string>> => {
  const cut = where.value.indexOf(":");
  return cut < 0 ? {} : { [where.value.slice(0, cut)]: where.value.slice(cut + 1) };
});
const asked = computed(() =>
  Object.entries(query.value)
    .map(([key, id]) => `${key}=${encodeURIComponent(id!)}`)
    .join("&"),
);
const { answer: drawn, trouble } = useQuery(
  () => query.value,
  (asked, signal) =>
    answer(api.GET("/api/plans/{id}/wiring", { params: { path: { id: bench.id }, query: asked }, signal })),
);
const sheets = computed(() => drawn.value ?? []);
const units = computed(() =>
  Object.entries(plan.value.units).filter(
    ([, u]) => (u.kind === "CONTROLLER" || u.kind === "PANEL") && u.boards,
  ),
);
const rooms = computed(() =>
  Object.entries(plan.value.rooms).filter(([id]) => units.value.some(([, u]) => u.place?.room === id)),
);
const LAYERS: Record<Layer, string> = {
  MAINS: "mains",
  LOW_VOLTAGE: "low voltage",
  BUS: "bus",
  CONTACTS: "contacts",
};
const visible = reactive<Record<Layer, boolean>>({
  MAINS: true,
  LOW_VOLTAGE: true,
  BUS: true,
  CONTACTS: true,
});
const seen = (shapes: Shape[]) => shapes.filter((s) => s.layer === null || visible[s.layer]);
const points = (s: Shape) => s.points.join(" ");
const css = (s: Shape) => [s.layer ? s.layer.toLowerCase() : "paper", s.kind.toLowerCase()];
const isText = (s: Shape) => s.text !== null;
const open = ref<string | null>(null);
</script>

<template>
  <QueryTrouble :trouble="trouble" />
  <div class="panel-body">
    <div class="row">
      <label class="field">
        Drawn
        <select v-model="where">
          <option value="">the whole system</option>
          <optgroup v-if="rooms.length" label="One room">
            <option v-for="[id, r] in rooms" :key="id" :value="`room:${id}`">{{ r.name }}</option>
          </optgroup>
          <optgroup v-if="Object.keys(plan.housings).length" label="One box">
            <option v-for="(h, id) in plan.housings" :key="id" :value="`housing:${id}`">{{ h.name }}</option>
          </optgroup>
          <optgroup label="One controller">
            <option v-for="[id, u] in units" :key="id" :value="`unit:${id}`">{{ u.name }}</option>
          </optgroup>
        </select>
      </label>
      <label v-for="(name, layer) in LAYERS" :key="layer" class="tick">
        <input v-model="visible[layer]" type="checkbox" /> {{ name }}
      </label>
      <template v-if="sheets.length">
        <a class="plain" :href="`/api/plans/${bench.id}/wiring/svg?${asked}`" download>SVG</a>
        <a class="plain" :href="`/api/plans/${bench.id}/wiring/pdf?${asked}`" download>PDF</a>
      </template>
    </div>
    <p v-if="!sheets.length" class="quiet">
      Nothing to draw there yet. Choose the boards of a controller at Controllers and assign its channels.
    </p>
    <section v-for="s in sheets" :key="s.unit">
      <svg
        :viewBox="`0 0 ${s.widthMm} ${s.heightMm}`"
        role="img"
        :aria-label="`Wiring of ${s.title}`"
        class="sheet"
      >
        <template v-for="(shape, i) in seen(s.shapes)" :key="i">
          <text v-if="isText(shape)" :x="shape.points[0]" :y="shape.points[1]" :class="css(shape)">
            {{ shape.text }}
          </text>
          <rect
            v-else-if="shape.kind === 'BOX'"
            :x="shape.points[0]"
            :y="shape.points[1]"
            :width="shape.points[2]! - shape.points[0]!"
            :height="shape.points[3]! - shape.points[1]!"
            :class="css(shape)"
          />
          <circle
            v-else-if="shape.kind === 'DOT'"
            :cx="shape.points[0]"
            :cy="shape.points[1]"
            r="0.8"
            :class="css(shape)"
          />
          <polyline v-else :points="points(shape)" :class="css(shape)" />
        </template>
      </svg>
      <button type="button" class="plain" @click="open = open === s.unit ? null : s.unit">
        {{ open === s.unit ? "Hide the terminal plan" : `Terminal plan of ${s.title}` }}
      </button>
      <table v-if="open === s.unit">
        <caption class="unseen">
          Terminals of
          {{
            s.title
          }}
        </caption>
        <thead>
          <tr>
            <th>Terminal</th>
            <th class="number">Wires</th>
            <th>Cables</th>
            <th>Lead to</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="t in s.terminals" :key="t.terminal">
            <td>{{ t.terminal }}</td>
            <td class="number">{{ t.wires }}</td>
            <td>{{ t.cables.join(", ") }}</td>
            <td>{{ t.to }}</td>
          </tr>
        </tbody>
      </table>
    </section>
  </div>
</template>

<style scoped src="../panel.css"></style>
<style scoped>
a.plain {
  align-self: center;
}
.row {
  align-items: center;
}
.sheet {
  width: 100%;
  height: auto;
  display: block;
  background: var(--sheet);
  border: 1px solid var(--hair);
}
polyline,
rect {
  fill: none;
  stroke: var(--ink2);
  stroke-width: 0.35;
}
text {
  font-size: 3.6px;
  fill: var(--ink);
}
.small,
.small_right {
  font-size: 2.9px;
}
.small_right,
.text_right {
  text-anchor: end;
}
.title {
  font-size: 6px;
  font-weight: 600;
}
.mains {
  stroke: var(--copper);
  stroke-width: 0.6;
}
text.mains,
circle.mains {
  fill: var(--link);
  stroke: none;
}
.low_voltage {
  stroke: var(--signal);
  stroke-width: 0.4;
}
text.low_voltage,
circle.low_voltage {
  fill: var(--signal);
  stroke: none;
}
.bus {
  stroke: var(--holds);
  stroke-width: 0.5;
}
text.bus {
  fill: var(--holds);
  stroke: none;
}
.contacts {
  stroke: var(--ink);
  stroke-width: 0.5;
}
text.contacts,
text.paper {
  stroke: none;
}
.control {
  stroke-dasharray: 1.2 0.8;
}
</style>
