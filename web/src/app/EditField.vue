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
/** What is being typed; a plan that changes meanwhile does not take it away. */
const typing = ref<string | null>(null);
const trouble = ref<string | null>(null);
let storing = false;

async function commit(event: Event) {
  const typed = (event.target as HTMLInputElement).value;
  typing.value = typed;
  const raw = typed.trim();
  trouble.value = null;
  if (raw === "" && !props.optional) return restore(`${props.label} cannot be empty.`);
  const value = raw === "" ? null : props.numeric ? Number(raw.replace(",", ".")) : raw;
  if (typeof value === "number" && !Number.isFinite(value)) return restore(`"${raw}" is not a number.`);
  if (value === (props.value ?? null)) return restore(null);
  storing = true;
  await (props.save as (value: unknown) => Promise<boolean> | void)(value);
  storing = false;
  if (typing.value === typed) typing.value = null;
}

function restore(why: string | null) {
  trouble.value = why;
  typing.value = null;
}
function left() {
  if (!storing) typing.value = null;
}
</script>

<template>
  <label class="field" :class="{ bare }">
    <span :class="{ unseen: bare }">{{ label }}</span>
    <input
      :class="{ short: numeric, wide }"
      :inputmode="numeric ? 'decimal' : undefined"
      :value="typing ?? value ?? ''"
      :placeholder="placeholder"
      :aria-invalid="trouble !== null || undefined"
      @input="typing = ($event.target as HTMLInputElement).value"
      @change="commit"
      @blur="left"
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
