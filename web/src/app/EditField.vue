<script setup lang="ts">
import { ref } from "vue";

/**
 * A labelled input that stores what was typed when it is left. What cannot be stored is told beside it, and the field
 * goes back to what the plan holds. Numbers may be written with a comma.
 */
const props = defineProps<{
  label: string;
  value: string | number | null | undefined;
  /** Reads a number; text otherwise. */
  numeric?: boolean;
  /** An emptied field means "none" rather than a mistake. */
  optional?: boolean;
  /** The label is for screen readers only. */
  bare?: boolean;
  wide?: boolean;
  placeholder?: string;
  /** Stores it; false when it was refused. */
  save: (value: never) => Promise<boolean> | void;
}>();
const input = ref<HTMLInputElement | null>(null);
const trouble = ref<string | null>(null);

async function commit() {
  const raw = input.value!.value.trim();
  trouble.value = null;
  if (raw === "" && !props.optional) return restore(`${props.label} cannot be empty.`);
  const value = raw === "" ? null : props.numeric ? Number(raw.replace(",", ".")) : raw;
  if (typeof value === "number" && !Number.isFinite(value)) return restore(`"${raw}" is not a number.`);
  if (value === (props.value ?? null)) return restore(null);
  const done = await (props.save as (value: unknown) => Promise<boolean> | void)(value);
  if (done === false) restore(null);
  else if (input.value) input.value.value = String(props.value ?? "");
}

function restore(why: string | null) {
  trouble.value = why;
  if (input.value) input.value.value = String(props.value ?? "");
}
</script>

<template>
  <label class="field" :class="{ bare }">
    <span :class="{ unseen: bare }">{{ label }}</span>
    <input
      ref="input"
      :class="{ short: numeric, wide }"
      :inputmode="numeric ? 'decimal' : undefined"
      :value="value ?? ''"
      :placeholder="placeholder"
      :aria-invalid="trouble !== null || undefined"
      @change="commit"
    />
    <span v-if="trouble" class="bad" role="alert">{{ trouble }}</span>
  </label>
</template>

<style scoped>
.short {
  width: 72px;
}
.wide {
  width: 100%;
}
.bare {
  display: inline-flex;
}
.bad {
  max-width: 160px;
}
</style>
