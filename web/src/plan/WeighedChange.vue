<script setup lang="ts">
import { nextTick, onMounted, ref } from "vue";
import { useBench } from "./store";

/** A change that would leave stops or fixes behind: what it would bring, and whether it is wanted all the same. */
const bench = useBench();
const leaving = ref<HTMLElement | null>(null);
onMounted(() => nextTick(() => leaving.value?.focus()));
function make() {
  const change = bench.weighed!;
  bench.weighed = null;
  void bench.edit(change.ops, change.label);
}
</script>

<template>
  <section v-if="bench.weighed" class="weighed" role="alertdialog" aria-labelledby="weighed-title">
    <div>
      <p id="weighed-title">
        Nothing was changed yet: <b>{{ bench.weighed.label }}</b> would bring
        {{ bench.weighed.brings.length === 1 ? "a new snag" : `${bench.weighed.brings.length} new snags` }}:
      </p>
      <ul>
        <li v-for="b in bench.weighed.brings.slice(0, 4)" :key="b.code + b.title + b.figures">
          <b :class="b.severity === 'STOP' ? 'bad' : ''">{{ b.severity === "STOP" ? "stop" : "fix" }}</b>
          {{ b.code }} {{ b.title }} <span class="quiet">{{ b.figures }}</span>
        </li>
        <li v-if="bench.weighed.brings.length > 4">and {{ bench.weighed.brings.length - 4 }} more</li>
      </ul>
    </div>
    <span class="row">
      <button ref="leaving" type="button" class="act" @click="bench.weighed = null">Leave it</button>
      <button type="button" class="plain" @click="make">Make it all the same</button>
    </span>
  </section>
</template>

<style scoped>
.weighed {
  display: flex;
  justify-content: space-between;
  align-items: flex-start;
  gap: 16px;
  padding: 8px 12px;
  background: var(--sheet);
  border-bottom: 1px solid var(--rule);
}
.weighed p,
.weighed ul {
  margin: 0;
}
.weighed ul {
  padding-left: 18px;
}
.weighed .row {
  display: flex;
  gap: 8px;
  white-space: nowrap;
}
</style>
