<script setup lang="ts">
import { computed, ref } from "vue";
import { answer, api, type Device, type Schemas } from "../../api/client";
import FigureButton from "../../app/FigureButton.vue";
import { useQuery } from "../../app/useQuery";
import { shown } from "../../drawing/marks";
import { useBench } from "../../plan/store";

/** By what a device is commanded or heard: chosen in one place, with what each would survive, take and cost. */
const props = defineProps<{ id: string; device: Device }>();
const bench = useBench();
type Scheme = Schemas["SchemeChoice"]["scheme"];
const SCHEMES: Record<Scheme, string> = {
  OWN: "own controller",
  BOUND: "bound, unit to unit",
  PANEL: "alarm panel",
  HUB: "hub",
  SERVICE: "outside service, no hub",
  REQUEST: "direct request",
};
const open = ref(false);
const { answer: choices, trouble } = useQuery(
  () => (open.value ? { device: props.id } : null),
  ({ device }) =>
    answer(
      api.GET("/api/plans/{id}/devices/{device}/schemes", { params: { path: { id: bench.id, device } } }),
    ),
);
const chosen = computed(() => props.device.control ?? null);
const put = (value: Scheme[] | null) =>
  bench.put(["devices", props.id, "control"], value, `control of ${props.device.name}`);
const ticked = (event: Event) => (event.target as HTMLInputElement).checked;
function set(scheme: Scheme, on: boolean) {
  const others = (chosen.value ?? []).filter((s) => s !== scheme);
  return put(on ? [...others, scheme] : others.length ? others : null);
}
const milliseconds = (ms: number) =>
  ms >= 10_000 ? `${shown(ms / 1000, 0)} s` : `${shown(ms, ms < 10 ? 1 : 0)} ms`;
/** What ends every scheme that works is told once. */
const common = computed(() => {
  const working = (choices.value ?? []).filter((c) => c.works);
  return working.length < 2
    ? []
    : working[0]!.lostWithout.filter((name) => working.every((c) => c.lostWithout.includes(name)));
});
function lost(c: Schemas["SchemeChoice"]) {
  const own = c.lostWithout.filter((name) => !common.value.includes(name));
  if (!own.length) return common.value.length ? "nothing besides" : "nothing";
  return `${own.join(", ")}${c.moreLost ? ` and ${c.moreLost} more` : ""}`;
}
</script>

<template>
  <fieldset>
    <legend>Controlled by</legend>
    <div class="row">
      <label class="tick">
        <input type="checkbox" :checked="chosen === null" :disabled="chosen === null" @change="put(null)" />
        what its ways, wires and links make of it
      </label>
      <label v-for="(word, scheme) in SCHEMES" :key="scheme" class="tick">
        <input
          type="checkbox"
          :checked="chosen?.includes(scheme) ?? false"
          @change="set(scheme, ticked($event))"
        />
        {{ word }}
      </label>
      <button type="button" class="soft" :aria-expanded="open" @click="open = !open">
        {{ open ? "Hide comparison" : "Compare" }}
      </button>
    </div>
    <template v-if="open">
      <p v-if="trouble" class="bad" role="alert">{{ trouble }}</p>
      <p v-else-if="!choices" class="quiet" role="status">working out each of them…</p>
      <table v-else>
        <caption class="unseen">
          What each control scheme alone would make of it
        </caption>
        <thead>
          <tr>
            <th>Scheme</th>
            <th>Now</th>
            <th>What alone ends it</th>
            <th class="number">Takes</th>
            <th class="number">Fee a month</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="c in choices" :key="c.scheme" :class="{ chosen: c.chosen }">
            <th scope="row">{{ SCHEMES[c.scheme] }}</th>
            <td :class="c.works ? '' : 'bad'">
              {{ c.needs ? `Needs ${c.needs}` : c.sentence }}
            </td>
            <td>{{ c.works ? lost(c) : "" }}</td>
            <td class="number">
              <FigureButton
                v-if="c.latency && c.typicalMs !== null"
                :figure="c.latency"
                :name="`time by ${SCHEMES[c.scheme]}`"
                >{{ milliseconds(c.typicalMs) }}</FigureButton
              >
            </td>
            <td class="number">{{ c.works && c.feePerMonth ? shown(c.feePerMonth, 2) : "" }}</td>
          </tr>
        </tbody>
      </table>
      <p v-if="common.length">
        Whatever is chosen ends without {{ common.join(", ") }}; these are left out above.
      </p>
      <p class="quiet">
        Each alone; of several chosen ones any that works will do. The hand, and what a device does by itself,
        are left out.
      </p>
    </template>
  </fieldset>
</template>

<style scoped src="../panel.css"></style>
<style scoped src="../fieldset.css"></style>
