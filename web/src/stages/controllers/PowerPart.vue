<script setup lang="ts">
import { computed } from "vue";
import OneLine from "./OneLine.vue";
import QueryTrouble from "../../app/QueryTrouble.vue";
import { answer, api, type Schemas } from "../../api/client";
import FigureButton from "../../app/FigureButton.vue";
import { usePlanQuery } from "../../app/useQuery";
import { shown } from "../../drawing/marks";
import { pointer } from "../../plan/pointers";
import { useBench } from "../../plan/store";

/** The tree of supplies, from what comes into the house down to each board. */
type Node = Schemas["PowerNode"];
const bench = useBench();
const { answer: report, trouble: unanswered } = usePlanQuery((id, signal) =>
  answer(api.GET("/api/plans/{id}/power", { params: { path: { id } }, signal })),
);
const nodes = computed(() => report.value?.nodes ?? []);
interface Row {
  node: Node;
  depth: number;
  last: boolean;
}
/** What comes in, each with all that hangs on it. */
const groups = computed(() => {
  const children = new Map<string, Node[]>();
  const tops = new Map<string, Node[]>();
  const known = new Set(nodes.value.map((n) => n.id));
  for (const n of nodes.value) {
    if (n.parent && known.has(n.parent)) {
      children.set(n.parent, [...(children.get(n.parent) ?? []), n]);
    } else {
      const source = n.source ?? "nothing yet";
      tops.set(source, [...(tops.get(source) ?? []), n]);
    }
  }
  const walk = (node: Node, depth: number, last: boolean): Row[] => [
    { node, depth, last },
    ...(children.get(node.id) ?? []).flatMap((c, i, all) => walk(c, depth + 1, i === all.length - 1)),
  ];
  const weight = (n: Node) => (children.has(n.id) ? 0 : 1);
  return [...tops]
    .map(([source, list]) => ({
      source,
      rows: [...list].sort((a, b) => weight(a) - weight(b)).flatMap((n) => walk(n, 0, true)),
      typicalW: list.reduce((sum, n) => sum + n.takenW, 0),
      worstW: list.reduce((sum, n) => sum + n.takenWorstW, 0),
    }))
    .sort((a, b) => Number(a.source === "battery") - Number(b.source === "battery"));
});
const amps = (a: number) =>
  a >= 0.1 || a === 0 ? `${shown(a, 2)} A` : `${shown(a * 1000, a < 0.001 ? 2 : 0)} mA`;
const share = (s: number) => `${shown(s * 100, 0)} %`;
const path = (n: Node) =>
  n.id.startsWith("device:") ? pointer("devices", n.id.slice(7)) : pointer("units", n.id);
const hours = (h: number) =>
  h === 0
    ? "not at all"
    : h >= 10000
      ? "over a year"
      : h >= 48
        ? `${shown(h / 24, 0)} days`
        : `${shown(h, 1)} h`;
const paths = computed(() => report.value?.paths ?? []);
const unit = (id: string) => bench.plan!.units[id]?.name ?? id;
</script>

