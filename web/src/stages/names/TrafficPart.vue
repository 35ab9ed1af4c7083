<script setup lang="ts">
import { computed, ref } from "vue";
import { answer, api, type Schemas } from "../../api/client";
import EditField from "../../app/EditField.vue";
import FigureButton from "../../app/FigureButton.vue";
import QueryTrouble from "../../app/QueryTrouble.vue";
import { usePlanQuery } from "../../app/useQuery";
import { shown } from "../../drawing/marks";
import { pointer } from "../../plan/pointers";
import { useBench } from "../../plan/store";

/** How messages travel: over which way each device speaks, how often, what of accounts outside that takes, and what crosses segments. */
const bench = useBench();
const plan = computed(() => bench.plan!);
const { answer: traffic, trouble: unanswered } = usePlanQuery((id, signal) =>
  answer(api.GET("/api/plans/{id}/names/traffic", { params: { path: { id } }, signal })),
);
const { answer: segments, trouble: unsegmented } = usePlanQuery((id, signal) =>
  answer(api.GET("/api/plans/{id}/names/segments", { params: { path: { id } }, signal })),
);
type Way = Schemas["DeviceTraffic"]["transport"];
const WAYS: Record<Way, string> = {
  BROKER: "Over the broker",
  REQUEST: "Asked at its address",
  SERVICE: "Account of an outside service",
};
const ways = computed(() =>
  (Object.keys(WAYS) as Way[]).map((way) => {
    const all = (traffic.value?.devices ?? []).filter((d) => d.transport === way);
    return { way, count: all.length, messages: all.reduce((sum, d) => sum + d.messages, 0) };
  }),
);
const MOST = 12;
const every = ref(false);
const devices = computed(() => (traffic.value?.devices ?? []).slice(0, every.value ? 500 : MOST));
const share = (value: number | null) => (value === null ? "no limit said" : `${shown(100 * value, 0)} %`);
const nameOf = (id: string) => plan.value.units[id]?.name ?? id;
</script>

<template>
  <div class="panel-body">
    <QueryTrouble :trouble="unanswered ?? unsegmented" />
    <template v-if="traffic">
      <h3>Three ways beside one another</h3>
      <table class="narrow">
        <thead>
          <tr>
            <th>Way</th>
            <th class="number">Devices</th>
            <th class="number">Messages a month</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="w in ways" :key="w.way">
            <td>{{ WAYS[w.way] }}</td>
            <td class="number">{{ w.count }}</td>
            <td class="number">{{ shown(w.messages, 0) }}</td>
          </tr>
        </tbody>
      </table>
      <template v-if="traffic.accounts.length">
        <h3>Accounts outside</h3>
        <table>
          <thead>
            <tr>
              <th>Service</th>
              <th class="number">Messages a month</th>
              <th>It carries, a month</th>
              <th class="number">Used</th>
              <th class="number">Boards</th>
              <th>It holds</th>
              <th class="number">Used</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="a in traffic.accounts" :key="a.service">
              <td>{{ a.name }}</td>
              <td class="number">{{ shown(a.messages, 0) }}</td>
              <td>
                <EditField
                  bare
                  numeric
                  optional
                  placeholder="no limit"
                  :label="`Messages that ${a.name} carries a month`"
                  :value="plan.services[a.service]?.messagesPerMonth ?? null"
                  :save="
                    (v: number | null) =>
                      bench.put(['services', a.service, 'messagesPerMonth'], v, `account at ${a.name}`)
                  "
                />
              </td>
              <td class="number" :class="{ bad: (a.messageShare ?? 0) > 1 }">{{ share(a.messageShare) }}</td>
              <td class="number">{{ a.boards }}</td>
              <td>
                <EditField
                  bare
                  numeric
                  optional
                  placeholder="no limit"
                  :label="`Boards that ${a.name} holds`"
                  :value="plan.services[a.service]?.boards ?? null"
                  :save="
                    (v: number | null) =>
                      bench.put(['services', a.service, 'boards'], v, `account at ${a.name}`)
                  "
                />
              </td>
              <td class="number" :class="{ bad: (a.boardShare ?? 0) > 1 }">{{ share(a.boardShare) }}</td>
            </tr>
          </tbody>
        </table>
      </template>
      <h3>
        The most talkative first
        <button
          v-if="traffic.devices.length > MOST"
          type="button"
          class="plain"
          :aria-expanded="every"
          @click="every = !every"
        >
          {{ every ? "the first few" : `all ${traffic.devices.length}` }}
        </button>
      </h3>
      <table>
        <caption class="unseen">
          Messages a month by device
        </caption>
        <thead>
          <tr>
            <th>Device</th>
            <th>Way</th>
            <th>Where</th>
            <th class="number">Messages a month</th>
          </tr>
        </thead>
        <tbody>
          <tr
            v-for="d in devices"
            :key="d.device"
            :class="{ chosen: bench.selection === pointer('devices', d.device) }"
          >
            <td>
              <button type="button" class="plain" @click="bench.select(pointer('devices', d.device))">
                {{ d.name }}
              </button>
            </td>
            <td>{{ WAYS[d.transport].toLowerCase() }}</td>
            <td>{{ d.where ?? "–" }}</td>
            <td class="number">
              <FigureButton :figure="d.figure" :name="`the messages of ${d.name}`">{{
                shown(d.messages, 0)
              }}</FigureButton>
            </td>
          </tr>
        </tbody>
      </table>
    </template>
    <template v-if="segments">
      <h3>Segments of the network</h3>
      <p v-if="segments.segments.length < 2" class="quiet">
        All is in one segment. At Links, an access point can be given another; what must cross then stands
        here.
      </p>
      <table v-if="segments.crossings.length">
        <caption>
          What the router must let through
        </caption>
        <thead>
          <tr>
            <th>From</th>
            <th>To</th>
            <th class="number">Port</th>
            <th>For</th>
            <th>Units that begin it</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="c in segments.crossings" :key="c.from + c.to + c.port + c.receiver">
            <td>{{ c.from }}</td>
            <td>{{ c.to }}, {{ nameOf(c.receiver) }}</td>
            <td class="number">{{ c.port }}</td>
            <td>{{ c.what }}</td>
            <td :title="c.senders.map(nameOf).join(', ')">
              {{ c.senders.slice(0, 4).map(nameOf).join(", ")
              }}{{ c.senders.length > 4 ? ` and ${c.senders.length - 4} more` : "" }}
            </td>
          </tr>
        </tbody>
      </table>
      <details v-for="s in segments.segments" :key="s.name">
        <summary>{{ s.name }}: {{ s.units.length }} units and what they are called there</summary>
        <table>
          <thead>
            <tr>
              <th>Unit</th>
              <th>Host name</th>
              <th>Multicast name, in this segment alone</th>
              <th>Answers at</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="u in s.units" :key="u.unit">
              <td>
                <button type="button" class="plain" @click="bench.select(pointer('units', u.unit))">
                  {{ nameOf(u.unit) }}
                </button>
              </td>
              <td>
                <code>{{ u.host }}</code>
              </td>
              <td>
                <code>{{ u.multicast }}</code>
              </td>
              <td>
                {{
                  Object.entries(u.services)
                    .map(([port, what]) => `${port}, ${what}`)
                    .join("; ") || "–"
                }}
              </td>
            </tr>
          </tbody>
        </table>
      </details>
    </template>
  </div>
</template>

<style scoped src="../panel.css"></style>
<style scoped src="./tables.css"></style>
<style scoped>
caption {
  text-align: left;
  padding: 6px 8px;
}
.narrow {
  max-width: 520px;
}
</style>
