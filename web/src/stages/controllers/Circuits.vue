<script setup lang="ts">
import { computed, ref } from "vue";
import EditField from "../../app/EditField.vue";
import { freeId, pointer } from "../../plan/pointers";
import { useBench } from "../../plan/store";

/** The mains circuits of the house, each behind its own protective device. */
const bench = useBench();
const plan = computed(() => bench.plan!);
const fresh = ref("");
const fed = (id: string) =>
  Object.values(plan.value.devices).filter((d) => d.circuit === id).length +
  Object.values(plan.value.units).filter((u) => u.power.circuit === id).length;

async function add() {
  const path = pointer("circuits", freeId(fresh.value, plan.value.circuits));
  if (await bench.edit([{ op: "add", path, value: { name: fresh.value } }], `circuit ${fresh.value}`)) {
    fresh.value = "";
  }
}
const remove = (id: string) =>
  bench.edit(
    [{ op: "remove", path: pointer("circuits", id) }],
    `remove circuit ${plan.value.circuits[id]!.name}`,
  );
</script>

<template>
  <h3>Mains circuits</h3>
  <div class="row">
    <span v-for="(c, id) in plan.circuits" :key="id" class="circuit">
      <EditField
        bare
        :label="`Name of circuit ${c.name}`"
        :value="c.name"
        :save="(v: string) => bench.put(pointer('circuits', String(id), 'name'), v, `circuit ${v}`)"
      />
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
