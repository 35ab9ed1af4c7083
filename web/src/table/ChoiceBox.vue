<script setup lang="ts">
import { computed, nextTick, onMounted, ref, useId, watch } from "vue";

/**
 * A choice from a list that can be searched: what is typed narrows it, arrows only point, and nothing is chosen but by Enter
 * or a click. Escape leaves it as it was.
 */
const props = defineProps<{
  label: string;
  value: string;
  /** Values with their words. */
  choices: [string, string][];
  /** What was typed before it opened. */
  typed?: string;
  /** The label is for screen readers only. */
  bare?: boolean;
  placeholder?: string;
  /** It is there to be chosen from at once, as in a cell. */
  open?: boolean;
}>();
const emit = defineEmits<{ choose: [value: string]; leave: [] }>();
/** So many are listed; the rest is found by typing. */
const MOST = 60;
const list = useId();
const input = ref<HTMLInputElement | null>(null);
const opened = ref(false);
const text = ref<string | null>(null);
const at = ref(0);
const words = computed(() => props.choices.find(([v]) => v === props.value)?.[1] ?? "");
const found = computed(() => {
  const parts = (text.value ?? "").toLocaleLowerCase().split(/\s+/).filter(Boolean);
  return props.choices.filter(([, w]) => parts.every((p) => w.toLocaleLowerCase().includes(p)));
});
const shown = computed(() => found.value.slice(0, MOST));
watch(text, () => (at.value = 0));

function show() {
  if (opened.value) return;
  opened.value = true;
  at.value = Math.max(
    0,
    shown.value.findIndex(([v]) => v === props.value),
  );
  void scroll();
}
const scroll = () =>
  nextTick(() => document.getElementById(`${list}-${at.value}`)?.scrollIntoView?.({ block: "nearest" }));
function move(by: number) {
  if (!opened.value) return show();
  at.value = Math.min(shown.value.length - 1, Math.max(0, at.value + by));
  void scroll();
}
function take(value: string | undefined) {
  if (value === undefined) return;
  close();
  emit("choose", value);
}
function close() {
  opened.value = false;
  text.value = null;
}
function leave() {
  close();
  emit("leave");
}
function key(event: KeyboardEvent) {
  if (event.key === "ArrowDown" || event.key === "ArrowUp") {
    event.preventDefault();
    event.stopPropagation();
    move(event.key === "ArrowDown" ? 1 : -1);
  } else if (event.key === "Enter") {
    event.preventDefault();
    event.stopPropagation();
    if (opened.value) take(shown.value[at.value]?.[0]);
    else show();
  } else if (event.key === "Escape" && opened.value) {
    event.preventDefault();
    event.stopPropagation();
    leave();
  }
}
function type(event: Event) {
  show();
  text.value = (event.target as HTMLInputElement).value;
}
onMounted(() => {
  if (!props.open) return;
  if (props.typed) text.value = props.typed;
  show();
  input.value?.focus();
  if (!props.typed) input.value?.select();
});
</script>

<template>
  <label class="field choice" :class="{ bare }">
    <span :class="{ unseen: bare }">{{ label }}</span>
    <input
      ref="input"
      type="text"
      role="combobox"
      aria-autocomplete="list"
      autocomplete="off"
      :placeholder="placeholder"
      :aria-expanded="opened"
      :aria-controls="list"
      :aria-activedescendant="opened && shown.length ? `${list}-${at}` : undefined"
      :value="text ?? words"
      @click="show"
      @input="type"
      @keydown="key"
      @blur="leave"
    />
    <ul v-show="opened" :id="list" role="listbox" :aria-label="label">
      <li
        v-for="([v, w], i) in shown"
        :id="`${list}-${i}`"
        :key="v"
        role="option"
        :aria-selected="i === at"
        :class="{ now: v === value }"
        @mousedown.prevent="take(v)"
      >
        {{ w }}
      </li>
      <li v-if="!shown.length" role="option" aria-disabled="true" aria-selected="false" class="quiet">
        nothing is called so
      </li>
      <li
        v-else-if="found.length > MOST"
        role="option"
        aria-disabled="true"
        aria-selected="false"
        class="quiet"
      >
        {{ found.length - MOST }} more: type some of the name
      </li>
    </ul>
  </label>
</template>

<style scoped>
.choice {
  position: relative;
}
ul {
  position: absolute;
  top: 100%;
  left: 0;
  z-index: 20;
  min-width: 100%;
  max-width: 340px;
  max-height: 260px;
  overflow: auto;
  margin: 1px 0 0;
  padding: 2px 0;
  list-style: none;
  background: var(--sheet);
  border: 1px solid var(--hair-strong);
  box-shadow: 0 4px 14px rgb(0 0 0 / 18%);
  font-size: 14px;
  color: var(--ink);
}
li {
  padding: 3px 10px;
  cursor: pointer;
  white-space: nowrap;
  overflow: hidden;
  text-overflow: ellipsis;
}
li[aria-selected="true"] {
  background: var(--copper);
  color: var(--on-copper);
}
li.now {
  font-weight: 600;
}
.bare {
  display: block;
}
</style>
