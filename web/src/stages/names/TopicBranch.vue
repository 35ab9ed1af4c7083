<script setup lang="ts">
import { computed, ref, watch } from "vue";
import type { Branch } from "./topics";

/** A branch of the topic tree and what lies under it; the branch of what is selected is open. */
const props = defineProps<{
  branch: Branch;
  open: string;
  all: boolean;
  nameOf: (device: string) => string;
}>();
const emit = defineEmits<{ choose: [device: string] }>();
const leads = computed(
  () => props.open === props.branch.path || props.open.startsWith(`${props.branch.path}/`),
);
const shown = ref(props.all || leads.value);
watch([leads, () => props.all], ([to, all]) => {
  if (to || all) shown.value = true;
});
const chosen = computed(() => props.branch.device !== null && props.open === props.branch.path);
</script>

<template>
  <li>
    <button
      v-if="branch.device === null"
      type="button"
      class="plain twig"
      :aria-expanded="shown"
      @click="shown = !shown"
    >
      <span aria-hidden="true">{{ shown ? "▾" : "▸" }}</span> {{ branch.name }}
      <span class="quiet">{{ branch.count }}</span>
    </button>
    <button
      v-else
      type="button"
      class="plain leaf"
      :class="{ chosen }"
      :aria-pressed="chosen"
      @click="emit('choose', branch.device)"
    >
      {{ branch.name }}
    </button>
    <ul v-if="shown && branch.branches.length">
      <TopicBranch
        v-for="b in branch.branches"
        :key="b.path"
        :branch="b"
        :open="open"
        :all="all"
        :name-of="nameOf"
        @choose="(device) => emit('choose', device)"
      />
    </ul>
  </li>
</template>

<style scoped>
ul {
  list-style: none;
  margin: 0;
  padding-left: 18px;
}
.twig,
.leaf {
  text-decoration: none;
  color: var(--ink);
  padding: 2px 6px;
  text-align: left;
}
.leaf {
  padding-left: 18px;
  color: var(--link);
}
.chosen {
  background: var(--paper);
  font-weight: 600;
  outline: 1.5px solid var(--copper);
}
</style>
