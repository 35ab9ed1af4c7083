<script setup lang="ts">
import { useElementVisibility } from "@vueuse/core";
import { computed, shallowRef, useTemplateRef, watch } from "vue";
import { answer, api, type Schemas } from "../api/client";
import SmallHouse from "../drawing/SmallHouse.vue";

/** A plan in the list: the house small, how far it is, and what can be done with it. */
const props = defineProps<{ plan: Schemas["PlanSummary"] }>();
const emit = defineEmits<{ rename: []; copy: []; days: []; remove: [] }>();
const CLOCK = new Intl.DateTimeFormat("en-GB", { dateStyle: "medium", timeStyle: "short" });
const when = (instant: string) => CLOCK.format(new Date(instant));
const card = useTemplateRef("card");
const inSight = useElementVisibility(card);
const overview = shallowRef<Schemas["PlanOverview"] | null>(null);
let asked = -1;
// worked out only for what is looked at; without it the list still lists
watch(
  () => [inSight.value, props.plan.revision] as const,
  async ([seen, revision]) => {
    if (!seen || asked === revision) return;
    asked = revision;
    const params = { path: { id: props.plan.id } };
    overview.value = await answer(api.GET("/api/plans/{id}/overview", { params })).catch(() => null);
  },
  { immediate: true },
);
const snags = computed(() => {
  const o = overview.value;
  if (!o) return "";
  if (!o.stages.some((s) => s.judged)) return "nothing in it yet";
  const parts = [
    o.stops && `${o.stops} ${o.stops === 1 ? "stop" : "stops"}`,
    o.fixes && `${o.fixes} to fix`,
    o.looks && `${o.looks} to look at`,
  ].filter(Boolean);
  return parts.length ? parts.join(", ") : "clear";
});
const money = computed(() => {
  const m = overview.value?.money;
  return m && m.total > 0 ? `${Math.round(m.total).toLocaleString("en-GB")} ${m.currency}` : "";
});
</script>

<template>
  <li ref="card">
    <div class="picture">
      <SmallHouse
        v-if="overview"
        :floors="overview.floors"
        :label="`Floors of ${plan.name}`"
        :most="2"
        :tall="86"
      />
    </div>
    <div class="about">
      <RouterLink :to="`/plans/${plan.id}/overview`" class="name">{{ plan.name }}</RouterLink>
      <span class="quiet">edit {{ plan.revision }} · {{ when(plan.updatedAt) }}</span>
      <span v-if="overview">
        {{ snags }}<template v-if="money"> · {{ money }}</template>
      </span>
      <span class="row">
        <button type="button" class="plain" :aria-label="`Rename ${plan.name}`" @click="emit('rename')">
          Rename
        </button>
        <button type="button" class="plain" :aria-label="`Copy ${plan.name}`" @click="emit('copy')">
          Copy
        </button>
        <a class="plain" :href="`/api/plans/${plan.id}/export`" download :aria-label="`Export ${plan.name}`"
          >Export</a
        >
        <button
          type="button"
          class="plain"
          :aria-label="`Earlier days of ${plan.name}`"
          @click="emit('days')"
        >
          Earlier days
        </button>
        <button type="button" class="plain" :aria-label="`Delete ${plan.name}`" @click="emit('remove')">
          Delete
        </button>
      </span>
    </div>
  </li>
</template>

<style scoped>
li {
  display: grid;
  grid-template-columns: 250px minmax(0, 1fr);
  gap: 18px;
  padding: 12px 16px;
  align-items: center;
}
.picture {
  min-height: 90px;
  display: flex;
  align-items: center;
}
.about {
  display: flex;
  flex-direction: column;
  gap: 3px;
}
.about .row {
  gap: 14px;
  margin-top: 4px;
}
.name {
  font-size: 17px;
  font-weight: 600;
  color: var(--ink);
  overflow-wrap: anywhere;
  unicode-bidi: isolate;
}
@media (max-width: 700px) {
  li {
    grid-template-columns: minmax(0, 1fr);
    gap: 6px;
  }
  .picture {
    min-height: 0;
  }
}
</style>
