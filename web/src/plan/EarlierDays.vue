<script setup lang="ts">
import Dialog from "primevue/dialog";
import { onMounted, ref } from "vue";
import { answer, api, type Schemas } from "../api/client";

/** The days at whose end a plan was kept: to return to, or to make a plan of. */
const props = defineProps<{ plan: Schemas["PlanSummary"] }>();
const emit = defineEmits<{ close: []; done: [what: string] }>();
const days = ref<Schemas["PlanDay"][] | null>(null);
const problem = ref<string | null>(null);
const DAY = new Intl.DateTimeFormat("en-GB", {
  weekday: "short",
  day: "numeric",
  month: "short",
  year: "numeric",
});
const dayName = (day: string) => DAY.format(new Date(`${day}T12:00:00`));

async function guarded(work: () => Promise<void>) {
  problem.value = null;
  try {
    await work();
  } catch (e) {
    problem.value = e instanceof Error ? e.message : String(e);
  }
}
onMounted(() =>
  guarded(async () => {
    days.value = await answer(api.GET("/api/plans/{id}/days", { params: { path: { id: props.plan.id } } }));
  }),
);
const returnTo = (day: string) =>
  guarded(async () => {
    await answer(
      api.POST("/api/plans/{id}/days/{day}/return", {
        params: { path: { id: props.plan.id, day }, header: { "If-Match": `"${props.plan.revision}"` } },
      }),
    );
    emit(
      "done",
      `${props.plan.name} is again as it was at the end of ${dayName(day)}. Undo in the plan takes that back.`,
    );
  });
const copyOf = (day: string) =>
  guarded(async () => {
    const made = await answer(
      api.POST("/api/plans/{id}/days/{day}/copy", { params: { path: { id: props.plan.id, day } } }),
    );
    emit("done", `${made.plan.name} was made as a plan of its own.`);
  });
</script>

<template>
  <Dialog
    visible
    modal
    :header="`Earlier days of ${plan.name}`"
    class="narrow"
    @update:visible="(open: boolean) => open || emit('close')"
  >
    <p v-if="days === null && !problem" role="status">Looking…</p>
    <p v-else-if="days?.length === 0" class="quiet days">
      Nothing yet. On the first edit of a day the plan is kept as it was at the end of the day before; the
      last ten such days stay.
    </p>
    <table v-else-if="days" class="days">
      <thead>
        <tr>
          <th>At the end of</th>
          <th>Name then</th>
          <th class="number">Edit</th>
          <th><span class="unseen">What to do</span></th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="d in days" :key="d.day">
          <td>{{ dayName(d.day) }}</td>
          <td>{{ d.name }}</td>
          <td class="number">{{ d.revision }}</td>
          <td>
            <span class="row">
              <button
                type="button"
                class="soft"
                :aria-label="`Return to it: ${dayName(d.day)}`"
                @click="returnTo(d.day)"
              >
                Return to it
              </button>
              <button
                type="button"
                class="soft"
                :aria-label="`Make a plan of it: ${dayName(d.day)}`"
                @click="copyOf(d.day)"
              >
                Make a plan of it
              </button>
            </span>
          </td>
        </tr>
      </tbody>
    </table>
    <p v-if="problem" class="problem" role="alert">{{ problem }}</p>
  </Dialog>
</template>

<style scoped>
.days {
  position: relative;
  border-collapse: collapse;
  max-width: 560px;
}
.days th,
.days td {
  text-align: left;
  padding: 5px 12px 5px 0;
  border-bottom: 1px solid var(--hair);
  vertical-align: baseline;
  overflow-wrap: anywhere;
}
.days .number {
  text-align: right;
}
.days button {
  white-space: nowrap;
}
.problem {
  color: var(--unsafe);
  border: 1px solid var(--unsafe);
  padding: 8px 12px;
  margin: 8px 0;
  background: var(--sheet);
}
</style>
