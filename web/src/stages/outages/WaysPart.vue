<script setup lang="ts">
import { computed, onUnmounted, ref, watch } from "vue";
import { answer, api, type Schemas } from "../../api/client";
import FigureButton from "../../app/FigureButton.vue";
import { useQuery } from "../../app/useQuery";
import { JOB_WORDS, STATE_WORDS, percent, shown } from "../../drawing/marks";
import { useBench } from "../../plan/store";

/** The jobs of a device with their ways; a way opens to the route that it takes, on the drawing too. */
const props = defineProps<{ device: string; name: string; state: Schemas["DeviceState"] }>();
const bench = useBench();
const opened = ref<number | null>(null);
const {
  answer: routes,
  of,
  trouble,
} = useQuery(
  () => (opened.value === null ? null : { device: props.device, outage: bench.outageQuery }),
  ({ device, outage }) =>
    answer(
      api.GET("/api/plans/{id}/devices/{device}/ways", {
        params: { path: { id: bench.id, device } },
        querySerializer: () => outage,
      }),
    ),
);
/** Rows of the table: the ways in the order in which the server opens them. */
const rows = computed(() => {
  let index = 0;
  return props.state.jobs.flatMap((job) => [
    ...(job.rests || !job.ways.length ? [{ job, way: null, first: true, index: -1 }] : []),
    ...job.ways.map((way, at) => ({ job, way, first: at === 0 && !job.rests, index: index++ })),
  ]);
});
const route = computed(() =>
  opened.value !== null && of.value?.device === props.device ? (routes.value?.[opened.value] ?? null) : null,
);
const milliseconds = (ms: number) =>
  ms >= 10_000 ? `${shown(ms / 1000, 0)} s` : `${shown(ms, ms < 10 ? 1 : 0)} ms`;
const toggle = (index: number) => (opened.value = opened.value === index ? null : index);

watch(
  () => props.device,
  () => (opened.value = null),
);
const legs = (steps: Schemas["RouteStep"][] = []) =>
  steps.flatMap((s) => (s.from && s.to ? [{ from: s.from, to: s.to }] : []));
watch(route, (now) => {
  bench.route = legs(now?.steps);
  bench.secondRoute = legs(now?.second?.steps);
});
onUnmounted(() => {
  bench.route = [];
  bench.secondRoute = [];
});
</script>

<template>
  <section class="inspect" aria-label="Ways of the selected device">
    <h3>{{ name }}: {{ STATE_WORDS[state.state] }}</h3>
    <p>{{ state.sentence }}</p>
    <table>
      <caption class="unseen">
        Its jobs and their ways
      </caption>
      <tbody>
        <template v-for="(r, key) in rows" :key="key">
          <tr>
            <th v-if="r.first" scope="row">{{ JOB_WORDS[r.job.job] }}: {{ STATE_WORDS[r.job.state] }}</th>
            <td v-else />
            <template v-if="r.way">
              <td>
                <button
                  type="button"
                  class="plain"
                  :aria-expanded="opened === r.index"
                  @click="toggle(r.index)"
                >
                  {{ r.way.way }}
                </button>
              </td>
              <td :class="r.way.works ? 'quiet' : 'bad'">
                {{
                  !r.way.works
                    ? r.way.brokenBy
                    : r.way.weakPercent === null
                      ? "works"
                      : `works over a weak link, ${r.way.weakPercent} %`
                }}
              </td>
            </template>
            <template v-else>
              <td>the position it rests in</td>
              <td :class="r.job.rests ? 'quiet' : 'bad'">{{ r.job.rests ? "gives it" : r.job.sentence }}</td>
            </template>
          </tr>
          <tr v-if="r.way && opened === r.index" class="opened">
            <td />
            <td colspan="2">
              <p v-if="trouble" class="bad" role="alert">{{ trouble }}</p>
              <p v-else-if="!route" class="quiet" role="status">looking for its route…</p>
              <template v-else-if="route.works">
                <ol v-if="route.steps.length" aria-label="Its route">
                  <li v-for="(s, i) in route.steps" :key="i">
                    {{ s.words }}
                    <span class="quiet">
                      {{ milliseconds(s.typicalMs)
                      }}{{ s.chance < 1 ? `, holds with ${percent(s.chance)}` : "" }}
                    </span>
                  </li>
                </ol>
                <p v-else class="quiet">It needs no message: nothing to go through.</p>
                <p v-if="route.steps.length">
                  About
                  <FigureButton :figure="route.latency" name="the time that it takes">{{
                    milliseconds(route.typicalMs)
                  }}</FigureButton>, at worst {{ milliseconds(route.worstMs) }}.
                </p>
                <template v-if="route.second">
                  <p>
                    Second best, when {{ route.second.without.name }} is out{{
                      route.second.chance < 1 ? `, holds with ${percent(route.second.chance)}` : ""
                    }}{{ route.second.steps.length ? ", dashed on the drawing:" : ": it needs no message." }}
                  </p>
                  <ol v-if="route.second.steps.length" aria-label="Its second-best route">
                    <li v-for="(s, i) in route.second.steps" :key="i">
                      {{ s.words }} <span class="quiet">{{ milliseconds(s.typicalMs) }}</span>
                    </li>
                  </ol>
                </template>
                <p v-else-if="route.steps.length" class="quiet">There is no other route.</p>
                <p>
                  <span v-if="!route.alone.length" class="quiet">It hangs on nothing alone.</span>
                  <template v-else>
                    Hangs alone on {{ route.alone.map((a) => a.name).join(", ") }}.
                  </template>
                </p>
              </template>
              <p v-else class="bad">Broken: {{ route.brokenBy }}.</p>
            </td>
          </tr>
        </template>
      </tbody>
    </table>
  </section>
</template>

<style scoped src="../panel.css"></style>
<style scoped>
.inspect th {
  background: none;
  font-size: inherit;
}
ol {
  margin: 2px 0 4px;
  padding-left: 20px;
}
.opened p {
  margin: 2px 0;
}
</style>
