<script setup lang="ts">
import { computed, ref, watch } from "vue";
import type { Schemas } from "../../api/client";
import { useBench } from "../../plan/store";

/** Something found about rules: how sure it is, and how it comes about, played step by step. */
const props = defineProps<{ finding: Schemas["RuleFinding"] }>();
const bench = useBench();
const plan = computed(() => bench.plan!);
const SURE = {
  PROVEN: "proven",
  REACHABLE: "reachable",
  POSSIBLE: "possible, not proven",
} as const;
const names = computed(() => props.finding.rules.map((id) => plan.value.rules[id]?.name ?? id));
const steps = computed(() => props.finding.story?.steps ?? []);
/** How many steps are shown; 0 while the story is not played. */
const shown = ref(0);
watch(
  () => props.finding,
  () => (shown.value = 0),
);
function play() {
  shown.value = Math.min(steps.value.length, shown.value + 1);
  const thing = steps.value[shown.value - 1]?.thing;
  if (thing?.startsWith("/devices/")) bench.select(thing);
}
</script>

<template>
  <section class="story" :aria-label="`Found: ${names.join(' and ')}`">
    <p>
      <b>{{ names.map((n) => `“${n}”`).join(" and ") }}.</b> {{ finding.says }}
      <span class="quiet"
        >{{ SURE[finding.proof]
        }}<template v-if="finding.story">: {{ finding.story.supposed }}</template></span
      >
    </p>
    <template v-if="steps.length">
      <div class="row">
        <button type="button" class="plain" :disabled="shown === steps.length" @click="play">
          {{ shown ? "Next step" : "Play the story" }}
        </button>
        <button v-if="shown < steps.length" type="button" class="plain" @click="shown = steps.length">
          All of it
        </button>
        <button v-if="shown" type="button" class="plain" @click="shown = 0">From the beginning</button>
      </div>
      <ol v-if="shown" aria-live="polite">
        <li v-for="(s, i) in steps.slice(0, shown)" :key="i" :class="{ outside: s.outside }">
          <span class="at">{{ s.at.slice(11, 19) }}</span>
          <button v-if="s.thing" type="button" class="plain" @click="bench.select(s.thing)">
            {{ s.text }}
          </button>
          <template v-else>{{ s.text }}</template>
        </li>
      </ol>
    </template>
  </section>
</template>

<style scoped src="../panel.css"></style>
<style scoped>
.story {
  border-left: 4px solid var(--stop);
  background: var(--sheet);
  padding: 6px 12px;
}
.story p {
  margin: 0;
}
ol {
  margin: 6px 0 0;
  padding-left: 20px;
}
.at {
  display: inline-block;
  min-width: 66px;
  font-variant-numeric: tabular-nums;
}
.outside {
  font-weight: 600;
}
</style>
