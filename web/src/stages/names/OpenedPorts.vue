<script setup lang="ts">
import { computed, ref } from "vue";
import EditField from "../../app/EditField.vue";
import { choice } from "../../app/typed";
import { added, removed } from "../../plan/patch";
import { freeId } from "../../plan/pointers";
import { useBench } from "../../plan/store";

/** Ports that the router passes on from the internet: each with the unit that answers, and what it is there for. */
const bench = useBench();
const plan = computed(() => bench.plan!);
const ports = computed(() => Object.entries(plan.value.network.opened));
const units = computed(() =>
  Object.entries(plan.value.units)
    .filter(([, u]) => u.ipv4 !== null)
    .sort(([, a], [, b]) => a.name.localeCompare(b.name)),
);
const unit = ref("");
const port = ref<number | null>(null);
const add = () => {
  if (port.value === null) {
    return;
  }
  const id = freeId(`port ${port.value}`, plan.value.network.opened);
  return bench.edit(
    [added(["network", "opened", id], { unit: unit.value, port: port.value, need: null })],
    `port ${port.value} of ${plan.value.units[unit.value]?.name} is open`,
  );
};
</script>

<template>
  <section aria-label="Opened to the internet">
    <h3>Opened to the internet</h3>
    <p v-if="!ports.length" class="quiet">Nothing is passed on from outside, as far as the plan says.</p>
    <table v-else>
      <caption class="unseen">
        Ports that the router passes on
      </caption>
      <thead>
        <tr>
          <th class="number">Port</th>
          <th>Unit</th>
          <th>What for</th>
          <th><span class="unseen">Close</span></th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="[id, p] in ports" :key="id">
          <td class="number">{{ p.port }}</td>
          <td>{{ plan.units[p.unit]?.name }}</td>
          <td>
            <EditField
              bare
              optional
              :label="`What port ${p.port} of ${plan.units[p.unit]?.name} is for`"
              :value="p.need"
              :save="
                (v: string | null) => bench.put(['network', 'opened', id, 'need'], v, 'what a port is for')
              "
            />
          </td>
          <td>
            <button
              type="button"
              class="soft"
              :aria-label="`Close port ${p.port} of ${plan.units[p.unit]?.name}`"
              @click="bench.edit([removed('network', 'opened', id)], `port ${p.port} closed`)"
            >
              Close
            </button>
          </td>
        </tr>
      </tbody>
    </table>
    <form class="row" @submit.prevent="add">
      <label class="field">
        Port
        <input v-model.number="port" type="number" min="1" max="65535" required />
      </label>
      <label class="field">
        of
        <select :value="unit" required @change="unit = choice($event) ?? ''">
          <option value="" disabled>a unit with an address</option>
          <option v-for="[id, u] in units" :key="id" :value="id">{{ u.name }}</option>
        </select>
      </label>
      <button type="submit" class="soft">Write it down as open</button>
    </form>
  </section>
</template>

<style scoped src="../panel.css"></style>
<style scoped src="./tables.css"></style>
