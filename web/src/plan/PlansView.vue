<script setup lang="ts">
import { replaced } from "./patch";
import Button from "primevue/button";
import Dialog from "primevue/dialog";
import InputText from "primevue/inputtext";
import { computed, onBeforeUnmount, onMounted, reactive, ref } from "vue";
import { useRouter } from "vue-router";
import { answer, api, patiently, Problem, problemOf, type Schemas } from "../api/client";
import EarlierDays from "./EarlierDays.vue";
import PlanCard from "./PlanCard.vue";
import { REGIONS } from "./regions";
import { applyTheme, currentTheme } from "../app/theme";
import { forgetBack, whenBack } from "../app/whenBack";

type Summary = Schemas["PlanSummary"];

/** A plan with its pictures, heights and readings. */
const MOST_MB = 96;
const router = useRouter();
const plans = ref<Summary[]>([]);
const loaded = ref(false);
/** With more plans than this they can be searched. */
const MANY = 5;
const search = ref("");
const found = computed(() => {
  const parts = search.value.toLocaleLowerCase().split(/\s+/).filter(Boolean);
  return plans.value.filter((p) => parts.every((part) => p.name.toLocaleLowerCase().includes(part)));
});
const problem = ref<string | null>(null);
const deleted = ref<Summary | null>(null);
const creating = ref(false);
const renaming = ref<Summary | null>(null);
const newName = ref("");
const theme = ref(currentTheme());
const fresh = reactive({ name: "", region: "EU", volts: "230", latitude: "", longitude: "" });

const CLOCK = new Intl.DateTimeFormat("en-GB", { dateStyle: "medium", timeStyle: "short" });
const when = (instant: string) => CLOCK.format(new Date(instant));

async function guarded(work: () => Promise<void>) {
  problem.value = null;
  try {
    await work();
  } catch (e) {
    problem.value = e instanceof Problem ? e.message : String(e);
    if (!(e instanceof Problem) || e.status === 0 || e.status >= 500) whenBack(load);
  }
}

/** Plans that were deleted, once somebody wants to see them. */
const gone = ref<Schemas["DeletedPlan"][] | null>(null);
/** The plan whose earlier days are shown. */
const looking = ref<Summary | null>(null);
const done = ref<string | null>(null);

function load(): Promise<void> {
  return guarded(async () => {
    plans.value = await answer(api.GET("/api/plans"));
    if (gone.value) gone.value = await answer(api.GET("/api/plans/deleted"));
    loaded.value = true;
  });
}
onBeforeUnmount(() => forgetBack(load));

const showDeleted = () =>
  guarded(async () => void (gone.value = gone.value ? null : await answer(api.GET("/api/plans/deleted"))));

const bringBack = (plan: Schemas["DeletedPlan"]) =>
  guarded(async () => {
    await answer(api.POST("/api/plans/{id}/restore", { params: { path: { id: plan.id } } }));
    if (deleted.value?.id === plan.id) deleted.value = null;
    done.value = `${plan.name} is back.`;
    await load();
  });

/** Something was done that the list shows. */
async function told(what: string) {
  looking.value = null;
  done.value = what;
  await load();
}
const demos = ref<Schemas["Demo"][]>([]);
onMounted(() => {
  void load();
  void guarded(async () => void (demos.value = await answer(api.GET("/api/demos"))));
});

function chooseRegion() {
  fresh.volts = String(REGIONS.find((r) => r.id === fresh.region)?.volts ?? "");
}

function numberOrNull(text: string): number | null {
  if (String(text).trim() === "") return null;
  const value = Number(text);
  if (!Number.isFinite(value)) throw new Problem(0, `"${text}" is not a number.`);
  return value;
}

const create = () =>
  guarded(async () => {
    const latitude = numberOrNull(fresh.latitude);
    const longitude = numberOrNull(fresh.longitude);
    if ((latitude === null) !== (longitude === null)) {
      throw new Problem(0, "Give both latitude and longitude, or neither.");
    }
    const made = await answer(
      api.POST("/api/plans", {
        body: {
          name: fresh.name,
          region: fresh.region as (typeof REGIONS)[number]["id"],
          mainsVoltageV: numberOrNull(fresh.volts),
          place: latitude === null ? null : { latitudeDeg: latitude, longitudeDeg: longitude! },
        },
      }),
    );
    creating.value = false;
    await router.push(`/plans/${made.id}/site`);
  });

/** A plan that begins as a copy of a made-up house. */
const fromDemo = (id: string) =>
  guarded(async () => {
    const made = await answer(api.POST("/api/demos/{id}", { params: { path: { id } } }));
    creating.value = false;
    await router.push(`/plans/${made.id}/site`);
  });

const copy = (plan: Summary) =>
  guarded(async () => {
    await answer(
      api.POST("/api/plans/{id}/copy", {
        params: { path: { id: plan.id } },
        body: { name: `${plan.name} copy`.slice(0, 120) },
      }),
    );
    await load();
  });

