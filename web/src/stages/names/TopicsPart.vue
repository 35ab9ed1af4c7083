<script setup lang="ts">
import { computed } from "vue";
import EditField from "../../app/EditField.vue";
import { words } from "../../drawing/marks";
import { typed } from "../../plan/patch";
import { pointer } from "../../plan/pointers";
import { useBench } from "../../plan/store";
import { useSnagged } from "./snagged";

/** The topic of every device, and what the rule would say. */
const bench = useBench();
const plan = computed(() => bench.plan!);
const snagged = useSnagged();
const set = (id: string, topic: string | null) =>
  bench.edit([typed(["devices", id, "topic"], topic)], `topic of ${plan.value.devices[id]!.name}`);
const differs = (id: string, topic: string | null) => {
  const ruled = bench.assessment?.names[pointer("devices", id)]?.topicByRule;
  return !!ruled && topic !== ruled && !topic?.startsWith(ruled + "-");
};
</script>

<template>
  <div class="panel-body">
    <div class="row">
      <EditField
        label="Topic root"
        :value="plan.network.topicRoot"
        :save="(v: string) => bench.put(['network', 'topicRoot'], v, 'topic root')"
      />
      <p class="quiet grow">
        The rule: root, building, room, device. A topic that is given stays when things are renamed; "Use it"
        takes the rule's.
      </p>
    </div>
    <table>
      <caption class="unseen">
        Message topics
      </caption>
      <thead>
        <tr>
          <th>Device</th>
          <th>Kind</th>
          <th>Topic</th>
          <th>The rule would say</th>
        </tr>
      </thead>
      <tbody>
        <tr
          v-for="(d, id) in plan.devices"
          :key="id"
          :class="{ chosen: bench.selection === pointer('devices', String(id)) }"
        >
          <td>
            <button type="button" class="plain" @click="bench.select(pointer('devices', String(id)))">
              {{ d.name }}
            </button>
          </td>
          <td>{{ words(d.kind) }}</td>
          <td class="wide">
            <EditField
              bare
              wide
              optional
              :class="{ snagged: snagged.has(pointer('devices', String(id))) }"
              :label="`Topic of ${d.name}`"
              :value="d.topic"
              :save="(v: string | null) => set(String(id), v)"
            />
          </td>
          <td>
            <template v-if="differs(String(id), d.topic)">
              {{ bench.assessment?.names[pointer("devices", String(id))]?.topicByRule }}
              <button
                type="button"
                class="plain"
                :aria-label="`Topic of ${d.name} by the rule`"
                @click="set(String(id), null)"
              >
                Use it
              </button>
            </template>
            <span v-else class="quiet">the same</span>
          </td>
        </tr>
      </tbody>
    </table>
  </div>
</template>

<style scoped src="../panel.css"></style>
<style scoped src="./tables.css"></style>
