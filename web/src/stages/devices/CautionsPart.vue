<script setup lang="ts">
import { added, replaced } from "../../plan/patch";
import { computed } from "vue";
import { useBench } from "../../plan/store";

/** What can hurt someone in this plan, and whether whoever plans it has read about it. */
const bench = useBench();
const plan = computed(() => bench.plan!);
const read = (id: string) =>
  plan.value.cautions[id] ?? (id === "MAINS" && plan.value.cautionsRead ? "yes" : null);
const rows = computed(() => bench.catalog!.cautions);
const TITLES: Record<string, string> = {
  MAINS: "Mains work",
  LITHIUM: "Lithium cells",
  EXIT: "Ways out",
  POWERED_DOOR: "Powered gates and doors",
  LIFE_SAFETY: "Smoke, gas and water",
};
function acknowledge(id: string) {
  const today = new Date().toISOString().slice(0, 10);
  const ops = [added(["cautions", id], today)];
  void bench.edit(
    id === "MAINS" ? [...ops, replaced(["cautionsRead"], true)] : ops,
    `read the cautions about ${TITLES[id]!.toLowerCase()}`,
  );
}
</script>

<template>
  <div class="panel-body">
    <p class="quiet">
      Skelto gives estimates, never a certificate. What is said here stands before anything that it reckons.
    </p>
    <section v-for="c in rows" :key="c.id" class="inspect">
      <h3>{{ TITLES[c.id] }}</h3>
      <p>{{ c.name }}</p>
      <p v-if="read(c.id)" class="quiet">Acknowledged{{ read(c.id) === "yes" ? "" : `, ${read(c.id)}` }}.</p>
      <p v-else>
        <button type="button" class="act" @click="acknowledge(c.id)">I have read this</button>
      </p>
    </section>
  </div>
</template>

<style scoped src="../panel.css"></style>
