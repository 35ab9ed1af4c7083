<script setup lang="ts">
import { computed, ref, watch } from "vue";
import { useBench } from "../plan/store";
import { labelIn, readIn, shownIn } from "./measures";

/**
 * A labelled input that stores what was typed when it is left. What cannot be stored is told beside it; what was typed
 * stays there to be mended, until Escape or another selection brings back what the plan holds. Numbers may be written
 * with a comma, in other units than the label's, and as sums.
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
const bench = useBench();
const measures = computed(() => bench.plan?.measures ?? "METRIC");
const called = computed(() => labelIn(measures.value, props.label));
const held = computed(() => shownIn(measures.value, props.label, props.value));
/** What is being typed, or was typed and is not stored; a plan that changes meanwhile does not take it away. */
const typing = ref<string | null>(null);
const trouble = ref<string | null>(null);
/** What the plan held when typing began: somebody else may change it meanwhile. */
let before: unknown = null;
let storing = false;
/** Typed, and waiting for a server that is away. */
let waiting = false;
/** What stands in the field was refused, and nothing was typed since. */
let refused = false;

async function commit(event: Event) {
  const text = (event.target as HTMLInputElement).value;
  typing.value = text;
  const raw = text.trim();
  trouble.value = null;
  waiting = refused = false;
  if (raw === "" && !props.optional) return wrong(`${called.value} cannot be empty.`);
  const read =
    props.numeric && raw !== "" ? readIn(measures.value, props.label, raw) : { value: raw || null };
  if ("trouble" in read) return wrong(read.trouble);
  const value = read.value;
  const now = props.value ?? null;
  if (value === now) return reset();
  if (before !== null && before !== now) {
    before = now;
    return wrong(
      "It was changed elsewhere meanwhile. Yours is kept here: press Enter to store it all the same.",
    );
  }
  storing = true;
  const stored = await (props.save as (value: unknown) => Promise<boolean> | void)(value);
  storing = false;
  if (typing.value !== text) return;
  if (stored !== false) return reset();
  waiting = bench.saving === "failed";
  if (!waiting) wrong(bench.takeMessage() ?? "This was not taken.");
}

function wrong(why: string) {
  const there = held.value === null || held.value === undefined || held.value === "" ? "nothing" : held.value;
  refused = true;
  trouble.value = `${why} The plan holds ${there}; Escape brings it back.`;
}
function reset() {
  before = null;
  typing.value = null;
  trouble.value = null;
  waiting = false;
  refused = false;
}
/** Escape brings back what the plan holds, before it closes anything around the field. */
function back(event: Event) {
  if (typing.value !== null || refused) event.stopPropagation();
  reset();
}
function typed(event: Event) {
  if (typing.value === null) before = props.value ?? null;
  typing.value = (event.target as HTMLInputElement).value;
  refused = false;
}
/** Enter stores also what was told and not typed anew. */
function again(event: Event) {
  if (refused) void commit(event);
}
function left() {
  if (!storing && !waiting && trouble.value === null) typing.value = null;
}
watch(
  () => props.value,
  () => {
    if (refused || waiting) reset();
  },
);
// what was typed for one thing is not for another
watch(() => bench.selection, reset);
</script>

<template>
  <label class="field" :class="{ bare }">
    <span :class="{ unseen: bare }">{{ called }}</span>
    <input
      :class="{ short: numeric, wide }"
      :inputmode="numeric ? 'decimal' : undefined"
      :value="typing ?? held ?? ''"
      :placeholder="placeholder"
      :aria-invalid="trouble !== null || undefined"
      :aria-label="trouble === null ? undefined : called"
      @input="typed"
      @change="commit"
      @blur="left"
      @keydown.escape="back"
      @keydown.enter="again"
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
  max-width: 220px;
  overflow-wrap: anywhere;
}
</style>