const rename = () =>
  guarded(async () => {
    const plan = renaming.value!;
    await answer(
      api.PATCH("/api/plans/{id}", {
        params: {
          path: { id: plan.id },
          query: { label: "rename" },
          header: { "If-Match": `"${plan.revision}"` },
        },
        headers: { "Content-Type": "application/json-patch+json" },
        body: JSON.stringify([replaced(["name"], newName.value)]),
        bodySerializer: (body: unknown) => body as string,
      }),
    );
    renaming.value = null;
    await load();
  });

const remove = (plan: Summary) =>
  guarded(async () => {
    await answer(api.DELETE("/api/plans/{id}", { params: { path: { id: plan.id } } }));
    deleted.value = plan;
    await load();
  });

const restore = () =>
  guarded(async () => {
    await answer(api.POST("/api/plans/{id}/restore", { params: { path: { id: deleted.value!.id } } }));
    deleted.value = null;
    await load();
  });

const importFile = (event: Event) =>
  guarded(async () => {
    const input = event.target as HTMLInputElement;
    const file = input.files?.[0];
    if (!file) return;
    try {
      if (file.size > MOST_MB * 1024 * 1024) {
        throw new Problem(
          413,
          `The file is larger than ${MOST_MB} MB, the most that a plan with its pictures may have. Nothing was changed.`,
        );
      }
      const request = new Request("/api/plans/import", {
        method: "POST",
        headers: { "Content-Type": "application/json" },
        body: await file.text(),
      });
      const response = await patiently(request).catch(() => {
        throw new Problem(0, `${file.name} was not imported: the server does not answer. Choose it again.`);
      });
      if (!response.ok) {
        const reason = problemOf(response.status, await response.json().catch(() => null));
        throw new Problem(reason.status, `${file.name} was not imported. ${reason.message}`);
      }
      await load();
    } finally {
      input.value = "";
    }
  });

function toggleTheme() {
  theme.value = theme.value === "dark" ? "light" : "dark";
  applyTheme(theme.value);
}
</script>

<template>
  <div class="plans">
    <header>
      <span class="brand">Sk<em>e</em>lto</span>
      <span class="quietbar">the planning bench for houses automated out of small controllers</span>
      <RouterLink to="/calculators" class="calc">Calculators</RouterLink>
      <button type="button" class="theme" @click="toggleTheme">
        {{ theme === "dark" ? "Light" : "Dark" }} paper
      </button>
    </header>
    <main>
      <div class="row head">
        <h1>Plans</h1>
        <Button label="New plan" @click="creating = true" />
        <label class="import soft">
          Import a plan
          <input type="file" accept=".json,application/json" class="unseen" @change="importFile" />
        </label>
      </div>
      <p v-if="problem" class="problem" role="alert">{{ problem }}</p>
      <p v-if="deleted" class="notice" role="status">
        {{ deleted.name }} is deleted.
        <button type="button" class="plain" @click="restore">Undo: bring it back</button>
      </p>
      <p v-if="loaded && plans.length === 0" class="quiet">
        There is no plan yet. Begin with a name, a region and the mains voltage: press New plan.
      </p>
      <label v-if="plans.length > MANY" class="field search"
        >Search plans<input v-model="search" type="search" placeholder="a part of the name"
      /></label>
      <p v-if="search && !found.length" class="quiet">No plan has that in its name.</p>
      <ul v-if="found.length" class="cards">
        <PlanCard
          v-for="plan in found"
          :key="plan.id"
          :plan="plan"
          @rename="((renaming = plan), (newName = plan.name))"
          @copy="copy(plan)"
          @days="looking = plan"
          @remove="remove(plan)"
        />
      </ul>
      <p v-if="done" class="notice" role="status">{{ done }}</p>
      <section class="deleted" aria-label="Deleted plans">
        <button type="button" class="plain" :aria-expanded="gone !== null" @click="showDeleted">
          {{ gone ? "Hide deleted plans" : "Show deleted plans" }}
        </button>
        <p v-if="gone && gone.length === 0" class="quiet">
          None. A deleted plan stays here for 30 days and can be brought back; then it goes for good.
        </p>
        <ul v-if="gone?.length">
          <li v-for="plan in gone" :key="plan.id">
            <span class="name">{{ plan.name }}</span>
            <span class="quiet"
              >deleted {{ when(plan.deletedAt) }} · goes for good {{ when(plan.goneAt) }}</span
            >
            <span class="row">
              <button
                type="button"
                class="plain"
                :aria-label="`Bring back ${plan.name}`"
                @click="bringBack(plan)"
              >
                Bring back
              </button>
            </span>
          </li>
        </ul>
      </section>
      <section class="cautions" aria-label="Cautions">
        <h2>Before you wire anything</h2>
        <p>
          Mains can kill: isolate, lock off and prove dead, never work alone, keep mains and low voltage
          apart, use enclosed and rated parts, follow local code, and leave fixed wiring to a licensed
          electrician where the law asks. A way out must open by hand without power. Radio limits are law:
          check with your regulator. Skelto gives estimates, never a certificate.
        </p>
      </section>
    </main>

    <Dialog v-model:visible="creating" modal header="New plan" class="narrow">
      <form class="form" @submit.prevent="create">
        <label class="field">Name<InputText v-model="fresh.name" required maxlength="120" autofocus /></label>
        <label class="field"
          >Region, for the radio limits
          <select v-model="fresh.region" @change="chooseRegion">
            <option v-for="r in REGIONS" :key="r.id" :value="r.id">{{ r.name }}</option>
          </select>
        </label>
        <label class="field">Mains voltage, V<input v-model="fresh.volts" inputmode="decimal" /></label>
        <div class="row">
          <label class="field"
            >Latitude, °<input v-model="fresh.latitude" inputmode="decimal" placeholder="later"
          /></label>
          <label class="field"
            >Longitude, °<input v-model="fresh.longitude" inputmode="decimal" placeholder="later"
          /></label>
        </div>
        <p v-if="problem" class="problem" role="alert">{{ problem }}</p>
        <div class="row"><Button type="submit" label="Make the plan" /></div>
      </form>
      <section class="demos" aria-label="Begin from a made-up house">
        <p>Or begin from a made-up house, and change it:</p>
        <p v-for="d in demos" :key="d.id">
          <button type="button" class="soft" @click="fromDemo(d.id)">{{ d.name }}</button>
          <span class="quiet">{{ d.about }}</span>
        </p>
      </section>
    </Dialog>
    <EarlierDays v-if="looking" :plan="looking" @close="looking = null" @done="told" />
    <Dialog
      :visible="renaming !== null"
      modal
      header="Rename the plan"
      class="narrow"
      @update:visible="(open: boolean) => open || (renaming = null)"
    >
      <form class="form" @submit.prevent="rename">
        <label class="field">Name<InputText v-model="newName" required maxlength="120" autofocus /></label>
        <p v-if="problem" class="problem" role="alert">{{ problem }}</p>
        <div class="row"><Button type="submit" label="Rename" /></div>
      </form>
    </Dialog>
  </div>
