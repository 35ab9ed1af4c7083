<script setup lang="ts">
import { choice } from "../../app/typed";
import { added, removed } from "../../plan/patch";
import { computed, onMounted, ref } from "vue";
import EditField from "../../app/EditField.vue";
import { freeId } from "../../plan/pointers";
import { useBench } from "../../plan/store";
import { useParts } from "./parts";

/** The mains circuits of the house, each behind its own protective device. */
const bench = useBench();
const plan = computed(() => bench.plan!);
const parts = useParts();
const cables = computed(() =>
  parts.all.filter((p) => p.kind === "CABLE" && (p.figures.WIRE_MOST_V ?? 0) > 60),
);
onMounted(() => void parts.load());
/** Units that could carry a circuit through a power cut. */
const backups = computed(() =>
  Object.entries(plan.value.units).filter(([, u]) => u.kind === "SUPPLY" && u.power.backupH > 0),
);
/** Whether anything speaks on the mains wires, so that filters matter. */
const carrier = computed(() => Object.values(plan.value.links).some((l) => l.medium === "POWER_LINE"));
const fresh = ref("");
const fed = (id: string) =>
  Object.values(plan.value.devices).filter((d) => d.circuit === id).length +
  Object.values(plan.value.units).filter((u) => u.power.circuit === id).length;

async function add() {
  const id = freeId(fresh.value, plan.value.circuits);
  if (
    await bench.edit(
      [added(["circuits", id], { name: fresh.value, breakerA: null, cable: null })],
      `circuit ${fresh.value}`,
    )
  ) {
    fresh.value = "";
  }
}
const remove = (id: string) =>
  bench.edit([removed("circuits", id)], `remove circuit ${plan.value.circuits[id]!.name}`);
</script>

<template>
  <h3>Mains circuits</h3>
  <div class="row">
    <span v-for="(c, id) in plan.circuits" :key="id" class="circuit">
      <EditField
        bare
        :label="`Name of circuit ${c.name}`"
        :value="c.name"
        :save="(v: string) => bench.put(['circuits', String(id), 'name'], v, `circuit ${v}`)"
      />
      <EditField
        bare
        numeric
        optional
        :label="`Breaker of ${c.name}, A`"
        placeholder="A"
        :value="c.breakerA"
        :save="
          (v: number | null) => bench.put(['circuits', String(id), 'breakerA'], v, `breaker of ${c.name}`)
        "
      />
      <select
        :aria-label="`Cable of ${c.name}`"
        :value="c.cable ?? ''"
        @change="
          bench.put(
            ['circuits', String(id), 'cable'],
            ($event.target as HTMLSelectElement).value || null,
            `cable of ${c.name}`,
          )
        "
      >
        <option value="">cable not known</option>
        <option v-for="p in cables" :key="p.id" :value="p.id">{{ p.name }}</option>
      </select>
      <select
        v-if="backups.length"
        :aria-label="`What feeds ${c.name}`"
        :value="c.from ?? ''"
        @change="
          bench.put(
            ['circuits', String(id), 'from'],
            ($event.target as HTMLSelectElement).value || null,
            `feed of ${c.name}`,
          )
        "
      >
        <option value="">fed by the street</option>
        <option v-for="[unit, u] in backups" :key="unit" :value="unit">fed by {{ u.name }}</option>
      </select>
      <select
        :aria-label="`Phase of ${c.name}`"
        :value="c.phase ?? ''"
        @change="bench.put(['circuits', String(id), 'phase'], choice($event), `phase of ${c.name}`)"
      >
        <option value="">phase not said</option>
        <option v-for="p in ['L1', 'L2', 'L3']" :key="p">{{ p }}</option>
      </select>
      <label v-if="carrier" class="tick">
        <input
          type="checkbox"
          :checked="c.filtered ?? false"
          @change="
            bench.put(
              ['circuits', String(id), 'filtered'],
              ($event.target as HTMLInputElement).checked,
              `filter of ${c.name}`,
            )
          "
        />
        filtered
      </label>
      <span v-if="fed(String(id))" class="quiet">feeds {{ fed(String(id)) }}</span>
      <button
        v-else
        type="button"
        class="plain"
        :aria-label="`Remove circuit ${c.name}`"
        @click="remove(String(id))"
      >
        Remove
      </button>
    </span>
  </div>
  <form class="row" @submit.prevent="add">
    <label class="field">New mains circuit<input v-model="fresh" required maxlength="120" /></label>
    <button type="submit" class="soft">Add circuit</button>
  </form>
</template>

<style scoped>
.circuit {
  display: inline-flex;
  gap: 6px;
  align-items: center;
  margin-right: 10px;
}
</style>
