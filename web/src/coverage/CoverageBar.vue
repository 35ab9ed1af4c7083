<script setup lang="ts">
import { text } from "../app/typed";
import { computed, ref, watch } from "vue";
import { answer, api, type Medium, type Schemas } from "../api/client";
import FigureButton from "../app/FigureButton.vue";
import { percent, shown } from "../drawing/marks";
import { useBench } from "../plan/store";
import { levelAt, useCoverage } from "./store";

/** Under the drawing: what each kind of line means, and what arrives where the cursor is. */
const bench = useBench();
const coverage = useCoverage();
const DASHES = ["", "7 3", "2 3"];
const probe = ref<Schemas["Probe"] | null>(null);
const mediumName = (id: Medium) => bench.catalog!.media.find((m) => m.id === id)?.name ?? id;
const here = computed(() =>
  coverage.cursor && coverage.shown ? levelAt(coverage.shown, ...coverage.cursor) : null,
);
const setModel = (event: Event) => bench.put(["indoorModel"], text(event), "indoor model");
let waiting = 0;
let asking = false;

watch(
  () => [coverage.cursor, coverage.shown, bench.revision] as const,
  ([cursor]) => {
    window.clearTimeout(waiting);
    if (!cursor || !coverage.shown || coverage.dragged) {
      probe.value = null;
      return;
    }
    waiting = window.setTimeout(() => void ask(cursor), 60);
  },
);

async function ask([xM, yM]: [number, number]) {
  if (asking || !coverage.medium || !bench.floor || bench.floor === "site") return;
  asking = true;
  const outage = bench.outageQuery;
  try {
    probe.value = await answer(
      api.GET("/api/plans/{id}/coverage/{medium}/{floor}/at", {
        params: {
          path: { id: bench.id, medium: coverage.medium, floor: bench.floor },
          query: { xM, yM },
        },
        querySerializer: () => `xM=${xM}&yM=${yM}&${outage}`,
      }),
    );
  } catch {
    probe.value = null;
  }
  asking = false;
}
</script>

<template>
  <div v-if="bench.floor !== 'site'" class="bar">
    <label>
      Signal of
      <select v-model="coverage.medium" aria-label="Radio whose signal is drawn">
        <option :value="null">no radio</option>
        <option v-for="m in coverage.media" :key="m" :value="m">{{ mediumName(m) }}</option>
      </select>
    </label>
    <label v-if="coverage.medium">
      predicted
      <select
        aria-label="How loss inside a building is predicted"
        :value="bench.plan!.indoorModel"
        @change="setModel"
      >
        <option value="WALLS">by walls</option>
        <option value="EXPONENT">by distance exponent</option>
      </select>
    </label>
    <template v-if="coverage.shown">
      <span class="legend">
        <b>dBm</b>
        <span v-for="(l, i) in coverage.shown.coverage.levels" :key="l.dbm">
          {{ shown(l.dbm, 0) }} {{ l.meaning }}
          <svg width="26" height="6" aria-hidden="true">
            <path d="M0 3H26" :stroke-dasharray="DASHES[i]" :stroke-width="i === 0 ? 1.8 : 1.3" />
          </svg>
        </span>
      </span>
      <span class="at">
        <template v-if="probe?.heard[0]">
          {{ probe.room ?? "outside" }} ·
          <FigureButton :figure="probe.heard[0].figure" name="level at the cursor"
            >{{ shown(probe.heard[0].levelDbm, 1) }} dBm</FigureButton
          >
          from {{ probe.heard[0].name }}
          {{ probe.heard[0].through.length ? `through ${probe.heard[0].through.join(", ")}` : "in the open" }}
          · chance {{ percent(probe.heard[0].chance) }}
        </template>
        <template v-else-if="here">{{ shown(here.dbm, 1) }} dBm from {{ here.server }}</template>
        <template v-else>{{ coverage.shown.coverage.model }}</template>
      </span>
    </template>
    <span v-if="coverage.trouble" class="bad" role="alert">{{ coverage.trouble }}</span>
  </div>
</template>

<style scoped>
.bar {
  display: flex;
  flex-wrap: wrap;
  gap: 1px 14px;
  align-items: center;
  padding: 2px 12px;
  border-top: 1px solid var(--hair);
  font-size: 12.5px;
  min-height: 30px;
}
.legend {
  display: flex;
  gap: 12px;
  white-space: nowrap;
}
.legend path {
  stroke: var(--signal);
  fill: none;
}
.at {
  margin-left: auto;
  color: var(--ink2);
  max-width: 60%;
}
select {
  padding: 1px 4px;
  height: 24px;
  min-height: 0;
}
</style>