</template>

<style scoped>
.plans {
  min-height: 100%;
}
header {
  background: var(--bar);
  color: var(--bar-ink);
  padding: 10px 24px;
  display: flex;
  gap: 16px;
  align-items: baseline;
}
.brand {
  font-size: 19px;
  font-weight: 600;
}
.brand em {
  font-style: normal;
  color: #e0986b;
}
.calc {
  color: inherit;
  margin-left: auto;
}
.quietbar {
  color: #c9d1d7;
}
.theme {
  background: none;
  border: 1px solid #6b7883;
  border-radius: 3px;
  padding: 2px 10px;
  cursor: pointer;
}
main {
  max-width: 1080px;
  margin: 28px auto;
  padding: 0 16px;
}
.head {
  align-items: center;
  margin-bottom: 12px;
}
.head h1 {
  margin-right: auto;
}
.import {
  padding: 6px 12px;
}
.import:focus-within {
  outline: 2px solid var(--copper);
}
ul {
  list-style: none;
  margin: 0;
  padding: 0;
  background: var(--sheet);
  border: 1px solid var(--hair);
}
.deleted li {
  display: flex;
  gap: 16px;
  align-items: baseline;
  padding: 12px 16px;
  flex-wrap: wrap;
}
.deleted li + li,
.cards :deep(li + li) {
  border-top: 1px solid var(--hair);
}
.deleted li .row {
  margin-left: auto;
  gap: 14px;
}
.name {
  font-size: 17px;
  font-weight: 600;
  color: var(--ink);
  overflow-wrap: anywhere;
  unicode-bidi: isolate;
}
.cards {
  margin-top: 10px;
}
.search {
  max-width: 320px;
}
.deleted {
  margin-top: 14px;
}
.deleted ul {
  margin-top: 8px;
}
.deleted .name {
  font-weight: 500;
  color: var(--ink2);
}
.cautions {
  margin-top: 28px;
  border-left: 4px solid var(--stop);
  padding: 2px 0 2px 14px;
  color: var(--ink2);
}
.problem {
  color: var(--unsafe);
  border: 1px solid var(--unsafe);
  padding: 8px 12px;
  margin: 8px 0;
  background: var(--sheet);
  overflow-wrap: anywhere;
}
.notice {
  padding: 8px 12px;
  margin: 8px 0;
  background: var(--sheet);
  border: 1px solid var(--hair);
}
.demos {
  margin-top: 16px;
  border-top: 1px solid var(--hair);
  max-width: 420px;
}
.demos p {
  display: flex;
  gap: 10px;
  align-items: baseline;
  margin: 8px 0;
}
.demos button {
  white-space: nowrap;
}
.form {
  display: flex;
  flex-direction: column;
  gap: 12px;
  min-width: 320px;
}
</style>
