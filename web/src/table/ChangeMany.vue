<script setup lang="ts" generic="T">
import { computed, ref } from "vue";
import type { TableColumn } from "./columns";
import ChoiceBox from "./ChoiceBox.vue";

/** One value for a column of all rows that are selected. */
const props = defineProps<{ columns: TableColumn<T>[]; rows: T[] }>();
const emit = defineEmits<{ change: [column: TableColumn<T>, text: string] }>();
const able = computed(() =>
  props.columns.filter((c) => c.edit && props.rows.some((r) => c.edit!.when?.(r) !== false)),
);
const id = ref("");
const column = computed(() => able.value.find((c) => c.id === id.value));
const choices = computed<[string, string][] | undefined>(() => {
  const row = props.rows.find((r) => column.value?.edit?.when?.(r) !== false);
  return row && column.value?.edit?.choices?.(row);
});
const text = ref("");
function make(value: string) {
  if (column.value) emit("change", column.value, value);
  text.value = "";
  id.value = "";
}
</script>

<template>
  <form class="row" @submit.prevent="make(text)">
    <select v-model="id" aria-label="Change what">
      <option value="">Change…</option>
      <option v-for="c in able" :key="c.id" :value="c.id">{{ c.head }}</option>
    </select>
    <ChoiceBox v-if="choices" bare open :label="`to, for all`" value="" :choices="choices" @choose="make" />
    <template v-else-if="column">
      <input v-model="text" :aria-label="`${column.head} of all`" />
      <button type="submit" class="soft">Set all</button>
    </template>
  </form>
</template>

<style scoped>
form {
  align-items: center;
}
</style>
