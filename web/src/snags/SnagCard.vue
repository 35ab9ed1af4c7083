<script setup lang="ts">
import { ref } from "vue";
import type { Snag } from "../api/client";
import AcceptForm from "./AcceptForm.vue";
import { SEVERITY_WORDS } from "./folding";

/** One snag: fact, figures, what it does in the house, and what can be done about it. */
defineProps<{ snag: Snag; canShow: boolean }>();
const emit = defineEmits<{ fix: [index: number]; show: []; reopen: []; accept: [why: string] }>();
const accepting = ref(false);
function accept(why: string) {
  emit("accept", why);
  accepting.value = false;
}
</script>

<template>
  <article :class="SEVERITY_WORDS[snag.severity]">
    <header>
      <h3>{{ snag.title }}</h3>
      <span class="code" :title="`severity: ${SEVERITY_WORDS[snag.severity]}`"
        >{{ SEVERITY_WORDS[snag.severity] }} {{ snag.code }}</span
      >
    </header>
    <p v-if="snag.figures" class="figures">{{ snag.figures }}.</p>
    <p>{{ snag.consequence }}</p>
    <p v-if="snag.accepted !== null" class="quiet">Accepted: {{ snag.accepted }}</p>
    <div class="row">
      <button v-for="(f, i) in snag.fixes" :key="f.label" type="button" class="act" @click="emit('fix', i)">
        {{ f.label }}
      </button>
      <button
        v-if="canShow"
        type="button"
        class="soft"
        :aria-label="`Show: ${snag.title}`"
        @click="emit('show')"
      >
        Show
      </button>
      <button v-if="snag.accepted !== null" type="button" class="soft" @click="emit('reopen')">Reopen</button>
      <button
        v-else-if="!accepting && snag.code !== 'D1'"
        type="button"
        class="soft"
        :aria-label="`Accept as it is: ${snag.title}`"
        @click="accepting = true"
      >
        Accept
      </button>
    </div>
    <AcceptForm v-if="accepting" :stop="snag.severity === 'STOP'" @accept="accept" />
  </article>
</template>

<style scoped>
article {
  background: var(--sheet);
  border: 1px solid var(--hair);
  border-left: 4px solid var(--look);
  padding: 8px 10px;
  margin-bottom: 9px;
  font-size: 13px;
  overflow-wrap: anywhere;
}
article.stop {
  border-left-color: var(--stop);
}
article.fix {
  border-left-color: var(--fix);
}
header {
  display: flex;
  gap: 6px;
  justify-content: space-between;
}
.code {
  font-size: 11px;
  color: var(--ink2);
  white-space: nowrap;
}
.figures {
  font-weight: 500;
}
.row {
  gap: 6px;
  margin-top: 6px;
}
</style>