<template>
  <QueryTrouble :trouble="unanswered" />
  <div class="panel-body">
    <p v-if="report && !nodes.length" class="quiet">
      No unit yet. Add controllers and a supply at Units; choose their parts, and their currents add up here.
    </p>
    <OneLine
      v-if="nodes.length"
      :groups="groups"
      :selection="bench.selection"
      :path-of="path"
      @select="(to: string) => bench.select(to)"
    />
    <table v-if="nodes.length" class="tree">
      <caption class="unseen">
        Supplies and what they feed
      </caption>
      <thead>
        <tr>
          <th>What</th>
          <th class="number">At</th>
          <th class="number">Typical</th>
          <th class="number">At worst</th>
          <th>Gives, of its rating</th>
          <th>Over its cable</th>
          <th>Stored</th>
        </tr>
      </thead>
      <tbody v-for="g in groups" :key="g.source">
        <tr class="source">
          <th colspan="7" scope="rowgroup">
            From {{ g.source }}
            <span class="quiet"
              >{{ shown(g.typicalW, 1) }} W most of the time, {{ shown(g.worstW, 1) }} W at worst</span
            >
          </th>
        </tr>
        <tr v-for="r in g.rows" :key="r.node.id" :class="{ chosen: bench.selection === path(r.node) }">
          <td :style="{ paddingLeft: `${8 + r.depth * 18}px` }">
            <span v-if="r.depth" class="elbow" :class="{ last: r.last }" aria-hidden="true"></span>
            <button type="button" class="plain" @click="bench.select(path(r.node))">{{ r.node.name }}</button>
            <span class="quiet part">{{ r.node.part ?? (r.node.assumed ? "part not chosen" : "") }}</span>
            <span v-for="f in r.node.faults" :key="f.code + f.text" class="bad fault"
              >{{ f.code }} {{ f.figures }}</span
            >
          </td>
          <td class="number">{{ shown(r.node.volts, r.node.volts < 10 ? 1 : 0) }} V</td>
          <td class="number">{{ amps(r.node.typicalA) }}</td>
          <td class="number">
            <FigureButton :figure="r.node.draw" :name="`Current of ${r.node.name}`"
              >{{ r.node.assumed ? "about " : "" }}{{ amps(r.node.worstA) }}</FigureButton
            >
          </td>
          <td>
            <template v-if="r.node.gives">
              <FigureButton :figure="r.node.gives.figure" :name="`Load of ${r.node.gives.part}`"
                >{{ amps(r.node.gives.worstA) }} at {{ shown(r.node.gives.volts, 1) }} V</FigureButton
              >
              <span v-if="r.node.gives.share !== null" class="load">
                <span class="meter" :class="{ over: r.node.gives.share > 0.8 }" aria-hidden="true"
                  ><i :style="{ width: `${Math.min(100, r.node.gives.share * 100)}%` }"></i><b></b
                ></span>
                {{ share(r.node.gives.share) }}
              </span>
              <span v-if="r.node.gives.junctionC !== null" class="quiet">
                junction {{ shown(r.node.gives.junctionC, 0) }} °C</span
              >
            </template>
          </td>
          <td>
            <FigureButton v-if="r.node.run" :figure="r.node.run.figure" :name="`Voltage at ${r.node.name}`"
              >{{ shown(r.node.run.endV, 2) }} V after {{ shown(r.node.run.lengthM, 0) }} m{{
                r.node.run.estimated ? ", estimated" : ""
              }}</FigureButton
            >
            <span v-if="r.node.run" class="quiet"> −{{ share(r.node.run.dropShare) }}</span>
          </td>
          <td>
            <FigureButton v-if="r.node.cell" :figure="r.node.cell.figure" :name="`Battery of ${r.node.name}`"
              >{{ shown(r.node.cell.years, 1) }} years</FigureButton
            >
            <FigureButton
              v-if="r.node.store && !r.node.store.cells"
              :figure="r.node.store.figure"
              :name="`Backup of ${r.node.name}`"
              >{{ hours(r.node.store.hours) }}</FigureButton
            >
          </td>
        </tr>
      </tbody>
    </table>
    <section v-if="paths.length">
      <h3>Without the mains: how long the whole path goes on</h3>
      <table>
        <caption class="unseen">
          Paths of what guards property or life
        </caption>
        <thead>
          <tr>
            <th>What must survive</th>
            <th class="number">Goes on</th>
            <th>Ends first</th>
            <th>Its path</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="p in paths" :key="p.device">
            <td>
              <button type="button" class="plain" @click="bench.select(pointer('devices', p.device))">
                {{ p.name }}
              </button>
            </td>
            <td class="number">{{ hours(p.hours) }}</td>
            <td>{{ p.hours >= 10000 ? "" : unit(p.ends) }}</td>
            <td class="quiet">
              {{ p.boxes.map((b) => `${b.name} (${hours(b.hours)}, ${b.why})`).join(" → ") }}
            </td>
          </tr>
        </tbody>
      </table>
    </section>
  </div>
</template>

<style scoped src="../panel.css"></style>
<style scoped src="../meter.css"></style>
<style scoped>
.source th {
  position: static;
  font-weight: 600;
  font-size: 14px;
  color: var(--ink);
  padding-top: 12px;
}
.source .quiet {
  font-weight: 400;
  margin-left: 8px;
}
.elbow {
  display: inline-block;
  width: 11px;
  height: 12px;
  margin: 0 4px 3px -13px;
  border-left: 1.5px solid var(--hair-strong);
  border-bottom: 1.5px solid var(--hair-strong);
  vertical-align: middle;
}
.part {
  display: block;
  font-size: 13px;
}
td:first-child {
  min-width: 230px;
}
.tree td:first-child .plain {
  white-space: nowrap;
}
.load {
  display: block;
  white-space: nowrap;
}
.fault {
  display: block;
  font-size: 13px;
}
.meter {
  display: inline-block;
  position: relative;
  width: 64px;
  height: 9px;
  border: 1px solid var(--hair-strong);
  vertical-align: -1px;
  margin: 0 4px;
}
</style>
